<script setup lang="ts">
// The post on one channel: count, proof, own parts with their thick mark, checks, and what became of it.
import { Button } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { planned } from '@/api/time'
import { STAGES } from '@/api/words'
import ChannelMark from '@/parts/ChannelMark.vue'
import ProofCard from '@/parts/ProofCard.vue'
import SignoffStrip from '@/parts/SignoffStrip.vue'
import WordRuns from '@/parts/WordRuns.vue'
import { keysOn } from '@/parts/keys'
import { useChecks } from './checks'
import { useFollow } from './follow'
import MediaPart from './MediaPart.vue'
import { overOf } from './over'
import PartRow from './PartRow.vue'
import TextPart from './TextPart.vue'
import TimePart from './TimePart.vue'
import TimeCost from './TimeCost.vue'
import WritingAids from './WritingAids.vue'
import type { Adaptation, PartName, Sheet } from './sheet'
import { ROWS, offFor, offered, seenOf } from './writable'
import ActButton from '@/parts/ActButton.vue'

const props = defineProps<{ sheet: Sheet; one: Adaptation; now?: string }>()
const emit = defineEmits<{ state: [state: string]; replace: [] }>()
const checks = useChecks()
const writing = ref(false)
const comparing = ref(false)
const ownMedia = ref(false)
const text = ref<InstanceType<typeof TextPart>>()
const aids = ref<InstanceType<typeof WritingAids>>()

const proof = computed(() => checks.of(props.one))
const share = computed(() => Math.min(100, Math.round((proof.value.count / proof.value.limit) * 100)))
const over = computed(() => Math.max(0, proof.value.count - proof.value.limit))
const overHere = computed(() => overOf([{ name: props.one.channel.name, proof: proof.value }]))
const pictures = computed(() =>
  proof.value.pictures.map((picture) => {
    const file = props.sheet.media[picture.media_id]
    const said = (props.one.parts.descriptions.value as Record<string, string> | null)?.[picture.media_id]
    return {
      src: `/api/w/${props.sheet.workspace_id}/media/${picture.media_id}/preview`,
      alt: said || 'Without a description yet',
      kind: picture.kind,
      width: file?.width ?? 1,
      height: file?.height ?? 1,
      crop: picture.crop ?? undefined,
      full: [file?.width ?? 1, file?.height ?? 1] as [number, number],
    }
  }),
)
const card = computed(() => {
  const said = proof.value.link_card
  return said
    ? { ...said, picture: said.picture ? `/api/w/${props.sheet.workspace_id}/media/${said.picture}/preview` : null }
    : null
})
const rows = computed(() => ROWS.filter((row) => offered(row.part, props.one)))
const own = computed(() => Object.entries(props.one.parts).filter(([, part]) => part.own).length)
const rowsOf = ref<{ part: string; open: () => void }[]>([])
const off = (part: PartName) => offFor(props.sheet, part, props.one)
const allOff = computed(() =>
  (Object.keys(props.one.parts) as PartName[])
    .filter((part) => props.one.parts[part].own)
    .map(off)
    .find(Boolean),
)

const { follow, followAll, cost, sure, leave } = useFollow(
  { workspace: props.sheet.workspace_id, post: props.sheet.id },
  () => props.one,
  (parts) => {
    if (parts.includes('text')) writing.value = false
    if (parts.includes('media')) ownMedia.value = false
    if (parts.includes('time')) ownTime.value = false
  },
  () => props.sheet.master.parts.time.value,
)
// The button that sets back is gone when it has done so: the focus stays in its line.
let left: Element | null = null
function leaving(event: MouseEvent) {
  const target = event.target as HTMLElement
  if (target.closest('[data-follow]')) left = target.closest('dl > div')
}
watch(
  own,
  () => {
    if (document.activeElement === document.body) left?.querySelector<HTMLButtonElement>('button:enabled')?.focus()
    left = null
  },
  { flush: 'post' },
)
/** One key sets the part back in whose line the focus is. */
function key(event: KeyboardEvent) {
  const target = event.target as HTMLElement
  if (
    event.key.toUpperCase() !== 'F' ||
    !keysOn() ||
    event.ctrlKey ||
    event.metaKey ||
    event.altKey ||
    target.closest('input, textarea, select, [contenteditable]')
  )
    return
  const line = target.closest('dl > div')
  if (line?.matches('.own'))
    line.querySelector<HTMLButtonElement>('button[data-follow]:not([aria-disabled=true])')?.click()
}
// An own time, link or set of pictures is made by saving it for this channel.
const ownTime = ref(false)
const choosing = computed(() => ownTime.value || (props.one.parts.time.own && !off('time')))
defineExpose({
  show(place: string) {
    if (place === 'time') ownTime.value = true
    else if (place === 'link') rowsOf.value.find((row) => row.part === 'link')?.open()
    else if (place === 'framing' || place === 'media') ownMedia.value = true
    else if (place === 'mentions' && props.one.parts.text.own) {
      writing.value = true
      aids.value?.mentions()
    }
  },
})
</script>

<template>
  <section
    class="adaptation"
    :class="[`stage-${one.stage}`, { own: one.parts.text.own }]"
    :aria-label="`On ${one.channel.name}`"
    @click="leaving"
    @keydown="key"
  >
    <h2>
      <ChannelMark :network="one.channel.network" :initials="one.channel.initials" />
      {{ one.channel.name }}
      <span class="count" :class="{ late: over > 0 }" aria-live="polite">{{ proof.count }} of {{ proof.limit }}</span>
    </h2>
    <div class="bar" aria-hidden="true"><span :class="{ over: over > 0 }" :style="{ width: `${share}%` }" /></div>
    <p class="stands">
      <SignoffStrip :strip="one.strip" :now="now" />
      <b>{{ STAGES[one.stage] }}</b>
      <span v-if="one.opened" class="opened">unlocked</span>
    </p>
    <p
      v-if="one.channel.level && !['fine', 'offline'].includes(one.channel.level)"
      class="connection"
      :class="one.channel.level"
    >
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
      />
    </div>
    <div v-for="block in one.blocks" :key="block.person" class="wanted">
      <b>{{ block.person }} {{ block.verdict === 'no' ? 'says no, not at all' : 'wants a change' }}</b>
      <p dir="auto">{{ block.words }}</p>
    </div>
    <dl>
      <div :class="{ own: one.parts.text.own }">
        <dt>{{ one.parts.text.own ? 'Own text' : 'Text' }}</dt>
        <dd>
          <template v-if="one.parts.text.own">
            <ActButton link :off="off('text')" @click="writing = !writing">{{ writing ? 'done' : 'write' }}</ActButton>
            <button type="button" class="link-button" :aria-expanded="comparing" @click="comparing = !comparing">
              compare
            </button>
            <ActButton link :off="off('text')" aria-label="follow master" data-follow @click="follow('text')"
              >follow</ActButton
            >
          </template>
          <template v-else
            >follows master
            <ActButton link :off="off('text')" @click="writing = !writing">{{
              writing ? 'cancel' : 'own text'
            }}</ActButton></template
          >
        </dd>
      </div>
      <div v-if="one.own_text?.stale" class="wide stale">
        <dt class="hidden">Check again</dt>
        <dd class="whole">
          <span aria-hidden="true" class="ringed">!</span>The master was changed since this was written; look whether it
          still fits.
        </dd>
      </div>
      <div v-if="comparing && one.own_text" class="wide">
        <dt class="hidden">Compared</dt>
        <dd class="whole">
          <WordRuns :runs="one.own_text.runs" :label="`Own text for ${one.channel.name}, beside the master’s`" />
          <p class="quiet">Struck: only in the master. Underlined: only here.</p>
        </dd>
      </div>
      <div v-if="writing" class="wide">
        <dt class="hidden">Writing it</dt>
        <dd class="whole">
          <TextPart
            ref="text"
            :workspace="sheet.workspace_id"
            :post="sheet.id"
            part="text"
            :channel="one.channel.id"
            :server="seenOf(sheet, 'text', one)"
            :label="`Own text for ${one.channel.name}`"
            :off="off('text')"
            :over="overHere"
            @state="emit('state', $event)"
          />
          <WritingAids
            :id="one.channel.id"
            ref="aids"
            :workspace="sheet.workspace_id"
            :off="off('text')"
            :text="text?.value ?? ''"
            :hashtags="{ count: proof.hashtags, most: proof.most_hashtags }"
            @insert="(words, apart) => text?.insert(words, apart)"
            @replace="emit('replace')"
          />
        </dd>
      </div>
      <div :class="{ own: one.parts.media.own }">
        <dt>{{ one.parts.media.own ? 'Own media' : 'Media' }}</dt>
        <dd>
          {{ (one.parts.media.value as string[]).length || 'none' }}
          <ActButton link :off="off('media')" :aria-expanded="ownMedia" @click="ownMedia = !ownMedia">
            {{ ownMedia ? 'done' : one.parts.media.own ? 'change' : 'order and frame' }}
          </ActButton>
          <ActButton v-if="one.parts.media.own" link :off="off('media')" data-follow @click="follow('media')"
            >follow</ActButton
          >
        </dd>
      </div>
      <div
        v-for="part in (['framing', 'descriptions'] as const).filter((name) => one.parts[name].own)"
        :key="part"
        class="own"
      >
        <dt>{{ part === 'framing' ? 'Own framing' : 'Own descriptions' }}</dt>
        <dd><ActButton link :off="off(part)" data-follow @click="follow(part)">follow</ActButton></dd>
      </div>
      <div v-if="ownMedia" class="wide">
        <dt class="hidden">Media for {{ one.channel.name }}</dt>
        <dd class="whole"><MediaPart :sheet="sheet" :one="one" @state="emit('state', $event)" /></dd>
      </div>
      <PartRow
        v-for="row in rows"
        ref="rowsOf"
        :key="row.part"
        :sheet="sheet"
        :row="row"
        :one="one"
        @state="emit('state', $event)"
      />
      <div :class="{ own: one.parts.time.own }">
        <dt>{{ one.parts.time.own ? 'Own time' : 'Time' }}</dt>
        <dd>
          <template v-if="!choosing">{{ one.at ? planned(one.at, sheet.zone) : 'none yet' }}{{ ' ' }}</template>
          <ActButton v-if="one.parts.time.own" link :off="off('time')" data-follow @click="follow('time')"
            >follow</ActButton
          >
          <ActButton v-else link :off="off('time')" @click="ownTime = !ownTime">{{
            ownTime ? 'cancel' : 'own time'
          }}</ActButton>
        </dd>
      </div>
      <div v-if="choosing" class="wide">
        <dt class="hidden">Choosing it</dt>
        <dd class="whole">
          <TimePart
            :workspace="sheet.workspace_id"
            :post="sheet.id"
            :channel="one.channel.id"
            :server="one.parts.time"
            :zone="sheet.zone"
            :off="off('time')"
            @state="emit('state', $event)"
          />
        </dd>
      </div>
    </dl>
    <TimeCost
      v-if="cost"
      :cost="cost.said"
      :zone="sheet.zone"
      act="Follow the master’s time"
      @sure="sure()"
      @back="leave()"
    />
    <p v-if="own > 1" class="all">
      {{ own }} parts of its own <ActButton link :off="allOff" @click="followAll()">all follow the master</ActButton>
    </p>
    <ul v-if="proof.checks.length > 0" class="checks">
      <li v-for="check in proof.checks" :key="check.code + check.sentence" :class="check.level">
        <span aria-hidden="true" class="ringed">!</span>{{ check.sentence }}
      </li>
    </ul>
    <p v-if="one.channel.state === 'lapsed'" class="late">
      The connection to {{ one.channel.name }} has lapsed: nothing can go out there until it is connected again.
    </p>
    <p v-if="one.release && one.stage !== 'out'" class="quiet">
      Released by {{ one.release.by }} for {{ planned(one.release.at, sheet.zone) }}
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
  </section>
</template>

<style scoped>
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
.adaptation {
  padding: 12px 14px 30px;
  border-left: 1px solid var(--rule);
}
h2 {
  display: flex;
  align-items: center;
  gap: 8px;
  font-size: 13px;
  font-weight: 600;
}
.count {
  margin-left: auto;
  font-weight: 450;
  color: var(--ink-2);
}
.count.late {
  color: var(--trouble);
  font-weight: 600;
}
.bar {
  height: 3px;
  margin: 8px 0 8px;
  background: var(--rule);
}
.bar span {
  display: block;
  height: 100%;
  background: var(--ink);
}
.bar .over {
  background: var(--trouble);
}
.stands {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 22px;
  margin-bottom: 6px;
  color: var(--stage);
}
.opened {
  color: var(--ink-2);
}
.own .frame {
  position: relative;
}
.own .frame::before,
dl > .own::before {
  content: '';
  position: absolute;
  left: -8px;
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
dl {
  margin-top: 8px;
}
dl > div {
  position: relative;
  display: flex;
  justify-content: space-between;
  gap: 10px;
  align-items: center;
  min-height: 30px;
  border-bottom: 1px solid var(--rule);
}
dl > .wide {
  display: block;
  padding: 4px 0;
}
dt {
  flex: none;
  color: var(--ink-2);
}
dd {
  text-align: right;
  overflow-wrap: anywhere;
}
dd.whole {
  text-align: left;
}
dd:not(.whole) > button {
  margin-left: 8px;
}
dd:not(.whole) > button:disabled {
  color: var(--ink-2);
  text-decoration: none;
  cursor: not-allowed;
}
.all {
  margin-top: 6px;
  color: var(--ink-2);
}
.stale {
  padding: 4px 0;
}
.checks {
  margin-top: 8px;
  overflow-wrap: anywhere;
}
.checks li {
  display: flex;
  gap: 6px;
  padding: 3px 0;
}
.fault {
  font-weight: 600;
}
.after {
  display: grid;
  gap: 6px;
  margin-top: 8px;
}
</style>
