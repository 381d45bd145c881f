<script setup lang="ts">
// What a channel has of its own, each with the thick mark and one key that sets it back; what follows the master is one
// line, out of which a part can be taken up.
import { computed, nextTick, ref, watch } from 'vue'
import { planned } from '@/api/time'
import ActButton from '@/parts/ActButton.vue'
import WordRuns from '@/parts/WordRuns.vue'
import { keysOn } from '@/parts/keys'
import { useChecks } from './checks'
import { useFollow } from './follow'
import FoldedLine from './FoldedLine.vue'
import MediaPart from './MediaPart.vue'
import { overOf } from './over'
import PartRow from './PartRow.vue'
import { folded, standing } from './standing-parts'
import TextPart from './TextPart.vue'
import TimeCost from './TimeCost.vue'
import TimePart from './TimePart.vue'
import WritingAids from './WritingAids.vue'
import type { Adaptation, PartName, Sheet } from './sheet'
import { offFor, seenOf } from './writable'
import { counted } from '@/api/words'

const props = defineProps<{ sheet: Sheet; one: Adaptation }>()
const emit = defineEmits<{ replace: [] }>()
const checks = useChecks()
const proof = computed(() => checks.of(props.one))
const overHere = computed(() => overOf([{ name: props.one.channel.name, proof: proof.value }]))
const root = ref<HTMLElement>()
const text = ref<InstanceType<typeof TextPart>>()
const aids = ref<InstanceType<typeof WritingAids>>()
const comparing = ref(false)

// parts whose editor is open, own or not yet
const opened = ref<ReadonlySet<PartName>>(new Set())
const is = (part: PartName) => opened.value.has(part)
function open(part: PartName, on = true) {
  const next = new Set(opened.value)
  if (on) next.add(part)
  else next.delete(part)
  opened.value = next
}
const turn = (part: PartName) => open(part, !is(part))
function takeUp(part: PartName) {
  open(part)
  void nextTick(() => root.value?.querySelector<HTMLElement>('.wide :is(input, textarea, [tabindex])')?.focus())
}
const rows = computed(() => standing(props.one, opened.value))
const follows = computed(() => folded(props.one, opened.value))
const own = computed(() => Object.values(props.one.parts).filter((part) => part.own).length)
const off = (part: PartName) => offFor(props.sheet, part, props.one)
const allOff = computed(() =>
  (Object.keys(props.one.parts) as PartName[])
    .filter((part) => props.one.parts[part].own)
    .map(off)
    .find(Boolean),
)
const choosing = computed(() => is('time') || (props.one.parts.time.own && !off('time')))

const { follow, followAll, cost, sure, leave } = useFollow(
  { workspace: props.sheet.workspace_id, post: props.sheet.id },
  () => props.one,
  (parts) => parts.forEach((part) => open(part, false)),
  () => props.sheet.master.parts.time.value,
)

// The button that sets back is gone when it has done so: the focus stays in its line, or goes to the line of what
// follows.
let left: Element | null = null
function leaving(event: MouseEvent) {
  const target = event.target as HTMLElement
  if (target.closest('[data-follow]')) left = target.closest('dl > div')
}
watch(
  own,
  () => {
    if (left && document.activeElement === document.body) {
      const line = left.isConnected ? left : root.value?.querySelector('.folded')
      line?.querySelector<HTMLButtonElement>('button:enabled')?.focus()
    }
    left = null
  },
  { flush: 'post' },
)
/** One key sets the part back in whose line the focus is. */
function key(event: KeyboardEvent) {
  const target = event.target as HTMLElement
  const typing = target.closest('input, textarea, select, [contenteditable]')
  const held = event.ctrlKey || event.metaKey || event.altKey
  if (event.key.toUpperCase() !== 'F' || !keysOn() || held || typing) return
  const line = target.closest('dl > div')
  if (line?.matches('.own'))
    line.querySelector<HTMLButtonElement>('button[data-follow]:not([aria-disabled=true])')?.click()
}
defineExpose({
  show(place: string) {
    if (place === 'framing' || place === 'media') open('media')
    else if (place === 'time' || place === 'link') takeUp(place)
    else if (place === 'mentions' && props.one.parts.text.own) {
      open('text')
      aids.value?.mentions()
    }
  },
})
</script>

<template>
  <div ref="root" @click="leaving" @keydown="key">
    <dl>
      <div v-if="one.parts.text.own || is('text')" class="part-line" :class="{ own: one.parts.text.own }">
        <dt>{{ one.parts.text.own ? 'Own text' : 'Text' }}</dt>
        <dd v-if="one.parts.text.own">
          <ActButton link :off="off('text')" @click="turn('text')">{{ is('text') ? 'done' : 'write' }}</ActButton>
          <button type="button" class="link-button" :aria-expanded="comparing" @click="comparing = !comparing">
            compare
          </button>
          <ActButton link :off="off('text')" aria-label="follow master" data-follow @click="follow('text')"
            >follow</ActButton
          >
        </dd>
        <dd v-else><ActButton link @click="open('text', false)">cancel</ActButton></dd>
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
      <div v-if="is('text')" class="wide">
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
      <div v-if="one.parts.media.own || is('media')" class="part-line" :class="{ own: one.parts.media.own }">
        <dt>{{ one.parts.media.own ? 'Own media' : 'Media' }}</dt>
        <dd>
          {{ (one.parts.media.value as string[]).length || 'none' }}
          <ActButton link :off="off('media')" :aria-expanded="is('media')" @click="turn('media')">
            {{ is('media') ? 'done' : 'change' }}
          </ActButton>
          <ActButton v-if="one.parts.media.own" link :off="off('media')" data-follow @click="follow('media')"
            >follow</ActButton
          >
        </dd>
      </div>
      <div
        v-for="part in (['framing', 'descriptions'] as const).filter((name) => one.parts[name].own)"
        :key="part"
        class="part-line own"
      >
        <dt>{{ part === 'framing' ? 'Own framing' : 'Own descriptions' }}</dt>
        <dd>
          <ActButton link :off="off(part)" :aria-label="`Follow the master’s ${part}`" data-follow @click="follow(part)"
            >follow</ActButton
          >
        </dd>
      </div>
      <div v-if="is('media')" class="wide">
        <dt class="hidden">Media for {{ one.channel.name }}</dt>
        <dd class="whole"><MediaPart :sheet="sheet" :one="one" /></dd>
      </div>
      <PartRow
        v-for="row in rows"
        :key="row.part"
        :sheet="sheet"
        :row="row"
        :one="one"
        :open="is(row.part)"
        @turn="open(row.part, $event)"
      />
      <div v-if="one.parts.time.own || is('time')" class="part-line" :class="{ own: one.parts.time.own }">
        <dt>{{ one.parts.time.own ? 'Own time' : 'Time' }}</dt>
        <dd>
          <template v-if="!choosing">{{ one.at ? planned(one.at, sheet.zone) : 'none yet' }}&#32;</template>
          <ActButton
            v-if="one.parts.time.own"
            link
            :off="off('time')"
            aria-label="Follow the master’s time"
            data-follow
            @click="follow('time')"
            >follow</ActButton
          >
          <ActButton v-else link @click="open('time', false)">cancel</ActButton>
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
          />
        </dd>
      </div>
      <FoldedLine
        v-if="follows.length > 0"
        :says="`follows the master in ${counted(follows.length, 'part', 'parts')}`"
        act="change one …"
        :where="`on ${one.channel.name}`"
        :parts="follows"
        :off="off"
        @choose="takeUp"
      />
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
      <span>{{ own }} parts of its own:</span>
      <ActButton link :off="allOff" @click="followAll()">all follow the master</ActButton>
    </p>
  </div>
</template>

<style scoped>
dl {
  margin-top: 8px;
}
.wide {
  padding: 4px 0;
  border-bottom: 1px solid var(--rule);
}
.stale dd {
  display: flex;
  gap: 6px;
}
.all {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
  margin-top: 6px;
  color: var(--ink-2);
}
</style>
