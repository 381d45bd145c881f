<script setup lang="ts">
// The master and each channel of a post, side by side. The copy can be given more room; the channels keep their heads
// only then.
import { useEventListener } from '@vueuse/core'
import { nextTick, ref } from 'vue'
import AdaptationColumn from './AdaptationColumn.vue'
import MasterColumn from './MasterColumn.vue'
import type { Sheet } from './sheet'

const props = defineProps<{ sheet: Sheet; now: string }>()
const emit = defineEmits<{ replace: []; findings: [] }>()
const columns = ref<Record<string, InstanceType<typeof AdaptationColumn>>>({})
const master = ref<InstanceType<typeof MasterColumn>>()
const wide = ref(false)
useEventListener(window, 'keydown', (event) => {
  if (event.key !== 'F2' || event.defaultPrevented || props.sheet.adaptations.length === 0) return
  event.preventDefault()
  wide.value = !wide.value
})

// The field of the first file without a description: the channel's own, or the master's that it follows.
function describe(channel: string) {
  const one = props.sheet.adaptations.find((other) => other.channel.id === channel)
  if (!one) return
  const said = (one.parts.descriptions.value ?? {}) as Record<string, string>
  const missing = one.proof.pictures.find((picture) => !said[picture.media_id]?.trim())
  const own = one.parts.descriptions.own || one.parts.media.own
  if (own) columns.value[channel]?.show('media')
  void nextTick(() => {
    const field = document.getElementById(`description-${missing?.media_id}-${own ? channel : 'master'}`)
    field?.scrollIntoView({ block: 'nearest' })
    field?.focus()
  })
}

// The place where something is mended by hand.
async function show(place: string, channel: string) {
  if (place === 'mentions') master.value?.mentions()
  if (place === 'descriptions') return describe(channel)
  columns.value[channel]?.show(place)
  await nextTick()
  const column = document.querySelector(`[data-channel="${channel}"]`)
  column?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
  ;(column?.querySelector(`.wide input, .wide textarea, .wide [tabindex]`) as HTMLElement | null)?.focus()
}
defineExpose({ show, focus: () => master.value?.focus() })
</script>

<template>
  <div
    class="columns"
    :class="{ wide, few: sheet.adaptations.length < 3, none: sheet.adaptations.length === 0 }"
    tabindex="0"
    role="region"
    aria-label="Master and channels, side by side"
  >
    <div class="first">
      <MasterColumn ref="master" :sheet="sheet" :wide="wide" @replace="emit('replace')" @widen="wide = !wide" />
      <p v-if="sheet.adaptations.length === 0" class="beside">
        {{
          sheet.can.choose_channels?.ok
            ? 'Choose a channel, and its proof stands here beside the master.'
            : 'Once a channel is chosen, its proof stands here beside the master.'
        }}
      </p>
    </div>
    <AdaptationColumn
      v-for="one in sheet.adaptations"
      :key="one.id"
      :ref="(column) => (columns[one.channel.id] = column as InstanceType<typeof AdaptationColumn>)"
      :data-channel="one.channel.id"
      :sheet="sheet"
      :one="one"
      :now="now"
      :narrow="wide"
      @replace="emit('replace')"
      @findings="emit('findings')"
    />
  </div>
</template>

<style scoped>
/* the master, then a column for each channel; each is as high as the highest. Whoever writes has room. */
.columns {
  display: grid;
  grid-template-columns: 340px;
  grid-auto-columns: minmax(262px, 362px);
  grid-auto-flow: column;
  justify-content: start;
  flex: 1;
  min-width: 0;
  overflow: auto;
  position: relative;
}
.columns.few {
  grid-template-columns: minmax(400px, 1fr);
  grid-auto-columns: minmax(262px, 296px);
  justify-content: stretch;
}
.columns.wide {
  grid-template-columns: minmax(0, 1fr);
  grid-auto-columns: 150px;
  justify-content: stretch;
}
.columns.none {
  grid-template-columns: minmax(0, 1fr);
}
.columns > * {
  min-width: 0;
}
.first {
  position: sticky;
  left: 0;
  z-index: 2;
  background: var(--sheet);
  border-right: 1px solid var(--rule);
}
.beside {
  padding: 0 20px 20px;
  color: var(--ink-2);
}
</style>
