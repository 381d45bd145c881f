<script setup lang="ts">
// A post, whole: the master and each channel side by side, and the ledger behind the thick rule.
import { useEventListener } from '@vueuse/core'
import { Button, message } from 'ant-design-vue'
import { computed, nextTick, ref, watch } from 'vue'
import { useChosen } from '@/agency/me'
import { useRoute, useRouter } from 'vue-router'
import { api, ok, sentence, unread } from '@/api/client'
import { begun, isUnmade } from '@/api/fresh'
import { planned } from '@/api/time'
import { STAGES, list, titled } from '@/api/words'
import { entitle } from '@/parts/title'
import SignoffStrip from '@/parts/SignoffStrip.vue'
import ComingShape from '@/parts/ComingShape.vue'
import KeysHelp from '@/parts/KeysHelp.vue'
import AnswerPanel from '@/signoff/answers/AnswerPanel.vue'
import SignoffLedger from '@/signoff/sheets/SignoffLedger.vue'
import { askOff } from '@/signoff/asks/askable'
import TasksLedger from '@/traffic/TasksLedger.vue'
import AdaptationColumn from './AdaptationColumn.vue'
import BesideLedger from './BesideLedger.vue'
import ChecksLedger from './ChecksLedger.vue'
import BrandLedger from '@/clients/BrandLedger.vue'
import MasterColumn from './MasterColumn.vue'
import RecordLedger from './RecordLedger.vue'
import RevisionsLedger from './RevisionsLedger.vue'
import SubjectField from './SubjectField.vue'
import TalkLedger from '@/talk/TalkLedger.vue'
import { providePins } from '@/talk/pins'
import { offerUndo } from '@/parts/undo'
import { unsettled, useSaving } from './saving'
import { provideChecks } from './checks'
import { provideHere } from './here'
import { useAct, useSheet, type Sheet } from './sheet'
import ActButton from '@/parts/ActButton.vue'
import { later } from '@/parts/later'

const AskDialog = later(() => import('@/signoff/asks/AskDialog.vue'))
const CopyDialog = later(() => import('./CopyDialog.vue'))
const FindReplace = later(() => import('./FindReplace.vue'))
const OpenDialog = later(() => import('./OpenDialog.vue'))

const props = defineProps<{
  workspace: string
  post: string
  /** Over another page, whose main part it is not. */
  over?: boolean
}>()
const emit = defineEmits<{ gone: [] }>()
const { workspaces, me } = useChosen()
const client = computed(() => workspaces.value.find((one) => one.id === props.workspace))
const route = useRoute()
const router = useRouter()
// begun here, or come back to before its first word
if (route.query.new !== undefined) begun(props.post)
const { data: sheet, error, isPending } = useSheet(props.workspace, props.post)
/** Whether there is anything of it on the server. */
const made = ref(!isUnmade(props.post))
watch(
  () => sheet.value,
  () => {
    if (made.value || isUnmade(props.post)) return
    made.value = true
    void router.replace({ ...route, query: { ...route.query, new: undefined } } as never)
  },
)
const now = computed(() => me.value?.now ?? new Date().toISOString())
const path = { workspace: props.workspace, post: props.post }
provideChecks(path, sheet)
providePins()
const tasks = ref<InstanceType<typeof TasksLedger>>()
const here = provideHere(path, () => me.value?.id)
const columns = ref<Record<string, InstanceType<typeof AdaptationColumn>>>({})
const master = ref<InstanceType<typeof MasterColumn>>()
const copying = ref(false)
/** Room for the copy: the channels keep their heads only. */
const wide = ref(false)
useEventListener(window, 'keydown', (event) => {
  if (event.key !== 'F2' || event.defaultPrevented || !sheet.value?.adaptations.length) return
  event.preventDefault()
  wide.value = !wide.value
})
function lookAtChecks() {
  const list = document.querySelector<HTMLElement>('.ledger section[aria-label=Checks]')
  list?.scrollIntoView({ block: 'nearest' })
  list?.querySelector<HTMLElement>('li [tabindex], li button, summary')?.focus({ preventScroll: true })
}
const replacing = ref(false)

// The field of the first file without a description: the channel's own, or the master's that it follows.
function describe(channel: string) {
  const one = sheet.value?.adaptations.find((other) => other.channel.id === channel)
  if (!one) return
  const said = (one.parts.descriptions.value ?? {}) as Record<string, string>
  const missing = one.proof.pictures.find((picture) => !said[picture.media_id]?.trim())
  const own = one.parts.descriptions.own || one.parts.media.own
  if (own) columns.value[channel]?.show('media')
  void nextTick(() => {
    const field = document.getElementById(`description-${missing?.media_id}-${own ? channel : 'master'}`)
    field?.scrollIntoView({ block: 'nearest' })
    field?.focus()
  })
}

// The place where something is mended by hand.
async function show(place: string, channel: string) {
  if (place === 'mentions') master.value?.mentions()
  if (place === 'descriptions') return describe(channel)
  columns.value[channel]?.show(place)
  await nextTick()
  const column = document.querySelector(`[data-channel="${channel}"]`)
  column?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
  ;(column?.querySelector(`.wide input, .wide textarea, .wide [tabindex]`) as HTMLElement | null)?.focus()
}

// a notice about talk leads straight to it
function toTalk() {
  const talk = document.getElementById('talk')
  const ledger = talk?.closest('.ledger')
  if (ledger) ledger.scrollTop += talk!.getBoundingClientRect().top - ledger.getBoundingClientRect().top
}
watch(
  () => sheet.value !== undefined && route.query.at === 'talk',
  (led) => led && void nextTick(toTalk),
  { immediate: true },
)
watch(
  () => sheet.value?.subject,
  (subject) => subject !== undefined && entitle(titled(subject)),
  { immediate: true },
)

const saving = useSaving(props.post)
const asking = ref(false)
// At which step is asked: the one that the post waits at, or an advisory one beside it.
const asked = ref<Sheet['next_ask']>(null)
function askAt(offer: Sheet['next_ask']) {
  asked.value = offer
  asking.value = true
}
const opening = ref(false)
const saved = computed(
  () =>
    ({
      saved: sheet.value?.revision ? `revision ${sheet.value.revision}` : 'saved',
      typing: 'not saved yet',
      saving: 'saving',
      waiting: 'no connection, kept here',
      conflict: 'conflict: choose a version',
      refused: 'not saved',
    })[saving.value] ?? 'saved',
)

const blocked = computed(() => sheet.value?.stage === 'changes_wanted' && sealed.value)
const sealed = computed(
  () => sheet.value?.adaptations.some((one) => one.sealed && !one.opened && one.stage !== 'out') ?? false,
)
const opened = computed(() => sheet.value?.adaptations.filter((one) => one.opened) ?? [])
const cleared = computed(() => sheet.value?.adaptations.filter((one) => one.stage === 'cleared') ?? [])
const released = computed(
  () =>
    sheet.value?.adaptations.filter(
      (one) =>
        one.release &&
        ['released', 'held'].includes(one.stage) &&
        ['planned', 'by_hand'].includes(one.showing?.state ?? ''),
    ) ?? [],
)
const noStep = computed(
  () =>
    sheet.value &&
    sheet.value.strip.length === 0 &&
    sheet.value.stage === 'drafting' &&
    sheet.value.adaptations.length > 0,
)
const off = computed(() => unsettled(saving.value) ?? (sheet.value && askOff(sheet.value)))
const firstAt = computed(
  () =>
    sheet.value?.adaptations
      .map((one) => one.at)
      .filter((at): at is string => !!at)
      .sort()[0],
)

const release = useAct<undefined>(
  props.post,
  () => ok(api.POST('/api/w/{workspace}/posts/{post}/release', { params: { path }, body: {} })),
  () => offerUndo('Released; it goes out at its time.', () => takeBack.mutate(undefined)),
)
const takeBack = useAct<undefined>(props.post, () =>
  ok(api.POST('/api/w/{workspace}/posts/{post}/take-back', { params: { path }, body: {} })),
)
const close = useAct<string[]>(props.post, (ids) =>
  ok(api.POST('/api/w/{workspace}/posts/{post}/close', { params: { path }, body: { adaptation_ids: ids } })),
)
// An earlier revision is taken back part by part; the text stands for them.
const takeBackOff = computed(
  () =>
    sheet.value?.can['write:descriptions']?.why ??
    sheet.value?.master.parts.text.off ??
    sheet.value?.adaptations.map((one) => one.parts.text.off).find((why) => why) ??
    undefined,
)
const discard = useAct<undefined>(
  props.post,
  () => ok(api.POST('/api/w/{workspace}/posts/{post}/discard', { params: { path } })),
  () => {
    offerUndo(`Discarded: ${titled(sheet.value?.subject ?? '')}.`, () => void bringBack())
    if (route.name === 'post') void router.push({ name: 'posts', query: { client: props.workspace } })
    else emit('gone')
  },
)
async function bringBack() {
  try {
    await ok(api.POST('/api/w/{workspace}/posts/{post}/bring-back', { params: { path } }))
    await router.push({ name: 'post', params: path })
  } catch (problem) {
    void message.error(sentence(problem), 9)
  }
}
const ready = useAct<undefined>(props.post, () =>
  ok(api.POST('/api/w/{workspace}/posts/{post}/ready', { params: { path } })),
)
</script>

<template>
  <component :is="over ? 'div' : 'main'" v-if="sheet" class="sheet">
    <header :class="`stage-${sheet.stage}`">
      <span class="when">{{ firstAt ? planned(firstAt, sheet.zone) : 'no time yet' }}</span>
      <SubjectField :sheet="sheet" :fresh="!made" @copy="master?.focus()" />
      <SignoffStrip :strip="sheet.strip" :now="now" :size="18" />
      <b class="stage">{{ STAGES[sheet.stage] }}</b>
      <span class="quiet" role="status">{{ saved }}</span>
      <span v-if="here.others.value.length > 0" class="here" role="status"
        >{{ list(here.others.value.map((one) => one.name.split(' ')[0] ?? one.name)) }}
        {{ here.others.value.length === 1 ? 'is' : 'are' }} here too</span
      >
      <Button v-if="sheet.can.make_post?.ok" @click="copying = true">Copy …</Button>
      <Button
        v-if="opened.length > 0"
        :disabled="!sheet.can.close?.ok"
        :title="sheet.can.close?.why ?? 'Locks it again. Exactly as it was before, its yeses count again.'"
        @click="close.mutate(opened.map((one) => one.id))"
        >Lock again</Button
      >
      <ActButton v-if="sealed" :type="blocked ? 'primary' : 'default'" :may="sheet.can.open" @click="opening = true"
        >Unlock …</ActButton
      >
      <ActButton
        v-if="released.length > 0"
        :may="sheet.can.take_back"
        :loading="takeBack.isPending.value"
        @click="takeBack.mutate(undefined)"
        >Cancel the release</ActButton
      >
      <ActButton
        v-if="sheet.next_ask"
        :type="blocked ? 'default' : 'primary'"
        :off="off"
        shortcut="S"
        opens
        @click="askAt(sheet.next_ask)"
        >Ask {{ list(sheet.next_ask.people.map((name) => name.split(' ')[0] ?? name)) }}</ActButton
      >
      <ActButton v-if="noStep" type="primary" :may="sheet.can.mark_ready" @click="ready.mutate(undefined)"
        >Mark ready</ActButton
      >
      <ActButton
        v-if="cleared.length > 0"
        :type="sheet.next_ask ? 'default' : 'primary'"
        :may="sheet.can.release"
        :loading="release.isPending.value"
        shortcut="L"
        @click="release.mutate(undefined)"
        >Release
        {{ cleared.length === sheet.adaptations.length ? '' : list(cleared.map((one) => one.channel.name)) }}</ActButton
      >
    </header>
    <p v-for="hold in sheet.holds" :key="hold.id" class="held" role="status">
      <b>On hold{{ hold.channel_id ? ` on ${sheet.channels.find((one) => one.id === hold.channel_id)?.name}` : '' }}</b>
      by {{ hold.by }}: <bdi>{{ hold.reason }}</bdi>
    </p>
    <div class="work">
      <div
        class="columns"
        :class="{ wide, few: sheet.adaptations.length < 3, none: sheet.adaptations.length === 0 }"
        tabindex="0"
        role="region"
        aria-label="Master and channels, side by side"
      >
        <div class="first">
          <MasterColumn ref="master" :sheet="sheet" :wide="wide" @replace="replacing = true" @widen="wide = !wide" />
          <p v-if="sheet.adaptations.length === 0" class="beside">
            {{
              sheet.can.choose_channels?.ok
                ? 'Choose a channel, and its proof stands here beside the master.'
                : 'Once a channel is chosen, its proof stands here beside the master.'
            }}
          </p>
        </div>
        <AdaptationColumn
          v-for="one in sheet.adaptations"
          :key="one.id"
          :ref="(column) => (columns[one.channel.id] = column as InstanceType<typeof AdaptationColumn>)"
          :data-channel="one.channel.id"
          :sheet="sheet"
          :one="one"
          :now="now"
          :narrow="wide"
          @replace="replacing = true"
          @findings="lookAtChecks"
        />
      </div>
      <aside class="ledger" aria-label="Ledger">
        <AnswerPanel v-if="sheet.my_ask" :key="sheet.my_ask.line_id" :sheet="sheet" />
        <SignoffLedger :sheet="sheet" :now="now" @ask="askAt" />
        <ChecksLedger :sheet="sheet" @show="show" />
        <TasksLedger ref="tasks" :sheet="sheet" :now="now" />
        <span id="talk" />
        <TalkLedger
          v-for="room in ['client', 'house'] as const"
          :key="room"
          :sheet="sheet"
          :room="room"
          :now="now"
          :client="client?.name ?? 'the client'"
          @task="tasks?.begin($event)"
        />
        <BesideLedger :sheet="sheet" />
        <BrandLedger :workspace="workspace" />
        <RevisionsLedger :workspace="workspace" :post="post" :newest="sheet.revision ?? null" :off="takeBackOff" />
        <RecordLedger v-if="made" :workspace="workspace" :post="post" />
        <p v-if="made">
          <ActButton link :may="sheet.can.discard" @click="discard.mutate(undefined)">Discard this draft</ActButton>
        </p>
      </aside>
    </div>
    <AskDialog v-if="asking" :sheet="sheet" open :offer="asked" @close="asking = false" />
    <KeysHelp
      :keys="[
        ['S', 'send the next ask'],
        ['L', 'release'],
        ['Y', 'answer yes'],
        ['W', 'want a change'],
        ['F2', 'more room for the copy, and back'],
        ['F', 'on a part of a channel’s own: follow the master again'],
        ['Ctrl Enter', 'save or send the field'],
        ['/', 'find, or do'],
        ['C', 'choose a client by typing'],
      ]"
    />
    <OpenDialog v-if="opening" :sheet="sheet" open @close="opening = false" />
    <CopyDialog v-if="copying" :sheet="sheet" @close="copying = false" />
    <FindReplace v-if="replacing" :sheet="sheet" @close="replacing = false" />
  </component>
  <component :is="over ? 'div' : 'main'" v-else class="wait">
    <p v-if="error" role="alert">{{ unread(error) }} <router-link to="/desk">Go to the Desk</router-link></p>
    <ComingShape v-else-if="isPending" label="Fetching the post" :lines="12" />
  </component>
</template>

<style scoped>
.sheet {
  display: flex;
  flex-direction: column;
  height: var(--sheet-height, calc(100vh - 48px));
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  padding: 10px 20px;
  background: var(--sheet);
  border-bottom: 1px solid var(--rule);
}
.when {
  color: var(--ink-2);
  white-space: nowrap;
}
.stage {
  color: var(--stage);
}
.here {
  padding: 0 8px;
  border: 1px solid var(--ink-2);
  border-radius: 3px;
}
kbd {
  font: 600 12px/1 var(--sans);
  border: 1px solid currentcolor;
  border-radius: 3px;
  padding: 0 4px;
  margin-left: 4px;
}
.held {
  padding: 6px 20px;
  background: repeating-linear-gradient(135deg, var(--well) 0 8px, var(--ground) 8px 16px);
  border-bottom: 1px solid var(--rule);
}
.work {
  display: flex;
  flex: 1;
  min-height: 0;
}
/* the master, then a column for each channel; each is as high as the highest. Whoever writes has room. */
.columns {
  display: grid;
  grid-template-columns: 340px;
  grid-auto-columns: minmax(262px, 362px);
  grid-auto-flow: column;
  justify-content: start;
  flex: 1;
  min-width: 0;
  overflow: auto;
  position: relative;
}
.columns.few {
  grid-template-columns: minmax(400px, 1fr);
  grid-auto-columns: minmax(262px, 296px);
  justify-content: stretch;
}
.columns.wide {
  grid-template-columns: minmax(0, 1fr);
  grid-auto-columns: 150px;
  justify-content: stretch;
}
.columns.none {
  grid-template-columns: minmax(0, 1fr);
}
.columns > * {
  min-width: 0;
}
.first {
  position: sticky;
  left: 0;
  z-index: 2;
  background: var(--sheet);
  border-right: 1px solid var(--rule);
}
.beside {
  padding: 0 20px 20px;
  color: var(--ink-2);
}
.ledger {
  flex: 0 0 292px;
  overflow: auto;
  padding: 12px 16px 40px;
  background: var(--sheet);
  border-left: 3px solid var(--ink);
}
.ledger :deep(section) {
  margin-bottom: 16px;
}
.ledger :deep(h3) {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  font-size: 13px;
  font-weight: 600;
  padding-bottom: 4px;
  border-bottom: 1px solid var(--rule);
  margin-bottom: 5px;
}
.ledger :deep(h3) {
  gap: 12px;
  white-space: nowrap;
}
.ledger :deep(h3 span) {
  overflow: hidden;
  text-overflow: ellipsis;
  font-weight: 450;
}
.wait {
  padding: 30px 20px;
}
@media (max-width: 760px) {
  .sheet {
    height: auto;
  }
  .work {
    flex-direction: column;
  }
  .columns:is(.few, .wide, .none),
  .columns {
    grid-template-columns: 100%;
    grid-auto-flow: row;
  }
  .ledger {
    flex-basis: auto;
  }
  .first {
    position: static;
  }
}
</style>
