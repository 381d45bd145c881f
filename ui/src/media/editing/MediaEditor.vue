<script setup lang="ts">
// A picture made into another one: turned, levelled, cut to a shape, lighter, clearer, with a line of words in the
// client's colours. What is shown is made by the same hands as what is kept; the original stays.
import { Button, Input, message, Radio, RadioGroup, Slider } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { useEventListener, watchDebounced } from '@vueuse/core'
import { computed, onBeforeUnmount, ref } from 'vue'
import { api, ok, sentence } from '@/api/client'
import { counted } from '@/api/words'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import EditorBox from './EditorBox.vue'
import { BLACK, WHITE } from '@/parts/plain-colours'
import { contrast, costOf, look, make, PLAIN, shapesFor, useSteps, type Kept, type Words } from './edit'
import { preview, type Medium } from '@/media/library/library'

const props = defineProps<{
  workspace: string
  /** several: all are made by the same steps */
  media: Pick<Medium, 'id' | 'name'>[]
  now: string
}>()
const emit = defineEmits<{ close: []; made: [id: string] }>()
const queries = useQueryClient()
const first = computed(() => props.media[0]!)
const many = computed(() => props.media.length > 1)
const { now: edit, changed, undoable, take, undo, anew } = useSteps()

// --- what it looks like ---
const seen = ref(preview(props.workspace, first.value.id))
const problem = ref('')
let asked = new AbortController()
const give = (address: string) => {
  if (seen.value.startsWith('blob:')) URL.revokeObjectURL(seen.value)
  seen.value = address
}
watchDebounced(
  edit,
  async (now) => {
    asked.abort()
    asked = new AbortController()
    problem.value = ''
    if (!changed.value) return give(preview(props.workspace, first.value.id))
    const mine = asked
    try {
      const address = await look(props.workspace, first.value.id, now, mine.signal)
      if (mine.signal.aborted) URL.revokeObjectURL(address)
      else give(address)
    } catch (error) {
      if (!mine.signal.aborted) problem.value = sentence(error)
    }
  },
  { debounce: 120 },
)
onBeforeUnmount(() => {
  asked.abort()
  give('')
})
useEventListener(window, 'keydown', (event) => {
  const field = (event.target as HTMLElement).closest('input[type=text], textarea')
  if ((event.ctrlKey || event.metaKey) && event.key === 'z' && !field) {
    event.preventDefault()
    undo()
  }
})

// --- the steps ---
const frame = computed(() => edit.value.frame ?? {})
const shape = (to: number[] | null) => take({ frame: { ...frame.value, shape: to } }, `shape ${String(to)}`)
const { data: channels } = useQuery({
  queryKey: ['channels', props.workspace],
  queryFn: () => ok(api.GET('/api/w/{workspace}/channels', { params: { path: { workspace: props.workspace } } })),
})
const shapes = computed(() => shapesFor(channels.value?.channels ?? []))
const turn = () => take({ turn: ((edit.value.turn ?? 0) + 90) % 360 }, `turn ${edit.value.turn ?? 0}`)
const spot = computed(() => frame.value.focus ?? [500, 500])
function move(axis: 0 | 1, to: number) {
  const focus = [...spot.value]
  focus[axis] = to
  take({ frame: { ...frame.value, focus } }, `focus ${axis}`)
}

const tone = (key: 'level' | 'light' | 'contrast') => ({
  at: () => edit.value[key] ?? 0,
  set: (to: number) => take({ [key]: to }, key),
})
const SLIDERS = [
  {
    name: 'From left to right',
    says: 'What is kept, from left to right',
    from: 0,
    to: 1000,
    at: () => spot.value[0]!,
    set: (to: number) => move(0, to),
  },
  {
    name: 'From top to bottom',
    says: 'What is kept, from top to bottom',
    from: 0,
    to: 1000,
    at: () => spot.value[1]!,
    set: (to: number) => move(1, to),
  },
  {
    name: 'Nearer',
    says: 'Nearer, in percent',
    from: 100,
    to: 400,
    step: 5,
    at: () => frame.value.zoom ?? 100,
    set: (zoom: number) => take({ frame: { ...frame.value, zoom } }, 'zoom'),
  },
  { name: 'Level', says: 'Level, in tenths of a degree', from: -150, to: 150, ...tone('level') },
  { name: 'Light', says: 'Light, in percent', from: -60, to: 60, ...tone('light') },
  { name: 'Contrast', says: 'Contrast, in percent', from: -60, to: 60, ...tone('contrast') },
]

// --- words, in the client's colours ---
const { data: brand } = useQuery({
  queryKey: ['brand', props.workspace],
  queryFn: () => ok(api.GET('/api/w/{workspace}/brand', { params: { path: { workspace: props.workspace } } })),
})
const colours = computed(() => {
  const own = (brand.value?.parts.colours?.value ?? []) as { name: string; hex: string }[]
  return [...own, ...PLAIN].map((one) => ({ value: one.hex.toUpperCase(), label: one.name || one.hex }))
})
/** Its fonts, of the files on its brand sheet. */
const fonts = computed(() =>
  (brand.value?.files ?? [])
    .filter((file) => ['font/ttf', 'font/otf'].includes(file.mime))
    .map((file) => ({ value: file.id, label: file.name })),
)
const words = computed<Words>(() => ({
  text: '',
  colour: WHITE,
  ground: colours.value[0]?.value === WHITE ? BLACK : (colours.value[0]?.value ?? BLACK),
  at: 'bottom',
  size: 60,
  ...edit.value.words,
}))
const say = (more: Partial<Words>, kind: string) => take({ words: { ...words.value, ...more } }, `words ${kind}`)
const ratio = computed(() => contrast(words.value.colour!, words.value.ground!))

// --- keeping it ---
const busy = ref(false)
const done = ref(0)
/** What of it is one file's: the posts that hold it. */
async function of(id: string, how: Kept): Promise<Kept> {
  if ('copy' in how || how.post_ids.length === 0) return how
  const holding = (await costOf(props.workspace, id)).map((post) => post.id)
  return { post_ids: how.post_ids.filter((post) => holding.includes(post)) }
}
async function keep(how: Kept) {
  busy.value = true
  problem.value = ''
  done.value = 0
  let last = ''
  try {
    for (const one of props.media) {
      last = (await make(props.workspace, one.id, edit.value, await of(one.id, how))).id
      done.value += 1
    }
    void message.success(many.value ? `${counted(done.value, 'picture is', 'pictures are')} made.` : 'It is made.')
    emit('made', last)
  } catch (error) {
    problem.value =
      done.value > 0 ? `${counted(done.value, 'picture is', 'pictures are')} made. ${sentence(error)}` : sentence(error)
  } finally {
    busy.value = false
    void queries.invalidateQueries({ queryKey: ['media', props.workspace] })
  }
}
</script>

<template>
  <EditorBox
    :title="many ? `Edit ${media.length} pictures by the same steps` : `Edit ${first.name}`"
    :workspace="workspace"
    :media="media.map((one) => one.id)"
    :own="many ? 'pictures of their own' : 'a picture of its own'"
    :now="now"
    :changed="changed"
    :busy="busy"
    :doing="many ? `${done} of ${media.length} …` : undefined"
    :problem="problem"
    @make="keep"
    @close="emit('close')"
  >
    <template #seen>
      <img :src="seen" :alt="`${first.name} as it is being edited`" />
      <p v-if="many" class="quiet">
        The first of them. The others:
        {{
          media
            .slice(1)
            .map((one) => one.name)
            .join(', ')
        }}
      </p>
    </template>
    <h3>Shape</h3>
    <!-- shown when the channels' own shapes are known: what comes later must not move what is being pressed -->
    <div v-if="channels" class="row" role="group" aria-label="Shape">
      <button
        v-for="[name, to] in shapes"
        :key="name"
        type="button"
        class="shape"
        :aria-pressed="JSON.stringify(frame.shape ?? null) === JSON.stringify(to)"
        @click="shape(to)"
      >
        {{ name }}
      </button>
      <Button size="small" @click="turn">A quarter turn</Button>
    </div>
    <div class="sliders">
      <template v-for="one in SLIDERS" :key="one.name">
        <span aria-hidden="true">{{ one.name }}</span>
        <Slider
          :value="one.at()"
          :min="one.from"
          :max="one.to"
          :step="one.step ?? 1"
          :aria-label-for-handle="one.says"
          @update:value="one.set(Number($event))"
        />
      </template>
    </div>
    <h3><label for="edit-words">A line of words</label></h3>
    <Input
      id="edit-words"
      :value="words.text"
      :maxlength="120"
      placeholder="none"
      @update:value="say({ text: $event }, 'text')"
    />
    <div v-if="words.text" class="row">
      <ChoiceField
        id="edit-colour"
        label="Colour of the words"
        :model-value="words.colour!"
        :options="colours"
        @update:model-value="say({ colour: $event }, 'colour')"
      />
      <span class="quiet">on</span>
      <ChoiceField
        id="edit-ground"
        label="Colour of their ground"
        :model-value="words.ground!"
        :options="colours"
        @update:model-value="say({ ground: $event }, 'ground')"
      />
      <span :class="ratio < 3 ? 'late' : 'quiet'">{{ ratio.toFixed(1) }} : 1</span>
      <ChoiceField
        v-if="fonts.length > 0"
        id="edit-font"
        label="Font of the words"
        :model-value="words.font ?? ''"
        :options="[{ value: '', label: 'plain letters' }, ...fonts]"
        @update:model-value="say({ font: $event || undefined }, 'font')"
      />
      <RadioGroup
        :value="words.at"
        size="small"
        option-type="button"
        aria-label="Where the words stand"
        @update:value="say({ at: String($event) }, 'at')"
      >
        <Radio value="top">top</Radio><Radio value="middle">middle</Radio><Radio value="bottom">bottom</Radio>
      </RadioGroup>
      <Slider
        class="size"
        :value="words.size"
        :min="20"
        :max="200"
        aria-label-for-handle="Size of the words"
        @update:value="say({ size: Number($event) }, 'size')"
      />
    </div>
    <p class="row">
      <Button size="small" :disabled="!undoable" @click="undo">Undo the last step</Button>
      <button type="button" class="link-button" :disabled="!undoable" @click="anew">Begin anew</button>
    </p>
  </EditorBox>
</template>

<style scoped>
img {
  position: sticky;
  top: 0;
  display: block;
  max-width: 100%;
  max-height: 66vh;
  margin: 0 auto;
  background: var(--well);
}
.shape {
  min-height: 26px;
  padding: 0 8px;
  font: inherit;
  background: var(--sheet);
  border: 1px solid var(--edge);
  border-radius: 3px;
  cursor: pointer;
}
.shape[aria-pressed='true'] {
  color: var(--sheet);
  background: var(--ink);
  border-color: var(--ink);
}
.sliders {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0 12px;
  align-items: center;
}
.sliders :deep(.ant-slider) {
  margin: 8px 6px;
}
.size {
  flex: 1 0 90px;
}
</style>
