<script setup lang="ts">
// The post on one channel: count, proof, own parts with their thick mark, checks, and what became of it.
import { Button } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { api, ok } from '@/api/client'
import { planned } from '@/api/time'
import { STAGES } from '@/api/words'
import ChannelMark from '@/parts/ChannelMark.vue'
import ProofCard from '@/parts/ProofCard.vue'
import SignoffStrip from '@/parts/SignoffStrip.vue'
import WordRuns from '@/parts/WordRuns.vue'
import TextPart from './TextPart.vue'
import TimePart from './TimePart.vue'
import { useAct, type Adaptation, type PartName, type Sheet } from './sheet'

const props = defineProps<{ sheet: Sheet; one: Adaptation; now?: string }>()
const emit = defineEmits<{ state: [state: string] }>()
const writing = ref(false)
const comparing = ref(false)

const share = computed(() => Math.min(100, Math.round((props.one.proof.count / props.one.proof.limit) * 100)))
const over = computed(() => Math.max(0, props.one.proof.count - props.one.proof.limit))
const pictures = computed(() =>
  props.one.proof.pictures.map((picture) => {
    const file = props.sheet.media[picture.media_id]
    const said = (props.one.parts.descriptions.value as Record<string, string> | null)?.[picture.media_id]
    return {
      src: `/api/w/${props.sheet.workspace_id}/media/${picture.media_id}/preview`,
      alt: said || 'Picture without a description yet',
      width: file?.width ?? 1,
      height: file?.height ?? 1,
      crop: picture.crop,
      full: [file?.width ?? 1, file?.height ?? 1] as [number, number],
    }
  }),
)
const cutAway = computed(() => props.one.proof.pictures.filter((picture) => picture.lost > 0))

function off(part: 'text' | 'link' | 'time') {
  const can = props.sheet.can[`write:${part}`]
  if (can && !can.ok) return can.why
  if (props.one.off) return props.one.off
  if (props.one.stage === 'out') return 'It is out; what went there can no longer be changed here.'
  if (part !== 'time' && props.one.sealed) return 'Sealed: it has been asked for, or has its yes, exactly as it stands. Open it with “Change it”.'
  return undefined
}
function server(part: 'text' | 'link') {
  const value = props.one.parts[part]
  return { value: value.value, version: value.own ? value.version : 0 }
}
const follow = useAct<PartName>(
  props.sheet.id,
  (part) =>
    ok(
      api.DELETE('/api/w/{workspace}/posts/{post}/parts/{part}', {
        params: {
          path: { workspace: props.sheet.workspace_id, post: props.sheet.id, part },
          query: { channel: props.one.channel.id },
          header: { 'If-Match': `"${props.one.parts[part].version}"` },
        },
      }),
    ),
  (_, part) => {
    localStorage.removeItem(`draft:${props.sheet.id}:${props.one.channel.id}:${part}`)
    writing.value = false
  },
)
// An own time, link or set of pictures is made by saving it for this channel.
const ownTime = ref(false)
</script>

<template>
  <section class="adaptation" :class="[`stage-${one.stage}`, { own: one.parts.text.own }]" :aria-label="`On ${one.channel.name}`">
    <h2>
      <ChannelMark :network="one.channel.network" :initials="one.channel.initials" />
      {{ one.channel.name }}
      <span class="count" :class="{ late: over > 0 }" aria-live="polite">{{ one.proof.count }} of {{ one.proof.limit }}</span>
    </h2>
    <div class="bar" aria-hidden="true"><span :class="{ over: over > 0 }" :style="{ width: `${share}%` }" /></div>
    <p class="stands">
      <SignoffStrip :strip="one.strip" :now="now" />
      <b>{{ STAGES[one.stage] }}</b>
      <span v-if="one.opened" class="opened">open to change</span>
    </p>
    <p v-if="one.channel.level && !['fine', 'offline'].includes(one.channel.level)" class="connection" :class="one.channel.level">
      {{ one.channel.sentence }} <router-link :to="{ name: 'channels', params: { workspace: sheet.workspace_id } }">Channels</router-link>
    </p>
    <p v-if="one.showing?.state === 'by_hand'" class="connection by-hand">
      It is time to publish it by hand. <router-link :to="{ name: 'by-hand', params: { workspace: sheet.workspace_id, showing: one.showing.id } }">Take it up</router-link>
    </p>
    <div class="frame">
      <ProofCard :text="one.proof.text" :within="one.proof.within" :over="over" :fold="one.proof.fold" :pictures="pictures" />
    </div>
    <div v-for="block in one.blocks" :key="block.person" class="wanted">
      <b>{{ block.person }} {{ block.verdict === 'no' ? 'says no, not at all' : 'wants a change' }}</b>
      <p>{{ block.words }}</p>
    </div>
    <dl>
      <div :class="{ own: one.parts.text.own }">
        <dt>{{ one.parts.text.own ? 'Own text' : 'Text' }}</dt>
        <dd>
          <template v-if="one.parts.text.own">
            <button type="button" class="link-button" :disabled="!!off('text')" :title="off('text')" @click="writing = !writing">{{ writing ? 'done' : 'write' }}</button>
            <button type="button" class="link-button" :aria-expanded="comparing" @click="comparing = !comparing">compare</button>
            <button type="button" class="link-button" :disabled="!!off('text')" :title="off('text')" @click="follow.mutate('text')">follow master</button>
          </template>
          <template v-else
            >follows master <button type="button" class="link-button" :disabled="!!off('text')" :title="off('text')" @click="writing = !writing">{{ writing ? 'leave it' : 'own text' }}</button></template
          >
        </dd>
      </div>
      <div v-if="one.own_text?.stale" class="wide stale">
        <dt class="hidden">Look again</dt>
        <dd class="whole"><span aria-hidden="true" class="sign">!</span>The master was changed since this was written; look whether it still fits.</dd>
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
            :workspace="sheet.workspace_id"
            :post="sheet.id"
            part="text"
            :channel="one.channel.id"
            :server="server('text')"
            :label="`Own text for ${one.channel.name}`"
            :off="off('text')"
            @state="emit('state', $event)"
          />
        </dd>
      </div>
      <div v-if="one.parts.link.value || one.parts.link.own" :class="{ own: one.parts.link.own }">
        <dt>{{ one.parts.link.own ? 'Own link' : 'Link' }}</dt>
        <dd>
          {{ one.parts.link.value ?? 'none' }}
          <button v-if="one.parts.link.own" type="button" class="link-button" :disabled="!!off('link')" @click="follow.mutate('link')">follow master</button>
        </dd>
      </div>
      <div :class="{ own: one.parts.time.own }">
        <dt>{{ one.parts.time.own ? 'Own time' : 'Time' }}</dt>
        <dd>
          <template v-if="!ownTime">{{ one.at ? planned(one.at, sheet.zone) : 'none yet' }}</template>
          <button v-if="one.parts.time.own" type="button" class="link-button" :disabled="!!off('time')" :title="off('time')" @click="follow.mutate('time')">follow</button>
          <button v-else type="button" class="link-button" :disabled="!!off('time')" :title="off('time')" @click="ownTime = !ownTime">{{ ownTime ? 'leave it' : 'own time' }}</button>
        </dd>
      </div>
      <div v-if="ownTime || (one.parts.time.own && !off('time'))" class="wide">
        <dt class="hidden">Choosing it</dt>
        <dd class="whole">
          <TimePart :workspace="sheet.workspace_id" :post="sheet.id" :channel="one.channel.id" :server="one.parts.time" :zone="sheet.zone" :off="off('time')" />
        </dd>
      </div>
      <div v-for="picture in cutAway" :key="picture.media_id">
        <dt>Picture</dt>
        <dd>{{ picture.lost }} % is cut away to fit</dd>
      </div>
    </dl>
    <ul v-if="one.proof.checks.length > 0" class="checks">
      <li v-for="check in one.proof.checks" :key="check.code" :class="check.level"><span aria-hidden="true" class="sign">!</span>{{ check.sentence }}</li>
    </ul>
    <p v-if="one.channel.state === 'lapsed'" class="late">The connection to {{ one.channel.name }} has lapsed: nothing can go out there until it is connected again.</p>
    <p v-if="one.release && one.stage !== 'out'" class="quiet">Released by {{ one.release.by }} for {{ planned(one.release.at, sheet.zone) }}</p>
    <div v-if="one.showing && (one.showing.address || one.showing.trouble)" class="after">
      <p v-if="one.showing.trouble" class="late">{{ one.showing.trouble }}</p>
      <p v-if="one.showing.address">
        <a :href="one.showing.address" target="_blank" rel="noreferrer">Look at it on {{ one.channel.name }}</a>
        <span v-if="one.showing.seen === 'same'" class="quiet">, seen there as approved</span>
      </p>
      <router-link :to="{ name: 'dispatch', query: { client: sheet.workspace_id, showing: one.showing.id, of: sheet.workspace_id } }"><Button size="small">Its dispatch</Button></router-link>
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
.stale {
  padding: 4px 0;
}
.checks {
  margin-top: 8px;
}
.checks li {
  display: flex;
  gap: 6px;
  padding: 3px 0;
}
.sign {
  flex: none;
  width: 16px;
  height: 16px;
  display: grid;
  place-items: center;
  border: 1.5px solid var(--ink);
  border-radius: 50%;
  font-size: 10px;
  font-weight: 750;
}
.fault {
  font-weight: 600;
}
.fault .sign {
  background: var(--trouble);
  border-color: var(--trouble);
  color: #fff;
}
.after {
  display: grid;
  gap: 6px;
  margin-top: 8px;
}
</style>
