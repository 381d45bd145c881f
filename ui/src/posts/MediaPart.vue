<script setup lang="ts">
// The media of a post, in order, each with its frame and its description; uploaded with visible progress.
import { message } from 'ant-design-vue'
import { computed, reactive, ref, toRef } from 'vue'
import { sentence } from '@/api/client'
import DescriptionField from './DescriptionField.vue'
import SaysState from './SaysState.vue'
import { useEditor } from './editing'
import type { Adaptation, Sheet } from './sheet'
import { upload } from './upload'
import { offFor, seenOf } from './writable'
import { descriptionsOf } from '@/media/library/into-post'
import { ACCEPTED, type Medium } from '@/media/library/library'
import ActButton from '@/parts/ActButton.vue'
import UploadButton from '@/parts/fields/UploadButton.vue'
import { later } from '@/parts/later'
import { counted } from '@/api/words'

const FramingDialog = later(() => import('./FramingDialog.vue'))
const MediaPicker = later(() => import('@/media/library/MediaPicker.vue'))

const props = defineProps<{ sheet: Sheet; one?: Adaptation }>()
const off = computed(() => offFor(props.sheet, 'media', props.one))
const offDescriptions = computed(() => offFor(props.sheet, 'descriptions', props.one))
const editor = <T,>(name: 'media' | 'descriptions', empty: T) =>
  useEditor<T>(
    reactive({
      sheet: toRef(props, 'sheet'),
      one: toRef(props, 'one'),
      server: computed(() => seenOf(props.sheet, name, props.one)),
    }),
    name,
    empty,
  )
const media = editor<string[]>('media', [])
const ids = computed(() => media.value.value ?? [])
// all descriptions are one part: two fields that were written one after the other are one save
const described = editor<Record<string, string>>('descriptions', {})
const descriptions = computed(() => described.value.value ?? {})
const framing = ref<string>()
const kind = (id: string) => props.sheet.media[id]?.kind ?? 'picture'
const named = (id: string, index: number) => `${kind(id)} ${index + 1}`
function said(id: string) {
  const file = props.sheet.media[id]
  if (file?.kind === 'video') return `video, ${Math.round((file.duration_ms ?? 0) / 100) / 10} s`
  return file?.kind === 'document' ? `document, ${counted(file.pages ?? 0, 'page', 'pages')}` : ''
}
/** What somebody else made of the media, in names: ids say nothing to anybody. */
const files = (others: string[] | undefined) => others?.map((id) => props.sheet.media[id]?.name ?? 'another file')
const progress = ref<number>()

async function add(files: Iterable<File>) {
  const added: string[] = []
  for (const file of Array.from(files)) {
    progress.value = 0
    try {
      added.push(await upload(props.sheet.workspace_id, file, (percent) => (progress.value = percent)))
    } catch (problem) {
      void message.error(`${file.name}: ${problem instanceof Error ? problem.message : sentence(problem)}`, 10)
    }
  }
  progress.value = undefined
  if (added.length > 0) media.choose([...ids.value, ...added])
}

// out of the library: what is said of a file there comes along, where nothing is said of it here
const picking = ref(false)
function take(chosen: Medium[]) {
  picking.value = false
  media.choose([...ids.value, ...chosen.map((one) => one.id)])
  const said = descriptionsOf(chosen, descriptions.value)
  if (offDescriptions.value || Object.keys(said).length === Object.keys(descriptions.value).length) return
  described.change(said)
  void described.save()
}

function move(index: number, by: number) {
  const next = [...ids.value]
  const [one] = next.splice(index, 1)
  if (one) next.splice(index + by, 0, one)
  media.choose(next)
}
</script>

<template>
  <div
    class="media"
    :class="{ large: sheet.adaptations.length === 0 }"
    @dragover.prevent
    @drop.prevent="off ? undefined : add(($event as DragEvent).dataTransfer?.files ?? [])"
  >
    <figure v-for="(id, index) in ids" :key="id">
      <img
        :src="`/api/w/${sheet.workspace_id}/media/${id}/preview`"
        :alt="descriptions[id] || `The ${kind(id)} has no description yet`"
        :width="sheet.media[id]?.width"
        :height="sheet.media[id]?.height"
      />
      <figcaption>
        <span v-if="said(id)" class="quiet said">{{ said(id) }}</span>
        <DescriptionField
          :id="`description-${id}-${one?.channel.id ?? 'master'}`"
          :value="descriptions[id] ?? ''"
          :named="named(id, index)"
          :off="offDescriptions"
          @change="described.change({ ...descriptions, [id]: $event })"
          @left="described.save()"
        />
        <span class="acts">
          <ActButton
            v-if="kind(id) === 'picture'"
            link
            :off="offFor(sheet, 'framing', one)"
            :aria-label="`Frame picture ${index + 1}`"
            @click="framing = id"
          >
            frame
          </ActButton>
          <template v-if="!off">
            <button
              v-if="index > 0"
              type="button"
              class="link-button"
              :aria-label="`Move ${named(id, index)} earlier`"
              @click="move(index, -1)"
            >
              earlier
            </button>
            <button
              v-if="index < ids.length - 1"
              type="button"
              class="link-button"
              :aria-label="`Move ${named(id, index)} later`"
              @click="move(index, 1)"
            >
              later
            </button>
            <button
              type="button"
              class="link-button"
              :aria-label="`Remove ${named(id, index)}`"
              @click="media.choose(ids.filter((other) => other !== id))"
            >
              remove
            </button>
          </template>
        </span>
      </figcaption>
    </figure>
    <SaysState
      v-for="part in [media, described]"
      :key="part.name"
      :state="part.state.value"
      :problem="part.problem.value"
      :by="part.theirs.value?.by"
      :theirs="part.name === 'media' ? files(part.theirs.value?.value as string[]) : part.theirs.value?.value"
      @mine="part.keepMine()"
      @theirs="part.takeTheirs()"
      @drop="part.drop()"
    />
    <div class="add">
      <UploadButton
        label="Add pictures, videos or documents"
        :accept="ACCEPTED"
        multiple
        :off="off"
        :busy="progress !== undefined"
        :progress="progress"
        @files="add"
        >{{ ids.length === 0 ? 'Add a picture, video or PDF' : 'Add another' }}</UploadButton
      >
      <ActButton size="small" :off="off" @click="picking = true">From the media</ActButton>
    </div>
    <MediaPicker v-if="picking" :workspace="sheet.workspace_id" :there="ids" @take="take" @close="picking = false" />
    <FramingDialog
      v-if="framing"
      :sheet="sheet"
      :one="one"
      :server="seenOf(sheet, 'framing', one)"
      :off="offFor(sheet, 'framing', one)"
      :picture="framing"
      :number="ids.indexOf(framing) + 1"
      @close="framing = undefined"
    />
  </div>
</template>

<style scoped>
figure {
  display: grid;
  grid-template-columns: 76px 1fr;
  gap: 2px 8px;
  align-items: start;
  margin-bottom: 8px;
}
figcaption {
  display: contents;
}
/* before there is a proof beside it, a picture that is alone may be looked at */
.large figure:only-of-type {
  grid-template-columns: 1fr;
  gap: 2px;
}
img {
  display: block;
  width: 100%;
  height: auto;
  max-height: 320px;
  object-fit: contain;
  background: var(--well);
}
.add {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: flex-start;
}
/* beside the picture, or below one that is large */
figcaption > :not(.acts) {
  grid-column: 2;
}
.large figure:only-of-type figcaption > :not(.acts) {
  grid-column: 1;
}
figure:not(.large figure:only-of-type) img {
  grid-row: span 2;
}
.acts {
  grid-column: 1 / -1;
  display: flex;
  gap: 10px;
}
</style>
