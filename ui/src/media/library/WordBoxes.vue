<script setup lang="ts">
// Boxes around the words of a picture, drawn by hand: with the mouse or a finger, or by keys (arrows move, with Shift
// they change the size, Delete takes one away). Thousandths of the sides.
import { computed, ref } from 'vue'
import { clamped, share, type Box } from './boxes'

// What was guessed is shown until a person has said where words are.
const props = defineProps<{ src: string; alt: string; boxes: Box[]; guess?: Box[]; off?: string }>()
const emit = defineEmits<{ change: [boxes: Box[]] }>()
const frame = ref<HTMLElement>()
const drawing = ref<Box>()
const from = ref<[number, number]>()
const guessed = computed(() => (props.boxes.length === 0 && !drawing.value ? (props.guess ?? []) : []))
const all = computed(() => (drawing.value ? [...props.boxes, drawing.value] : props.boxes))
const place = ([left, top, width, height]: Box) => ({
  left: `${left / 10}%`,
  top: `${top / 10}%`,
  width: `${width / 10}%`,
  height: `${height / 10}%`,
})

function at(event: PointerEvent): [number, number] {
  const box = frame.value!.getBoundingClientRect()
  const part = (one: number, side: number) => Math.round(Math.min(1, Math.max(0, one / side)) * 1000)
  return [part(event.clientX - box.left, box.width), part(event.clientY - box.top, box.height)]
}
function down(event: PointerEvent) {
  if (props.off || (event.target as HTMLElement).closest('button')) return
  event.preventDefault()
  frame.value!.setPointerCapture(event.pointerId)
  from.value = at(event)
}
function move(event: PointerEvent) {
  if (!from.value) return
  const [x, y] = at(event)
  const [left, top] = from.value
  drawing.value = [Math.min(x, left), Math.min(y, top), Math.abs(x - left), Math.abs(y - top)]
}
function up() {
  const made = drawing.value
  from.value = drawing.value = undefined
  // a press without a way is no box
  if (made && made[2] > 8 && made[3] > 8) emit('change', [...props.boxes, made])
}
const put = (index: number, box: Box) =>
  emit(
    'change',
    props.boxes.map((one, other) => (other === index ? clamped(box) : one)),
  )
const remove = (index: number) =>
  emit(
    'change',
    props.boxes.filter((_, other) => other !== index),
  )
function key(event: KeyboardEvent, index: number) {
  const [left, top, width, height] = props.boxes[index]!
  const step = 10
  const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key]
  if (event.key === 'Delete' || event.key === 'Backspace') remove(index)
  else if (by && event.shiftKey) put(index, [left, top, width + by[0]!, height + by[1]!])
  else if (by) put(index, [left + by[0]!, top + by[1]!, width, height])
  else return
  event.preventDefault()
}
</script>

<template>
  <div>
    <div
      ref="frame"
      class="frame"
      :class="{ off }"
      @pointerdown="down"
      @pointermove="move"
      @pointerup="up"
      @pointercancel="from = drawing = undefined"
    >
      <img :src="src" :alt="alt" draggable="false" />
      <span v-for="(box, index) in guessed" :key="`guess ${index}`" class="guess" :style="place(box)" />
      <button
        v-for="(box, index) in all"
        :key="index"
        type="button"
        class="box"
        :style="place(box)"
        :aria-label="`Words ${index + 1}: arrows move the box, with Shift they change its size, Delete takes it away`"
        @keydown="key($event, index)"
      />
    </div>
    <p class="quiet line">
      <template v-if="guessed.length > 0">
        <span
          >Words seem to cover <b>{{ (share(guessed) * 100).toFixed(1) }} %</b></span
        >
        <template v-if="!off">
          <button type="button" class="link-button" @click="emit('change', guessed)">Words here</button>
          <button type="button" class="link-button" @click="emit('change', [])">No words</button>
        </template>
      </template>
      <span v-else
        >Words cover <b>{{ (share(boxes) * 100).toFixed(1) }} %</b></span
      >
      <template v-if="!off">
        <button type="button" class="link-button" @click="emit('change', [...boxes, [350, 400, 300, 120]])">
          add a box
        </button>
        <button v-if="boxes.length > 0" type="button" class="link-button" @click="emit('change', [])">
          take all away
        </button>
      </template>
    </p>
  </div>
</template>

<style scoped>
.frame {
  position: relative;
  cursor: crosshair;
  touch-action: none;
}
.frame.off {
  cursor: default;
}
img {
  display: block;
  width: 100%;
  height: auto;
  background: var(--well);
}
.box {
  position: absolute;
  padding: 0;
  border: 2px solid var(--ink);
  outline: 1px solid var(--sheet);
  background: rgb(255 255 255 / 25%);
  cursor: grab;
}
.guess {
  position: absolute;
  border: 2px dashed var(--ink);
  outline: 1px dashed var(--sheet);
  pointer-events: none;
}
.box:focus-visible {
  outline: 3px solid var(--sheet);
  border-color: var(--client);
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
}
</style>
