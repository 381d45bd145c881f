<script setup lang="ts">
// Spots and areas on one picture of a proof, in thousandths of it; a new one is drawn, or put by a press.
import { computed, ref } from 'vue'
import type { SpotPin } from './pins'

const props = defineProps<{ spots: SpotPin[]; active?: string; pointing: boolean }>()
const emit = defineEmits<{
  spot: [place: { x: number; y: number; width: number; height: number }]
  open: [id: string]
}>()
const root = ref<HTMLElement>()
const from = ref<{ x: number; y: number }>()
const to = ref<{ x: number; y: number }>()

function at(event: PointerEvent) {
  const box = root.value!.getBoundingClientRect()
  const part = (value: number) => Math.round(Math.min(1, Math.max(0, value)) * 1000)
  return { x: part((event.clientX - box.left) / box.width), y: part((event.clientY - box.top) / box.height) }
}
function begin(event: PointerEvent) {
  if (!props.pointing) return
  from.value = at(event)
  to.value = from.value
  root.value!.setPointerCapture(event.pointerId)
}
function go(event: PointerEvent) {
  if (from.value) to.value = at(event)
}
const drawn = computed(() => {
  if (!from.value || !to.value) return undefined
  const [x, y] = [Math.min(from.value.x, to.value.x), Math.min(from.value.y, to.value.y)]
  return { x, y, width: Math.abs(from.value.x - to.value.x), height: Math.abs(from.value.y - to.value.y) }
})
function end() {
  const area = drawn.value
  from.value = undefined
  if (!area) return
  const tiny = area.width < 15 || area.height < 15
  emit('spot', tiny ? { x: area.x, y: area.y, width: 0, height: 0 } : area)
}
const place = (spot: { x: number; y: number; width: number; height: number }) => ({
  left: `${spot.x / 10}%`,
  top: `${spot.y / 10}%`,
  width: `${spot.width / 10}%`,
  height: `${spot.height / 10}%`,
})
</script>

<template>
  <div
    ref="root"
    class="spots"
    :class="{ pointing }"
    @pointerdown="begin"
    @pointermove="go"
    @pointerup="end"
    @pointercancel="from = undefined"
  >
    <span v-if="drawn && from" class="area" :style="place(drawn)" />
    <button
      v-for="spot in spots"
      :key="spot.id"
      type="button"
      class="spot"
      :class="[spot.room, { area: spot.width > 0, active: active === spot.id }]"
      :style="place(spot)"
      :aria-label="`Remark ${spot.number} on this picture`"
      @pointerdown.stop
      @click="emit('open', spot.id)"
    >
      <b>{{ spot.number }}</b>
    </button>
  </div>
</template>

<style scoped>
.spots {
  position: absolute;
  inset: 0;
}
.spots:not(.pointing) {
  pointer-events: none;
}
.pointing {
  cursor: crosshair;
  touch-action: none;
}
.spot {
  position: absolute;
  padding: 0;
  border: 0;
  background: none;
  pointer-events: auto;
}
.area {
  position: absolute;
  border: 2px solid currentcolor;
  outline: 1px solid var(--sheet);
  color: var(--ink);
}
.spot b {
  position: absolute;
  top: -12px;
  right: -12px;
  min-width: 24px;
  height: 24px;
  font: 700 12px/20px var(--sans);
  border: 2px solid var(--sheet);
  border-radius: 12px;
  background: var(--ink);
  color: var(--sheet);
}
.client {
  color: var(--client);
}
.client b {
  background: var(--client);
}
.active b {
  outline: 2px solid var(--ink);
}
</style>
