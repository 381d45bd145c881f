<script setup lang="ts">
// The master: written once; every channel follows it until it has a part of its own.
import { computed, ref } from 'vue'
import { useChecks } from './checks'
import MediaPart from './MediaPart.vue'
import { overOf } from './over'
import PartRow from './PartRow.vue'
import TextPart from './TextPart.vue'
import TimePart from './TimePart.vue'
import TimesSpread from './TimesSpread.vue'
import WritingAids from './WritingAids.vue'
import type { Sheet } from './sheet'
import { ROWS, offFor, offered, seenOf } from './writable'

const props = defineProps<{ sheet: Sheet }>()
const emit = defineEmits<{ state: [state: string]; replace: [] }>()
const text = ref<InstanceType<typeof TextPart>>()
const aids = ref<InstanceType<typeof WritingAids>>()
const checks = useChecks()
const followers = computed(() => props.sheet.adaptations.filter((one) => !one.parts.text.own && one.stage !== 'out'))
const over = computed(() => overOf(followers.value.map((one) => ({ name: one.channel.name, proof: checks.of(one) }))))
const hashtags = computed(() => {
  const proofs = followers.value.map((one) => checks.of(one))
  const limits = proofs.map((proof) => proof.most_hashtags).filter((most): most is number => most !== null)
  return { count: proofs[0]?.hashtags ?? 0, most: limits.length > 0 ? Math.min(...limits) : null }
})
const off = computed(() => offFor(props.sheet, 'text'))
// Once, where it is of the post and not of the reader's role: what follows the master and is asked for, going or out.
const followed = computed(
  () =>
    (props.sheet.can['write:text']?.ok ? offFor(props.sheet, 'text') : undefined) ??
    (props.sheet.can['write:media']?.ok ? offFor(props.sheet, 'media') : undefined),
)
const rows = computed(() =>
  ROWS.filter((row) => row.part === 'link' || props.sheet.adaptations.some((one) => offered(row.part, one))),
)
const times = computed(() => props.sheet.adaptations.map((one) => one.at).filter((at): at is string => !!at))
defineExpose({ focus: () => text.value?.focus(), mentions: () => aids.value?.mentions() })
</script>

<template>
  <section class="master" aria-labelledby="master">
    <h2 id="master">
      Master <span class="quiet">{{ checks.count.value ?? sheet.master.count }}</span>
    </h2>
    <TextPart
      ref="text"
      :workspace="sheet.workspace_id"
      :post="sheet.id"
      part="text"
      :server="seenOf(sheet, 'text')"
      label="Master copy"
      :off="off"
      :over="over"
      placeholder="Write it once; each channel follows until you change it there."
      @state="emit('state', $event)"
    />
    <WritingAids
      id="master"
      ref="aids"
      :workspace="sheet.workspace_id"
      :off="off"
      :text="text?.value ?? ''"
      :hashtags="hashtags"
      @insert="(words, apart) => text?.insert(words, apart)"
      @replace="emit('replace')"
    />
    <p v-if="followed" class="sealed">{{ followed }}</p>
    <MediaPart :sheet="sheet" @state="emit('state', $event)" />
    <dl>
      <PartRow v-for="row in rows" :key="row.part" :sheet="sheet" :row="row" @state="emit('state', $event)" />
      <div class="time">
        <dt>Time</dt>
        <dd>
          <TimePart
            :workspace="sheet.workspace_id"
            :post="sheet.id"
            :server="sheet.master.parts.time"
            :zone="sheet.zone"
            :off="offFor(sheet, 'time')"
            @state="emit('state', $event)"
          />
        </dd>
      </div>
    </dl>
    <TimesSpread :times="times" />
  </section>
</template>

<style scoped>
.master {
  padding: 12px 14px 30px;
  background: var(--sheet);
}
h2 {
  display: flex;
  justify-content: space-between;
  font-size: 13px;
  font-weight: 600;
  padding-bottom: 8px;
  border-bottom: 3px solid var(--rule);
  margin-bottom: 10px;
}
.sealed {
  margin: 4px 0 8px;
  padding-left: 8px;
  border-left: 3px solid var(--ink-2);
  color: var(--ink-2);
  font-size: 12px;
}
dl {
  margin: 10px 0 6px;
}
.time {
  padding: 5px 0;
  border-bottom: 1px solid var(--rule);
}
.time dt {
  color: var(--ink-2);
}
</style>
