<script setup lang="ts">
// The master: written once; every channel follows it until it has a part of its own.
import { computed, nextTick, ref } from 'vue'
import { useChecks } from './checks'
import ChannelPicker from './ChannelPicker.vue'
import FoldedLine from './FoldedLine.vue'
import MediaPart from './MediaPart.vue'
import { overOf } from './over'
import PartRow from './PartRow.vue'
import { masterFolded, masterStanding } from './standing-parts'
import TextPart from './TextPart.vue'
import TimePart from './TimePart.vue'
import TimesSpread from './TimesSpread.vue'
import WritingAids from './WritingAids.vue'
import type { PartName, Sheet } from './sheet'
import { offFor, seenOf } from './writable'

const props = defineProps<{ sheet: Sheet; wide: boolean }>()
const emit = defineEmits<{ replace: []; widen: [] }>()
const root = ref<HTMLElement>()
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
const off = (part: PartName) => offFor(props.sheet, part)
// Once, where it is of the post and not of the reader's role: what follows the master and is asked for, going or out.
const followed = computed(
  () =>
    (props.sheet.can['write:text']?.ok ? off('text') : undefined) ??
    (props.sheet.can['write:media']?.ok ? off('media') : undefined),
)
const opened = ref<ReadonlySet<PartName>>(new Set())
function open(part: PartName, on: boolean) {
  const next = new Set(opened.value)
  if (on) next.add(part)
  else next.delete(part)
  opened.value = next
}
function takeUp(part: PartName) {
  open(part, true)
  void nextTick(() => root.value?.querySelector<HTMLElement>('.wide :is(input, textarea, [tabindex])')?.focus())
}
const rows = computed(() => masterStanding(props.sheet, opened.value))
const empty = computed(() => masterFolded(props.sheet, opened.value))
const times = computed(() => props.sheet.adaptations.map((one) => one.at).filter((at): at is string => !!at))
defineExpose({ focus: () => text.value?.focus(), mentions: () => aids.value?.mentions() })
</script>

<template>
  <section ref="root" class="master" :class="{ alone: sheet.adaptations.length === 0 }" aria-labelledby="master">
    <div class="head">
      <h2 id="master" class="hidden">Master</h2>
      <ChannelPicker :sheet="sheet" />
      <button
        v-if="sheet.adaptations.length > 0"
        type="button"
        class="room"
        :aria-pressed="wide"
        title="F2"
        @click="emit('widen')"
      >
        {{ wide ? 'Beside the channels' : 'Wide' }}
      </button>
      <span class="quiet count" title="characters">{{ checks.count.value ?? sheet.master.count }}</span>
    </div>
    <TextPart
      ref="text"
      class="text"
      :workspace="sheet.workspace_id"
      :post="sheet.id"
      part="text"
      :server="seenOf(sheet, 'text')"
      label="Master copy"
      :off="off('text')"
      :over="over"
      placeholder="Write it once; each channel follows until you change it there."
    />
    <WritingAids
      id="master"
      ref="aids"
      :workspace="sheet.workspace_id"
      :off="off('text')"
      :text="text?.value ?? ''"
      :hashtags="hashtags"
      @insert="(words, apart) => text?.insert(words, apart)"
      @replace="emit('replace')"
    />
    <p v-if="followed" class="sealed">{{ followed }}</p>
    <MediaPart :sheet="sheet" />
    <dl>
      <PartRow
        v-for="row in rows"
        :key="row.part"
        :sheet="sheet"
        :row="row"
        :open="opened.has(row.part)"
        @turn="open(row.part, $event)"
      />
      <div class="time">
        <dt>Time</dt>
        <dd>
          <TimePart
            :workspace="sheet.workspace_id"
            :post="sheet.id"
            :server="sheet.master.parts.time"
            :zone="sheet.zone"
            :off="off('time')"
          />
        </dd>
      </div>
      <FoldedLine
        v-if="empty.length > 0"
        :says="empty.length === 1 ? `no ${empty[0]!.label.toLowerCase()}` : `nothing in ${empty.length} other parts`"
        act="add one …"
        where="to the master"
        :parts="empty"
        :off="off"
        @choose="takeUp"
      />
    </dl>
    <TimesSpread :times="times" />
  </section>
</template>

<style scoped>
.master {
  padding: 12px 20px 30px;
  background: var(--sheet);
}
/* with nothing beside it, it has the page; a line of copy stays as long as one reads well */
.alone {
  max-width: 760px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
  min-height: 26px;
  padding-bottom: 6px;
  border-bottom: 3px solid var(--rule);
  margin-bottom: 12px;
}
.head :deep(.folded) {
  flex: 1;
}
.head :deep(fieldset) {
  flex: 1 0 100%;
}
.count {
  margin-left: auto;
}
.room {
  min-height: 24px;
  padding: 0 8px;
  border: 1px solid transparent;
  border-radius: 3px;
  background: none;
  color: var(--ink-2);
  cursor: pointer;
}
.room:hover,
.room[aria-pressed='true'] {
  border-color: var(--edge);
  color: var(--ink);
}
.text :deep(.cm-content) {
  font-size: 17px;
  line-height: 1.55;
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
  display: flex;
  gap: 10px;
  padding: 5px 0;
  border-bottom: 1px solid var(--rule);
}
.time dt {
  flex: none;
  min-height: 28px;
  line-height: 28px;
  color: var(--ink-2);
}
.time dd {
  flex: 1;
  min-width: 0;
}
</style>
