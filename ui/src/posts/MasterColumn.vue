<script setup lang="ts">
// The master: written once; every channel follows it until it has a part of its own.
import { computed, ref } from 'vue'
import TextPart from './TextPart.vue'
import TimePart from './TimePart.vue'
import MediaPart from './MediaPart.vue'
import type { Sheet } from './sheet'

const props = defineProps<{ sheet: Sheet }>()
const emit = defineEmits<{ state: [state: string] }>()
const text = ref<InstanceType<typeof TextPart>>()

// What of the master is sealed: a part that a sealed channel follows.
function sealed(part: 'text' | 'link' | 'media' | 'descriptions') {
  const by = props.sheet.adaptations.filter((one) => one.sealed && !one.parts[part].own && one.stage !== 'out')
  return by.length > 0
    ? `Sealed: ${by.map((one) => one.channel.name).join(' and ')} ${by.length === 1 ? 'follows it and has been asked for, or has its yes' : 'follow it and have been asked for, or have their yes'}. Open it with “Change it”.`
    : undefined
}
function off(part: 'text' | 'link' | 'media' | 'descriptions' | 'time') {
  const can = props.sheet.can[`write:${part}`]
  if (can && !can.ok) return can.why
  return part === 'time' ? undefined : sealed(part)
}
const followed = computed(() => sealed('text') ?? sealed('media'))
function server(part: 'text' | 'link' | 'media' | 'descriptions') {
  return { value: props.sheet.master.parts[part].value, version: props.sheet.master.parts[part].version }
}
defineExpose({ focus: () => text.value?.focus() })
</script>

<template>
  <section class="master" aria-labelledby="master">
    <h2 id="master">
      Master <span class="quiet">{{ sheet.master.count }}</span>
    </h2>
    <TextPart
      ref="text"
      :workspace="sheet.workspace_id"
      :post="sheet.id"
      part="text"
      :server="server('text')"
      label="Master copy"
      :off="off('text')"
      placeholder="Write it once; each channel follows until you change it there."
      @state="emit('state', $event)"
    />
    <p v-if="followed" class="sealed">{{ followed }}</p>
    <MediaPart :sheet="sheet" :parts="sheet.master.parts" :off="off('media')" :descriptions-off="off('descriptions')" />
    <dl>
      <div>
        <dt>Link</dt>
        <dd><TextPart :workspace="sheet.workspace_id" :post="sheet.id" part="link" :server="server('link')" label="Link" :off="off('link')" placeholder="https://" single @state="emit('state', $event)" /></dd>
      </div>
      <div>
        <dt>Time</dt>
        <dd><TimePart :workspace="sheet.workspace_id" :post="sheet.id" :server="sheet.master.parts.time" :zone="sheet.zone" :off="off('time')" /></dd>
      </div>
    </dl>
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
  margin-top: 10px;
}
dl > div {
  display: grid;
  grid-template-columns: 44px 1fr;
  gap: 6px;
  align-items: start;
  padding: 5px 0;
  border-bottom: 1px solid var(--hairline);
}
dt {
  padding-top: 4px;
  color: var(--ink-2);
}
</style>
