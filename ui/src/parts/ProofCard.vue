<script setup lang="ts">
// The proof of one adaptation in our own plain frame: the text as it will be sent, its fold, what is over the limit
// shown apart, its pictures as they will be cut. It imitates no network's screen.
import { computed, ref } from 'vue'
import PinnedRun from '@/talk/PinnedRun.vue'
import FilePlaces from '@/talk/FilePlaces.vue'
import SpotLayer from '@/talk/SpotLayer.vue'
import { runsOf, type FilePin, type SpotPin, type WordPin } from '@/talk/pins'
import { selectedIn, type Selected } from '@/talk/selected'

/** What some networks show beside text and media. */
interface Beside {
  first_comment: string
  call_to_action: string | null
  tagged?: { id: string }[]
  event: string | null
}
const props = defineProps<{
  text: string
  within?: number
  over?: number
  fold?: number | null
  pictures: {
    src: string
    alt: string
    kind?: string
    /** of a document */
    pages?: number
    /** of a video, in milliseconds */
    lasts?: number
    width: number
    height: number
    crop?: number[]
    full?: [number, number]
  }[]
  card?: { title: string; words: string; picture: string | null; host: string } | null
  beside?: Beside
  /** what talk points at */
  words?: WordPin[]
  spots?: SpotPin[]
  files?: FilePin[]
  active?: string
  pointing?: boolean
}>()
const emit = defineEmits<{
  pick: [words: Selected]
  spot: [picture: number, place: { x: number; y: number; width: number; height: number }]
  place: [picture: number, place: { page: number } | { ms: number }]
  open: [id: string]
}>()
const body = ref<HTMLElement>()
function pick() {
  const found = body.value && selectedIn(body.value, props.text)
  if (found) emit('pick', found)
}
const tagged = computed(() => [...new Set(props.beside?.tagged?.map((one) => one.id) ?? [])].join(', '))

const points = computed(() => Array.from(props.text))
const within = computed(() => Math.min(props.within ?? points.value.length, points.value.length))
const fold = computed(() => (props.fold == null ? within.value : Math.min(props.fold, within.value)))
// behind the fold it goes on without the empty lines
const after = computed(() => {
  let at = fold.value
  while (at < within.value && points.value[at] === '\n') at += 1
  return at
})
const cutUp = (from: number, to: number) => (to > from ? runsOf(points.value, from, to, props.words ?? []) : [])
const head = computed(() => cutUp(0, fold.value))
const rest = computed(() => cutUp(after.value, within.value))
const beyond = computed(() => cutUp(within.value, points.value.length))

// Shows the cut of the whole picture: the frame has the cut's shape, the picture inside is moved and sized.
function cut(picture: (typeof props.pictures)[number]) {
  if (!picture.crop || !picture.full) return {}
  const [left = 0, top = 0, width = 1, height = 1] = picture.crop
  const [w, h] = picture.full
  return {
    width: `${(w / width) * 100}%`,
    marginLeft: `${(-left / width) * 100}%`,
    marginTop: `${(-top / width) * 100}%`,
    aspectRatio: `${w} / ${h}`,
    maxHeight: `${(h / height) * 100}%`,
  }
}
</script>

<template>
  <div class="proof">
    <div v-if="pictures.length > 0" class="pictures" :class="{ many: pictures.length > 1 }">
      <figure
        v-for="(picture, index) in pictures"
        :key="picture.src"
        :style="{
          aspectRatio: picture.crop
            ? `${picture.crop[2]} / ${picture.crop[3]}`
            : `${picture.width} / ${picture.height}`,
        }"
      >
        <img :src="picture.src" :alt="picture.alt" :style="cut(picture)" />
        <figcaption v-if="picture.kind && picture.kind !== 'picture'">{{ picture.kind }}</figcaption>
        <SpotLayer
          v-if="(pointing && !picture.pages && !picture.lasts) || spots?.some((spot) => spot.picture === index)"
          :spots="spots?.filter((spot) => spot.picture === index) ?? []"
          :active="active"
          :pointing="pointing ?? false"
          @spot="emit('spot', index, $event)"
          @open="emit('open', $event)"
        />
        <FilePlaces
          v-if="picture.pages || picture.lasts"
          :places="files?.filter((one) => one.picture === index) ?? []"
          :pages="picture.pages"
          :lasts="picture.lasts"
          :active="active"
          :pointing="pointing ?? false"
          @place="emit('place', index, $event)"
          @open="emit('open', $event)"
        />
      </figure>
    </div>
    <div v-if="text" ref="body" class="copy body" dir="auto" @pointerup="pick" @keyup="pick">
      <span
        ><PinnedRun v-for="run in head" :key="run.from" :run="run" :active="active" @open="emit('open', $event)"
      /></span>
      <span v-if="rest.length > 0" class="fold"><span>cut here until opened</span></span>
      <span v-if="rest.length > 0" class="rest"
        ><PinnedRun v-for="run in rest" :key="run.from" :run="run" :active="active" @open="emit('open', $event)"
      /></span>
      <span v-if="beyond.length > 0" class="over"
        ><span class="over-label">{{ over }} over the limit; this part cannot go out</span
        ><PinnedRun v-for="run in beyond" :key="run.from" :run="run" :active="active" @open="emit('open', $event)"
      /></span>
    </div>
    <p v-else class="body empty">{{ pictures.length > 0 ? 'No text' : 'No text yet' }}</p>
    <div v-if="card" class="link-card">
      <img v-if="card.picture" :src="card.picture" alt="" />
      <b dir="auto">{{ card.title || 'As the page says of itself' }}</b>
      <span v-if="card.words" dir="auto">{{ card.words }}</span>
      <span class="quiet">{{ card.host }}</span>
    </div>
    <p v-if="beside?.event" class="more">{{ beside.event }}</p>
    <p v-if="beside?.call_to_action" class="more">
      <span class="call">{{ beside.call_to_action }}</span>
    </p>
    <p v-if="tagged" class="more">
      With <bdi>{{ tagged }}</bdi>
    </p>
    <p v-if="beside?.first_comment" class="more comment">
      <span>First comment</span><bdi>{{ beside.first_comment }}</bdi>
    </p>
  </div>
</template>

<style scoped>
.proof {
  background: var(--sheet);
  border: 1px solid var(--rule);
}
figure {
  overflow: hidden;
  background: var(--well);
}
.many {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 2px;
}
.many figure:first-child {
  grid-column: 1 / -1;
}
.many figure:not(:first-child) {
  align-self: start;
}
img {
  display: block;
  width: 100%;
}
figure {
  position: relative;
}
figcaption {
  position: absolute;
  left: 8px;
  bottom: 8px;
  padding: 0 6px;
  background: var(--ink);
  color: var(--sheet);
  font-size: 12px;
}
.link-card {
  display: grid;
  margin: 0 12px 12px;
  padding-bottom: 8px;
  border: 1px solid var(--rule);
}
.link-card > :not(img) {
  padding: 0 10px;
}
.link-card b {
  margin-top: 6px;
}
.more {
  padding: 0 12px 10px;
  overflow-wrap: anywhere;
}
.call {
  display: inline-block;
  padding: 2px 10px;
  border: 1px solid var(--ink);
  border-radius: 3px;
  font-weight: 600;
}
.comment {
  margin: 0 12px 12px;
  padding: 6px 10px;
  background: var(--ground);
  font: 400 14px/1.45 var(--serif);
}
.comment span {
  display: block;
  font: 600 12px/1.4 var(--sans);
  color: var(--ink-2);
}
.body {
  padding: 10px 12px 12px;
}
.empty {
  color: var(--ink-2);
}
.fold {
  display: block;
  border-top: 1px dashed var(--ink-faint);
  margin: 4px 0 2px;
  text-align: right;
}
.fold span {
  font: 600 12px/1.3 var(--sans);
  color: var(--ink-2);
}
.rest {
  color: var(--ink-2);
}
.over {
  display: block;
  margin-top: 8px;
  padding: 6px 8px;
  border-left: 4px solid var(--trouble);
  background: var(--trouble-ground);
}
.over-label {
  display: block;
  font: 600 12px/1.4 var(--sans);
  color: var(--trouble);
}
</style>
