<script setup lang="ts">
// People and things tagged on a spot of a picture. A spot is chosen by pointer, or moved by the arrow keys.
import { Button } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { useEditor, type EditorProps } from './editing'
import { useBook } from './mentions'
import SaysState from './SaysState.vue'
import SuggestField from '@/parts/fields/SuggestField.vue'

const props = defineProps<EditorProps>()
interface Tag {
  name: string
  media: string
  x: number
  y: number
}
const { value, state, problem, theirs, choose, keepMine, takeTheirs, drop, where } = useEditor<Tag[]>(
  props,
  'tagged',
  [],
)
const book = useBook(props.sheet.workspace_id)
const ids = computed(() =>
  (((props.one ?? props.sheet.master).parts.media.value as string[] | null) ?? []).filter(
    (id) => props.sheet.media[id]?.kind === 'picture',
  ),
)
const shown = ref(0)
const media = computed(() => ids.value[Math.min(shown.value, ids.value.length - 1)])
const spot = ref({ x: 500, y: 500 })
const name = ref('')
const here = computed(() => (value.value ?? []).filter((tag) => tag.media === media.value))

function point(event: PointerEvent) {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  spot.value = {
    x: Math.round(((event.clientX - box.left) / box.width) * 1000),
    y: Math.round(((event.clientY - box.top) / box.height) * 1000),
  }
}
function step(event: KeyboardEvent) {
  const moves: Record<string, [number, number]> = {
    ArrowLeft: [-20, 0],
    ArrowRight: [20, 0],
    ArrowUp: [0, -20],
    ArrowDown: [0, 20],
  }
  const move = moves[event.key]
  if (!move) return
  event.preventDefault()
  const within = (at: number) => Math.min(1000, Math.max(0, at))
  spot.value = { x: within(spot.value.x + move[0]), y: within(spot.value.y + move[1]) }
}
function add() {
  if (!media.value || name.value.trim() === '') return
  choose([...(value.value ?? []), { name: name.value.trim(), media: media.value, ...spot.value }])
  name.value = ''
}
</script>

<template>
  <div class="small-form">
    <p v-if="ids.length === 0" class="quiet">There is no picture yet to tag anybody on.</p>
    <template v-else>
      <p v-if="ids.length > 1" class="which">
        <button
          v-for="(one, index) in ids"
          :key="one"
          type="button"
          class="link-button"
          :aria-pressed="media === one"
          @click="shown = index"
        >
          picture {{ index + 1 }}
        </button>
      </p>
      <div
        class="picture"
        tabindex="0"
        role="application"
        :aria-label="`Spot on picture ${shown + 1}${where}: ${Math.round(spot.x / 10)} % from the left, ${Math.round(spot.y / 10)} % from the top. Arrows move it.`"
        @pointerdown="point"
        @keydown="step"
      >
        <img :src="`/api/w/${sheet.workspace_id}/media/${media}/preview`" alt="" draggable="false" />
        <svg viewBox="0 0 1000 1000" preserveAspectRatio="none" aria-hidden="true">
          <circle v-for="(tag, index) in here" :key="index" :cx="tag.x" :cy="tag.y" r="14" class="set" />
          <path :d="`M${spot.x - 34} ${spot.y}h68M${spot.x} ${spot.y - 34}v68`" class="cross" />
        </svg>
      </div>
      <form class="add" @submit.prevent="add">
        <SuggestField
          id="tagged-name"
          v-model="name"
          label="Who or what"
          placeholder="Who or what"
          :readonly="!!off"
          :known="(book.data.value?.mentions ?? []).map((one) => one.name)"
        />
        <Button html-type="submit" size="small" :disabled="!!off || name.trim() === ''">Tag here</Button>
      </form>
    </template>
    <ul>
      <li v-for="(tag, index) in value ?? []" :key="index">
        {{ tag.name }} <span class="quiet">picture {{ ids.indexOf(tag.media) + 1 || 'taken out' }}</span>
        <button
          type="button"
          class="link-button"
          :disabled="!!off"
          :aria-label="`Remove ${tag.name}`"
          @click="choose((value ?? []).filter((_, at) => at !== index))"
        >
          remove
        </button>
      </li>
    </ul>
    <SaysState
      :state="state"
      :problem="problem"
      :by="theirs?.by"
      :theirs="theirs?.value"
      @mine="keepMine"
      @theirs="takeTheirs"
      @drop="drop"
    />
  </div>
</template>

<style scoped>
.which {
  display: flex;
  gap: 10px;
}
.which [aria-pressed='true'] {
  font-weight: 600;
  text-decoration: none;
}
.picture {
  position: relative;
  touch-action: none;
  cursor: crosshair;
}
.picture img {
  display: block;
  width: 100%;
}
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
.set {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 6;
}
.cross {
  stroke: var(--ink);
  stroke-width: 6;
  paint-order: stroke;
}
.add {
  display: flex;
  gap: 6px;
}
</style>
