<script setup lang="ts">
// How one picture is cut: its shape, the spot that matters, and how near. The cut is shown on the whole picture; the
// pointer or the arrow keys move it.
import { Button, Slider } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { useEditor, type EditorProps } from './editing'
import { cutOf, type Frame } from './frame'
import SaysState from './SaysState.vue'
import DialogBox from '@/parts/DialogBox.vue'

const props = defineProps<EditorProps & { picture: string; number: number }>()
const emit = defineEmits<{ close: [] }>()
const { value, state, problem, theirs, change, keepMine, takeTheirs, drop, save } = useEditor<Record<string, Frame>>(
  props,
  'framing',
  {},
)
const SHAPES: [string, [number, number] | null][] = [
  ['as it is', null],
  ['square', [1, 1]],
  ['4:5 upright', [4, 5]],
  ['2:1 wide', [2, 1]],
  ['3:2', [3, 2]],
  ['16:9', [16, 9]],
  ['9:16 tall', [9, 16]],
]
const file = computed(() => props.sheet.media[props.picture]!)
const frame = ref<Frame>({ ...(value.value?.[props.picture] ?? {}) })
const cut = computed(() => cutOf(file.value.width, file.value.height, frame.value))
const focus = computed(() => frame.value.focus ?? [500, 500])

function set(next: Partial<Frame>) {
  frame.value = { ...frame.value, ...next }
  change({ ...(value.value ?? {}), [props.picture]: plain(frame.value) })
}
function plain(now: Frame): Frame {
  return Object.fromEntries(Object.entries(now).filter(([, one]) => one != null)) as Frame
}
function point(event: PointerEvent) {
  if (event.buttons === 0 || props.off) return
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  const at = (one: number, from: number, size: number) =>
    Math.min(1000, Math.max(0, Math.round(((one - from) / size) * 1000)))
  set({ focus: [at(event.clientX, box.left, box.width), at(event.clientY, box.top, box.height)] })
}
function step(event: KeyboardEvent) {
  const moves: Record<string, [number, number]> = {
    ArrowLeft: [-20, 0],
    ArrowRight: [20, 0],
    ArrowUp: [0, -20],
    ArrowDown: [0, 20],
  }
  const move = moves[event.key]
  if (!move || props.off) return
  event.preventDefault()
  const within = (at: number) => Math.min(1000, Math.max(0, at))
  set({ focus: [within(focus.value[0]! + move[0]), within(focus.value[1]! + move[1])] })
}
async function done() {
  await save()
  emit('close')
}
</script>

<template>
  <DialogBox :width="640" :title="`Frame picture ${number}${one ? ` for ${one.channel.name}` : ''}`" @close="done">
    <div class="shapes" role="group" aria-label="Shape">
      <button
        v-for="[name, shape] in SHAPES"
        :key="name"
        type="button"
        class="shape"
        :disabled="!!off"
        :aria-pressed="JSON.stringify(frame.shape ?? null) === JSON.stringify(shape)"
        @click="set({ shape })"
      >
        {{ name }}
      </button>
    </div>
    <div
      class="stage"
      tabindex="0"
      role="application"
      :aria-label="`The spot that matters: ${Math.round(focus[0]! / 10)} % from the left, ${Math.round(focus[1]! / 10)} % from the top. Arrows move it.`"
      @pointerdown="point"
      @pointermove="point"
      @keydown="step"
    >
      <img :src="`/api/w/${sheet.workspace_id}/media/${picture}/preview`" alt="" draggable="false" />
      <svg :viewBox="`0 0 ${file.width} ${file.height}`" preserveAspectRatio="none" aria-hidden="true">
        <path
          :d="`M0 0H${file.width}V${file.height}H0ZM${cut[0]} ${cut[1]}V${cut[1] + cut[3]}H${cut[0] + cut[2]}V${cut[1]}Z`"
          class="away"
        />
        <rect
          :x="cut[0]"
          :y="cut[1]"
          :width="cut[2]"
          :height="cut[3]"
          class="edge"
          vector-effect="non-scaling-stroke"
        />
      </svg>
    </div>
    <label class="near"
      >Nearer
      <Slider
        class="zoom"
        :min="100"
        :max="400"
        :step="5"
        :value="frame.zoom ?? 100"
        :disabled="!!off"
        aria-label-for-handle="Nearer, in percent"
        @update:value="set({ zoom: Number($event) })"
      />
      {{ frame.zoom ?? 100 }} %</label
    >
    <p class="quiet">
      {{ cut[2] }} by {{ cut[3] }} pixels are kept. A network that wants another shape cuts within this.
    </p>
    <SaysState
      :state="state"
      :problem="problem"
      :by="theirs?.by"
      :theirs="theirs?.value"
      @mine="keepMine"
      @theirs="takeTheirs"
      @drop="drop"
    />
    <p class="acts">
      <Button type="primary" @click="done">Done</Button>
      <Button :disabled="!!off" @click="set({ shape: null, focus: null, zoom: null })">Whole picture</Button>
    </p>
  </DialogBox>
</template>

<style scoped>
.shapes {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin-bottom: 8px;
}
.shape {
  font: inherit;
  min-height: 26px;
  padding: 0 8px;
  border: 1px solid var(--rule);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
  cursor: pointer;
}
.shape[aria-pressed='true'] {
  border-color: var(--ink);
  background: var(--ink);
  color: var(--sheet);
}
.stage {
  position: relative;
  width: fit-content;
  margin: 0 auto;
  touch-action: none;
  cursor: move;
}
.stage img {
  display: block;
  max-width: 100%;
  max-height: 52vh;
}
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
.away {
  fill: rgb(22 25 28 / 62%);
  fill-rule: evenodd;
}
.edge {
  fill: none;
  stroke: var(--sheet);
  stroke-width: 2;
}
.near {
  display: flex;
  gap: 8px;
  align-items: center;
  margin: 8px 0 4px;
}
.acts {
  margin-top: 10px;
}
</style>
