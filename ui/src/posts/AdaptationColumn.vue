<script setup lang="ts">
// The post on one channel: its proof, what it has of its own, and what became of it.
import { Button } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { planned } from '@/api/time'
import ProofCard from '@/parts/ProofCard.vue'
import AdaptationParts from './AdaptationParts.vue'
import { useChecks } from './checks'
import ColumnHead from './ColumnHead.vue'
import { cardOf, picturesOf } from './proof'
import { filePins, spotPins, usePins, wordPins, type Pin } from '@/talk/pins'
import type { Selected } from '@/talk/selected'
import type { Adaptation, Sheet } from './sheet'

const props = defineProps<{
  sheet: Sheet
  one: Adaptation
  now?: string
  /** Room is given to the master: only the head stands. */
  narrow?: boolean
}>()
const emit = defineEmits<{ replace: []; findings: [] }>()
const checks = useChecks()
const parts = ref<InstanceType<typeof AdaptationParts>>()

const proof = computed(() => checks.of(props.one))
const over = computed(() => Math.max(0, proof.value.count - proof.value.limit))
const pictures = computed(() =>
  picturesOf(props.sheet.workspace_id, props.sheet.media, props.one.parts.descriptions.value, proof.value),
)
const card = computed(() => cardOf(props.sheet.workspace_id, proof.value))
const disconnected = computed(() => !!props.one.channel.level && !['fine', 'offline'].includes(props.one.channel.level))
// Talk about this proof: words that are selected, spots that are drawn.
const { picked, active } = usePins()
const pointing = ref(false)
const on = () => ({ adaptation_id: props.one.id, channel: props.one.channel.name })
function pick(words: Selected) {
  if (pointing.value) picked.value = { kind: 'words', ...words, ...on() }
}
function spot(picture: number, place: Pick<Pin, 'x' | 'y' | 'width' | 'height'>) {
  const media = props.one.proof.pictures[picture]
  if (media) picked.value = { kind: 'spot', media_id: media.media_id, ...place, ...on() }
  pointing.value = false
}
function place(picture: number, at: { page: number } | { ms: number }) {
  const media = props.one.proof.pictures[picture]
  const kind = 'page' in at ? ('page' as const) : ('moment' as const)
  if (media) picked.value = { kind, media_id: media.media_id, ...at, ...on() }
  pointing.value = false
}
defineExpose({ show: (place: string) => parts.value?.show(place) })
</script>

<template>
  <section
    class="adaptation"
    :class="[`stage-${one.stage}`, { own: one.parts.text.own, narrow }]"
    :aria-label="`On ${one.channel.name}`"
  >
    <ColumnHead :sheet="sheet" :one="one" :now="now" @findings="emit('findings')" />
    <div v-show="!narrow">
      <p v-if="disconnected" class="connection" :class="one.channel.level">
        {{ one.channel.sentence }}
        <router-link :to="{ name: 'channels', params: { workspace: sheet.workspace_id } }">Channels</router-link>
      </p>
      <p v-if="one.showing?.state === 'by_hand'" class="connection by-hand">
        It is time to publish it by hand.
        <router-link :to="{ name: 'by-hand', params: { workspace: sheet.workspace_id, showing: one.showing.id } }"
          >Start</router-link
        >
      </p>
      <p v-if="one.off" class="connection" role="status">{{ one.off }}</p>
      <div class="frame">
        <ProofCard
          :text="proof.text"
          :within="proof.within"
          :over="over"
          :fold="proof.fold"
          :pictures="pictures"
          :card="card"
          :beside="proof"
          :words="wordPins(sheet, one)"
          :spots="spotPins(sheet, one)"
          :files="filePins(sheet, one)"
          :active="active"
          :pointing="pointing"
          @pick="pick"
          @spot="spot"
          @place="place"
          @open="active = $event"
        />
        <p class="point">
          <button type="button" class="link-button" :aria-pressed="pointing" @click="pointing = !pointing">
            {{ pointing ? 'Done pointing' : 'Point at something' }}
          </button>
          <span v-if="pointing" class="quiet"
            >&#32;Drag over words, draw on the picture, or choose a page or a moment.</span
          >
        </p>
      </div>
      <div v-for="block in one.blocks" :key="block.person" class="wanted">
        <b>{{ block.person }} {{ block.verdict === 'no' ? 'says no, not at all' : 'wants a change' }}</b>
        <p dir="auto">{{ block.words }}</p>
      </div>
      <AdaptationParts ref="parts" :sheet="sheet" :one="one" @replace="emit('replace')" />
      <p v-if="one.channel.state === 'lapsed'" class="late">
        The connection to {{ one.channel.name }} has lapsed: nothing can go out there until it is connected again.
      </p>
      <p v-if="one.release && one.stage !== 'out'" class="quiet">
        {{ one.release.by ? `Released by ${one.release.by}` : 'Released by its route' }} for
        {{ planned(one.release.at, sheet.zone) }}
      </p>
      <div v-if="one.showing && (one.showing.address || one.showing.trouble)" class="after">
        <p v-if="one.showing.trouble" class="late">{{ one.showing.trouble }}</p>
        <p v-if="one.showing.address">
          <a :href="one.showing.address" target="_blank" rel="noreferrer">Look at it on {{ one.channel.name }}</a>
          <span v-if="one.showing.seen === 'same'" class="quiet">, seen there as approved</span>
        </p>
        <router-link
          :to="{
            name: 'dispatch',
            query: { client: sheet.workspace_id, showing: one.showing.id, of: sheet.workspace_id },
          }"
          ><Button size="small">Its dispatch</Button></router-link
        >
      </div>
    </div>
  </section>
</template>

<style scoped>
.point {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
  padding: 4px 0;
}
.adaptation {
  padding: 12px 16px 30px;
  border-left: 1px solid var(--rule);
}
.narrow {
  padding-inline: 12px;
}
.narrow :deep(h2) {
  flex-wrap: wrap;
}
.connection {
  border-left: 4px solid var(--ink-2);
  padding: 3px 8px;
  margin: 0 0 8px;
  background: var(--sheet);
}
.connection.lapsed,
.connection.soon {
  border-left-color: var(--trouble);
}
.connection.by-hand {
  border-left-color: var(--mark-edge);
  background: var(--mark);
}
.own .frame {
  position: relative;
}
.own .frame::before {
  content: '';
  position: absolute;
  left: -9px;
  top: 0;
  bottom: 0;
  width: 4px;
  background: var(--ink);
}
.wanted {
  margin-top: 8px;
  padding: 6px 8px;
  border-left: 4px solid var(--change);
  background: var(--sheet);
}
.after {
  display: grid;
  gap: 6px;
  margin-top: 8px;
}
</style>
