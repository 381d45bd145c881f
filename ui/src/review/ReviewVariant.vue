<script setup lang="ts">
// One variant of the post: its channels, its pictures as they will be sent, its text with the fold.
import { computed } from 'vue'
import { besideInWords } from '@/parts/beside'
import { fileAddress, type Line, type Variant } from './api'
import { fill, t } from './language'
import { pointAt, usePointed } from './pointed'
import ReviewSince from './ReviewSince.vue'

type Picture = Variant['pictures'][number]
const props = defineProps<{ variant: Variant; index: number; place: number; count: number; talk?: Line['talk'] }>()
// where one points at now, and where somebody did before
const pointed = usePointed()
const at = ({ x, y }: { x: number; y: number }) => ({ left: `${x / 10}%`, top: `${y / 10}%` })
const middle = (one: { x: number; y: number; width: number; height: number }) =>
  at({ x: one.x + one.width / 2, y: one.y + one.height / 2 })
const spots = (file: Picture) =>
  (props.talk ?? []).flatMap(({ spot }) =>
    spot && spot.media_id === file.media_id && props.variant.adaptation_ids.includes(spot.adaptation_id) ? [spot] : [],
  )
const isPointed = (file: Picture) =>
  pointed.value?.media_id === file.media_id && props.variant.adaptation_ids.includes(pointed.value.adaptation_id)
const named = (label: string) => (t().beside as Record<string, string>)[label] ?? label
const points = computed(() => Array.from(props.variant.text))
const head = computed(() =>
  props.variant.fold == null ? props.variant.text : points.value.slice(0, props.variant.fold).join(''),
)
const more = computed(() => besideInWords(props.variant.beside).filter(([label]) => label !== 'Link card'))
const card = computed(() => props.variant.beside.link_card)
const after = computed(() => {
  let at = props.variant.fold ?? points.value.length
  while (points.value[at] === '\n') at += 1
  return at
})
const rest = computed(() => points.value.slice(after.value).join(''))
</script>

<template>
  <section class="variant" :data-variant="place">
    <h2>
      <span v-if="count > 1" class="quiet">{{
        fill(t().of, { number: String(index + 1), count: String(count) })
      }}</span>
      <span v-for="channel in variant.channels" :key="channel.name" class="channel"
        ><i :class="channel.network.toLowerCase()" aria-hidden="true">{{ channel.initials }}</i
        >{{ channel.name }}</span
      >
    </h2>
    <ReviewSince v-if="variant.since" :since="variant.since" />
    <div class="proof">
      <template v-for="file in variant.pictures" :key="file.id">
        <video
          v-if="file.kind === 'video'"
          :src="fileAddress(file.id)"
          :aria-label="file.description || t().video"
          :width="file.width"
          :height="file.height"
          controls
          playsinline
          preload="metadata"
        />
        <p v-else-if="file.kind === 'document'" class="document">
          <a :href="fileAddress(file.id)" target="_blank" rel="noreferrer">{{ t().document }}</a> {{ file.description }}
        </p>
        <div v-else class="picture">
          <img
            :src="fileAddress(file.id)"
            :alt="file.description || t().picture"
            :width="file.width"
            :height="file.height"
            @click="pointAt($event, variant.adaptation_ids[0]!, file.media_id)"
          />
          <i v-for="(spot, n) in spots(file)" :key="n" class="spot" :style="middle(spot)" aria-hidden="true" />
          <i v-if="isPointed(file)" class="spot now" :style="at(pointed!)" aria-hidden="true" />
        </div>
      </template>
      <p v-if="variant.text" class="copy" dir="auto" :data-copy="variant.adaptation_ids[0]">
        <span data-from="0">{{ head }}</span><span v-if="rest" class="fold"
          ><span>{{ t().cut }}</span></span
        ><span v-if="rest" class="rest" :data-from="after">{{ rest }}</span>
      </p>
      <div v-if="card" class="link-card">
        <img v-if="card.picture" :src="fileAddress(card.picture)" alt="" />
        <b>{{ card.title }}</b>
        <span dir="auto">{{ card.words }}</span>
        <span class="quiet">{{ card.host }}</span>
      </div>
      <dl v-if="more.length > 0" class="beside">
        <template v-for="[label, words] in more" :key="label">
          <dt>{{ named(label) }}</dt>
          <dd>
            <bdi>{{ words }}</bdi>
          </dd>
        </template>
      </dl>
    </div>
  </section>
</template>
