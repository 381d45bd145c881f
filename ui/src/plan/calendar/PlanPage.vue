<script setup lang="ts">
// The plan of one client or of all of mine, by month, week or channel. What stands in it is taken to another time by
// pointer, by touch or by keys.
import { useMediaQuery } from '@vueuse/core'
import { computed, nextTick, reactive, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useChosen } from '@/agency/me'
import { unread } from '@/api/client'
import { calendarDay, monthYear } from '@/api/time'
import { counted } from '@/api/words'
import ComingShape from '@/parts/ComingShape.vue'
import KeysHelp from '@/parts/KeysHelp.vue'
import { keysOn, useKeys } from '@/parts/keys'
import { later } from '@/parts/later'
import { entitle } from '@/parts/title'
import ChannelGrid from './ChannelGrid.vue'
import FilterRow from './FilterRow.vue'
import MonthGrid from './MonthGrid.vue'
import MonthNote from './MonthNote.vue'
import PlanHead from './PlanHead.vue'
import PlanTray from './PlanTray.vue'
import SeveralBar from '@/plan/bulk/SeveralBar.vue'
import ViewsRow from './ViewsRow.vue'
import WeekGrid from './WeekGrid.vue'
import { startDrag } from '@/plan/moving/drag'
import { inWords, offers, useChoices, type Kind } from './filter'
import { useLooking } from './looking'
import { useMoving, type Held } from '@/plan/moving/moving'
import { useOpening } from './opening'
import { usePencil, type Mark } from '@/plan/marks/pencil'
import type { KeyDate } from '@/plan/dates/key-dates'
import { byChannel, daysOn, monthsOn, usePeriod, type Line, type Period, type PlanDay, type Split } from './period'
import { postsOf, usePicking, weekStart } from '@/plan/bulk/picking'
import type { Chosen } from '@/plan/bulk/several'
import { idOf, placeOf, type View } from './place'
import { providePlan } from './plan'
import { useSelecting } from '@/plan/bulk/selecting'
import { useShowing } from './showing'
import { addressOf } from './views'
import { cellAt, useWalking } from './walking'
import { useYear } from './year'
import { useList, type Row } from './list'

const MarkDialog = later(() => import('@/plan/marks/MarkDialog.vue'))
const CopyMarksDialog = later(() => import('@/plan/marks/CopyMarksDialog.vue'))
const PasteDialog = later(() => import('@/plan/bulk/PasteDialog.vue'))
const ExportDialog = later(() => import('./ExportDialog.vue'))
const FixturesDialog = later(() => import('@/plan/fixtures/FixturesDialog.vue'))
const FixtureMarkDialog = later(() => import('@/plan/fixtures/FixtureMarkDialog.vue'))
const CarryOverDialog = later(() => import('@/plan/marks/CarryOverDialog.vue'))
const KeyDateDialog = later(() => import('@/plan/dates/KeyDateDialog.vue'))
const PlanProof = later(() => import('./PlanProof.vue'))
const PlanList = later(() => import('./PlanList.vue'))
const TimeDialog = later(() => import('@/plan/moving/TimeDialog.vue'))
const AskSeveralDialog = later(() => import('@/signoff/asks/AskSeveralDialog.vue'))
const BalanceDialog = later(() => import('@/campaigns/BalanceDialog.vue'))
const PlanWall = later(() => import('./PlanWall.vue'))
const SheetLayer = later(() => import('@/posts/SheetLayer.vue'))
const YearGrid = later(() => import('./YearGrid.vue'))
const router = useRouter()
const { id, workspace, workspaces, me } = useChosen()
const { set, clear, turn, now, today, view, day, span, each, hidden, narrowing, wall } = useShowing(
  workspace,
  computed(() => me.value?.now),
)
const { data: choices } = useChoices(id)
const offered = computed(() => offers(choices.value, !!id.value))
const { data: period, error: failed } = usePeriod(
  computed(() => ({
    workspace: id.value,
    span: span.value,
    day: day.value,
    narrowing: narrowing.value,
    hidden: hidden.value,
  })),
  computed(() => view.value !== 'year'),
)
const yearly = useYear(
  computed(() => ({
    workspace: id.value,
    year: day.value.slice(0, 4),
    narrowing: narrowing.value,
    hidden: hidden.value,
  })),
  computed(() => view.value === 'year'),
)
const year = yearly.data
const months = computed(() => {
  const first = span.value === 'quarter' ? Math.floor((Number(day.value.slice(5, 7)) - 1) / 3) * 3 : 0
  const from = `${day.value.slice(0, 4)}-01-01`
  return Array.from({ length: span.value === 'quarter' ? 3 : 12 }, (_, at) => monthsOn(from, first + at).slice(0, 7))
})
const off = computed(() => choices.value?.channels.filter((one) => one.off).length ?? 0)
const narrow = useMediaQuery('(max-width: 700px)')
const filtering = ref(Object.keys(narrowing.value).length > 0)
const narrowed = computed(() => inWords(narrowing.value, offered.value))

const splits = computed(() => each.value && (view.value === 'month' || view.value === 'week'))
const data = computed(() => {
  if (view.value === 'year' || !period.value) return undefined
  return splits.value ? { ...period.value, lines: byChannel(period.value.lines) } : period.value
})
const error = computed(() => (view.value === 'year' ? yearly.error.value : failed.value))
const heading = computed(() => {
  if (view.value === 'wall') return 'Wall'
  if (span.value === 'month') return monthYear(day.value.slice(0, 7))
  if (span.value === 'year') return day.value.slice(0, 4)
  if (span.value === 'quarter')
    return `${day.value.slice(0, 4)}, quarter ${Math.ceil(Number(day.value.slice(5, 7)) / 3)}`
  if (span.value !== 'week') return `${span.value} days`
  const number = data.value?.weeks[0]?.number
  return number === undefined ? 'Week' : `Week ${number}`
})
const inside = computed<[string, string]>(() => {
  const all = days.value.filter((one) => one.inside)
  return [all[0]?.date ?? day.value, all[all.length - 1]?.date ?? day.value]
})
const days = computed(() => data.value?.weeks.flatMap((week) => week.days) ?? [])
const dates = computed(() => {
  const [first, last] = [days.value[0], days.value[days.value.length - 1]]
  return ['week', '30', '60', '90'].includes(span.value) && first && last
    ? `${calendarDay(first.date)} to ${calendarDay(last.date)}`
    : ''
})
watch(heading, (shown) => entitle(`Plan, ${shown}`), { immediate: true })

const listed = useList(
  computed(() => ({
    workspace: id.value,
    days: inside.value,
    narrowing: narrowing.value,
    hidden: hidden.value,
  })),
  computed(() => view.value === 'list' && days.value.length > 0),
)
const facts = computed(() => Object.fromEntries(workspaces.value.map((one) => [one.id, one])))
const clientOf = (one: string) => (workspace.value ? undefined : facts.value[one])
const offOn = (one: PlanDay) =>
  one.off
    .map((holiday) =>
      workspace.value || holiday.workspace_ids.length === workspaces.value.length
        ? holiday.name
        : `${holiday.name} (${holiday.workspace_ids.map((client) => facts.value[client]?.name).join(', ')})`,
    )
    .join(', ')
// columns of the channels: over all clients those on which something goes out
const channels = computed(() => {
  const used = new Set(data.value?.lines.flatMap((line) => line.channels.map((one) => one.id)))
  const chosen = narrowing.value.channels?.split(',')
  const order = workspaces.value.map((one) => one.id)
  const all = [...(choices.value?.channels ?? [])].sort(
    (one, other) => order.indexOf(one.workspace_id) - order.indexOf(other.workspace_id),
  )
  return all.filter((one) =>
    chosen ? chosen.includes(one.id) : used.has(one.id) || (!!id.value && !(one.off && hidden.value)),
  )
})

const columns = computed(() => channels.value.map((one) => one.id))
const { moving, pick, over, drop, leave } = useMoving(
  () => id.value,
  (column) => channels.value.find((one) => one.id === column),
)
const ofLine = (line: Split, place: string): Held => ({
  workspace_id: line.workspace_id,
  post_id: line.post_id,
  subject: line.subject,
  channels: line.together ?? line.channels.map((one) => one.id),
  time: line.time,
  at: line.wall,
  place,
  zone: data.value!.zone,
})
const ofTray = (post: Period['tray']['posts'][number]): Held => ({
  workspace_id: post.workspace_id,
  post_id: post.id,
  subject: post.subject,
  channels: [],
  time: null,
  at: null,
  place: null,
  zone: facts.value[post.workspace_id]?.zone ?? data.value!.zone,
})
function retime(row: Row) {
  const held = { ...row, subject: row.subject, channels: row.channels.map((one) => one.id) }
  const place = row.wall
  pick({ ...held, at: row.wall, place }, place)
}
/** The columns that what is held can go to: its own, and channels of its client that its line is not on. */
const reach = computed(() => {
  const held = moving.value?.held
  const { channel: column } = placeOf(held?.place ?? '')
  if (!held || column === undefined) return columns.value
  if (held.also || column === '') return [column]
  const may = (one: { id: string; workspace_id: string }) =>
    one.id === column || (one.workspace_id === held.workspace_id && !held.channels.includes(one.id))
  return channels.value.filter(may).map((one) => one.id)
})
function overOwn(place: string) {
  const { channel: column } = placeOf(moving.value?.held.place ?? '')
  if (view.value !== 'channels' || column === undefined) return over(place)
  const { day: onto, channel } = placeOf(place)
  over(reach.value.includes(channel ?? '') ? place : idOf({ day: onto, channel: column }))
}
/** With one of those that are chosen all of them are held. */
function pickUp(held: Held) {
  const also = picked.value.size > 1 && picked.value.has(held.post_id) ? new Map(picked.value) : undefined
  pick({ ...held, also }, held.place ?? standing.value)
}
async function putDown() {
  const several = !!moving.value?.held.also
  if ((await drop()) && several) pickNone()
}
const grab = (event: PointerEvent, held: Held) =>
  startDrag(event, { pick: () => pickUp(held), over: overOwn, drop: () => void putDown(), leave })
function take(held: Held) {
  if (keysOn()) pickUp(held)
}

const walking = computed<View>(() => (narrow.value ? 'month' : view.value))
const { focused, standing, here, go } = useWalking({
  view: walking,
  days,
  channels: columns,
  now,
  day,
  show: (next) => set({ day: next }),
  held: () => moving.value?.place,
  reach,
  over: overOwn,
})
async function enter(event: KeyboardEvent) {
  if (!moving.value) return
  event.preventDefault()
  const { held, place } = moving.value
  await putDown()
  await nextTick()
  const line = [...(cellAt(place)?.querySelectorAll<HTMLElement>('a') ?? [])].find((one) =>
    one.getAttribute('href')?.includes(held.post_id),
  )
  line?.focus()
}
// pencil marks belong to one client
const pencil = usePencil(id, data, choices)
const mayPencil = computed(() => !!workspace.value?.can.pencil?.ok)
const sheet = useSelecting({
  days: computed(() => days.value.map((one) => one.date)),
  channels: columns,
  focused,
  may: computed(() => mayPencil.value && walking.value === 'channels'),
  at: pencil.at,
  apply: pencil.apply,
  undo: pencil.undo,
})
const marksIn = computed(() => {
  const by = new Map<string, Mark[]>()
  for (const mark of data.value?.marks ?? []) {
    const cell = cellOf(mark)
    by.set(cell, [...(by.get(cell) ?? []), mark])
  }
  return by
})
function cellOf(mark: Mark) {
  if (walking.value === 'channels') return idOf({ day: mark.day, channel: mark.channel_id })
  if (walking.value === 'week' && mark.clock) return idOf({ day: mark.day, hour: Number(mark.clock.slice(0, 2)) })
  return mark.day
}
const opened = ref<{ day: string; mark?: Mark }>()
function pencilHere() {
  if (!mayPencil.value || moving.value) return
  if (walking.value === 'channels') sheet.begin(here.value)
  else opened.value = { day: placeOf(here.value).day }
}
function written(word: string, way: 'down' | 'right' | undefined) {
  const place = sheet.typing.value
  sheet.commit(word)
  focused.value = place
  if (way) void go(way === 'right' ? 1 : 0, way === 'down' ? 1 : 0)
}
function unwritten() {
  const place = sheet.typing.value
  sheet.typing.value = ''
  void nextTick(() => cellAt(place)?.focus())
}
const { picked, pick: pickOne, pickAll, clear: pickNone } = usePicking(id)
const copying = ref(false)
const comesBack = ref<Mark>()
const fixing = ref<{ workspace: string; fixture?: string }>()
const carrying = ref(false)
const balancing = ref(false)
// asking for all of a day or of its week at once: where the focus is or last was, on a cell or on a line in it
const asking = ref<Chosen>()
const touched = ref('')
function touch(event: FocusEvent) {
  const cell = (event.target as HTMLElement).closest<HTMLElement>('[data-place]')
  if (cell) touched.value = placeOf(cell.dataset.place ?? '').day
}
const askDay = computed(() =>
  days.value.some((one) => one.date === touched.value) ? touched.value : placeOf(here.value).day,
)
const askWeek = computed(() => weekStart(askDay.value, workspace.value?.week_start ?? 1))
const ofDay = computed(() => postsOf(data.value?.lines ?? [], askDay.value, askDay.value))
const ofWeek = computed(() => postsOf(data.value?.lines ?? [], askWeek.value, daysOn(askWeek.value, 6)))
const ask = (posts: Chosen) => posts.size > 0 && (asking.value = posts)
const dating = ref<{ day: string; date?: KeyDate }>()
const mayDate = computed(() => workspace.value?.can.plan_dates)
function dateHere() {
  if (!workspace.value || moving.value) return
  dating.value = { day: view.value === 'year' ? day.value : placeOf(here.value).day }
}
// what is done less often, under one button
const more = computed(() => [
  ...(ofDay.value.size > 0
    ? [
        {
          key: 'ask-day',
          words: `Ask for ${calendarDay(askDay.value, { weekday: true })}: ${counted(ofDay.value.size, 'post', 'posts')} … (Q)`,
        },
      ]
    : []),
  ...(ofWeek.value.size > ofDay.value.size
    ? [
        {
          key: 'ask-week',
          words: `Ask for the week of ${calendarDay(askWeek.value)}: ${ofWeek.value.size} posts … (W)`,
        },
      ]
    : []),
  ...(workspace.value ? [{ key: 'date', words: 'Key date or other work …', off: why(mayDate.value) }] : []),
  ...(span.value === 'week' && mayPencil.value && data.value && data.value.marks.length > 0
    ? [{ key: 'copy', words: `Copy ${counted(data.value.marks.length, 'mark', 'marks')} onto other weeks …` }]
    : []),
  ...(workspace.value ? [{ key: 'fixtures', words: 'Fixtures …' }] : []),
  ...(workspace.value && view.value === 'year'
    ? [{ key: 'carry', words: `Carry ${day.value.slice(0, 4)} over to the next year …`, off: why(mayDate.value) }]
    : []),
  { key: 'campaigns', words: 'Campaigns' },
  ...(workspace.value ? [{ key: 'labels', words: 'Labels and mix' }] : []),
  ...(workspace.value ? [{ key: 'client-plan', words: 'As the client sees it, and plan links' }] : []),
  ...(workspace.value && days.value.length > 0 ? [{ key: 'balance', words: 'Balance of these days …' }] : []),
  ...(view.value === 'month' || view.value === 'week'
    ? [{ key: 'each', words: each.value ? 'A post as one line' : 'A line for each channel' }]
    : []),
  { key: 'networks', words: 'What networks take' },
  ...(data.value ? [{ key: 'export', words: 'Export …' }] : []),
])
const why = (may: { ok: boolean; why?: string } | undefined) => (may?.ok ? undefined : (may?.why ?? 'Not here.'))
function choose(key: string) {
  if (key === 'ask-day') ask(ofDay.value)
  if (key === 'ask-week') ask(ofWeek.value)
  if (key === 'date') dateHere()
  if (key === 'each') set({ each: each.value ? '' : 'yes' })
  if (key === 'copy') copying.value = true
  if (key === 'export') exporting.value = true
  if (key === 'balance') balancing.value = true
  if (key === 'fixtures' && id.value) fixing.value = { workspace: id.value }
  if (key === 'carry') carrying.value = true
  if (key === 'campaigns') void router.push({ name: 'campaigns', query: id.value ? { client: id.value } : {} })
  if (key === 'networks') void router.push({ name: key })
  if (key === 'client-plan') void router.push({ name: key, params: { workspace: id.value } })
  if (key === 'labels') void router.push({ name: 'labels', params: { workspace: id.value } })
}
const note = computed(() => {
  const month = day.value.slice(0, 7)
  const found = data.value?.notes.find((one) => one.month === month)
  return workspace.value && view.value !== 'wall' && span.value === 'month' && data.value?.period === month
    ? { month, note: found?.note ?? '', version: found?.version ?? 0 }
    : undefined
})
const exporting = ref(false)
async function print() {
  exporting.value = false
  await nextTick()
  window.print()
}
const names = computed(() => Object.fromEntries(workspaces.value.map((one) => [one.id, one.name])))

// on a phone a post has the page to itself
const { open: openPost, clicked, close: closePost } = useOpening()
const { looked, look, away } = useLooking()
providePlan(
  reactive({
    look,
    away,
    moving,
    standing,
    clientOf,
    focus: (place: string) => (focused.value = place),
    grab: (event: PointerEvent, line: Line, place: string) => grab(event, ofLine(line, place)),
    take: (line: Line, place: string) => take(ofLine(line, place)),
    picked: (post: string) => picked.value.has(post),
    pick: pickOne,
    marksIn: (place: string) => marksIn.value.get(place) ?? [],
    dates: computed(() => data.value?.dates ?? []),
    openDate: (date: KeyDate) => (dating.value = { day: date.first, date }),
    openMark: (mark: Mark) => (mark.fixture_id ? (comesBack.value = mark) : (opened.value = { day: mark.day, mark })),
    typing: sheet.typing,
    chosen: (place: string) => sheet.several.value && sheet.chosen.value.has(place),
    write: (place: string) => sheet.begin(place),
    written,
    leave: unwritten,
  }),
)
useKeys({
  ArrowRight: () => void go(1, 0),
  ArrowLeft: () => void go(-1, 0),
  ArrowDown: () => void go(0, 1),
  ArrowUp: () => void go(0, -1),
  PageDown: () => turn(1),
  PageUp: () => turn(-1),
  T: () => set({ day: today.value }),
  P: pencilHere,
  D: () => mayDate.value?.ok && dateHere(),
  A: () => pickAll(data.value?.lines ?? [], sheet.several.value ? sheet.chosen.value : undefined),
  F: () => (filtering.value = !filtering.value),
  Q: () => ask(ofDay.value),
  W: () => ask(ofWeek.value),
})
</script>

<template>
  <main
    class="plan"
    @focusin="touch"
    @keydown.enter="enter"
    @keydown.esc="leave"
    @click.capture="!narrow && clicked($event)"
  >
    <PlanHead
      :heading="heading"
      :dates="dates"
      :client="workspace"
      :zone="data?.zone"
      :view="view"
      :span="span"
      :narrowed="narrowed"
      :filtering="filtering"
      :cut="data?.cut || listed.data.value?.cut"
      :more="more"
      :marks="data?.marks.length ?? 0"
      @turn="turn"
      @today="set({ day: today })"
      @view="(next) => set({ view: next === 'month' ? '' : next, span: '', day })"
      @span="(next) => set({ span: next, day: next === '30' || next === '60' || next === '90' ? today : day })"
      @filter="filtering = !filtering"
      @pencil="pencilHere"
      @choose="choose"
    />
    <MonthNote v-if="note" :key="`${id} ${note.month}`" v-bind="note" :workspace="workspace!.id" :may="mayDate" />
    <ViewsRow
      v-if="filtering"
      :workspace="id"
      :look="view"
      :narrowing="narrowing"
      :may-share="workspace?.can.share_view"
      @choose="(saved) => set({ ...addressOf(saved), day })"
    />
    <FilterRow
      v-if="filtering"
      :narrowing="narrowing"
      :offered="offered"
      @set="(kind: Kind, value: string) => set({ [kind]: value })"
      @clear="clear"
    />
    <p v-if="off > 0" class="quiet">
      {{ counted(off, 'channel is', 'channels are') }} switched off in your views.
      <button type="button" class="link-button" @click="set({ all: hidden ? 'yes' : '' })">
        {{ hidden ? 'Show everything' : 'Hide again' }}
      </button>
    </p>
    <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
    <ComingShape v-if="!(view === 'year' ? year : data) && !error" label="Fetching the plan" :lines="14" />
    <YearGrid
      v-if="view === 'year' && year"
      :year="year"
      :months="months"
      :label="heading"
      :week-start="workspace?.week_start ?? 1"
      :day="day"
      :client-of="clientOf"
      @campaign="
        (of: string, campaign: string) => router.push({ name: 'campaign', params: { workspace: of, campaign } })
      "
      @stand="(next: string) => set({ day: next })"
      @open="(next: string) => set({ view: '', span: '', day: next })"
    />
    <template v-if="data">
      <WeekGrid
        v-if="view === 'week' && !narrow && data.weeks.length === 1"
        :period="data"
        :label="`${heading}, ${dates}`"
        :now="now"
        :off-on="offOn"
      />
      <ChannelGrid
        v-else-if="view === 'channels' && !narrow"
        :period="data"
        :label="heading"
        :channels="channels"
        :off-on="offOn"
        @keydown="sheet.keydown"
        @pointerdown="sheet.pointerdown"
        @copy="sheet.copy"
        @paste="sheet.paste"
      />
      <PlanWall
        v-else-if="view === 'wall' && id"
        :workspace="id"
        :channels="channels"
        :channel="wall"
        @update:channel="(next: string) => set({ wall: next })"
      />
      <p v-else-if="view === 'wall'" class="quiet">A wall is that of a channel: choose a client first.</p>
      <PlanList
        v-else-if="view === 'list'"
        :rows="listed.data.value?.rows ?? []"
        :clients="facts"
        :choices="choices"
        :of-one="!!id"
        @time="retime"
      />
      <MonthGrid v-else :period="data" :label="heading" :off-on="offOn" />
      <p v-if="narrowed && data.lines.length === 0" class="quiet">Nothing in these days is {{ narrowed }}.</p>
      <PlanTray
        :tray="data.tray"
        @grab="(event, post) => grab(event, ofTray(post))"
        @take="(post) => take(ofTray(post))"
      />
    </template>
    <SeveralBar
      v-if="picked.size > 0"
      :chosen="picked"
      :labels="choices?.labels ?? []"
      :campaigns="choices?.campaigns ?? []"
      :people="choices?.people ?? []"
      :today="today"
      @clear="pickNone"
    />
    <AskSeveralDialog v-if="asking" :posts="asking" @close="asking = undefined" />
    <MarkDialog
      v-if="opened && (opened.mark || workspace)"
      :key="`${opened.day} ${opened.mark?.channel_id}`"
      :workspace="opened.mark?.workspace_id ?? workspace!.id"
      :mark="opened.mark"
      :day="opened.day"
      :channels="(choices?.channels ?? []).filter((one) => one.workspace_id === workspace?.id)"
      :labels="(choices?.labels ?? []).filter((one) => one.workspace_id === (opened!.mark?.workspace_id ?? id))"
      :may-write="facts[opened.mark?.workspace_id ?? workspace!.id]?.can.make_post"
      @apply="(change) => pencil.apply(change, opened?.mark?.workspace_id)"
      @close="opened = undefined"
    />
    <PlanProof v-if="looked && !moving && !openPost" :looked="looked" />
    <SheetLayer v-if="openPost" :key="openPost.post" v-bind="openPost" @close="closePost" />
    <FixtureMarkDialog
      v-if="comesBack"
      :key="`${comesBack.day} ${comesBack.fixture_id}`"
      :mark="comesBack"
      :may-write="facts[comesBack.workspace_id]?.can.make_post"
      :may="facts[comesBack.workspace_id]?.can.pencil"
      @change="
        ((fixing = { workspace: comesBack!.workspace_id, fixture: comesBack!.fixture_id }), (comesBack = undefined))
      "
      @close="comesBack = undefined"
    />
    <FixturesDialog
      v-if="fixing"
      v-bind="fixing"
      :day="today"
      :choices="choices"
      :may="facts[fixing.workspace]?.can.pencil"
      @close="fixing = undefined"
    />
    <CarryOverDialog v-if="carrying && id" :workspace="id" :year="Number(day.slice(0, 4))" @close="carrying = false" />
    <BalanceDialog
      v-if="balancing && id"
      :workspace="id"
      :days="inside"
      :may="workspace?.can.order_labels"
      @close="balancing = false"
    />
    <TimeDialog v-if="view === 'list' && moving" :moving="moving" @over="over" @drop="drop()" @leave="leave" />
    <KeyDateDialog
      v-if="dating && (dating.date || workspace)"
      :key="dating.date?.id ?? dating.day"
      :workspace="dating.date?.workspace_id ?? workspace!.id"
      :day="dating.day"
      :date="dating.date"
      :may="facts[dating.date?.workspace_id ?? workspace!.id]?.can.plan_dates"
      :of="dating.date && clientOf(dating.date.workspace_id)?.name"
      @close="dating = undefined"
    />
    <ExportDialog
      v-if="exporting && days.length > 0"
      :workspace="id"
      :shows="`${workspace?.name ?? 'All your clients'}, ${narrowed ? `narrowed to “${narrowed}”` : 'everything planned'}`"
      :narrowing="narrowing"
      :names="names"
      :now="me?.now ?? now"
      :days="[days[0]!.date, days[days.length - 1]!.date]"
      :month="day.slice(0, 7)"
      :look="view === 'list' || (span !== 'month' && span !== 'week') ? 'list' : span"
      :hidden="hidden"
      @close="exporting = false"
      @print="print"
    />
    <CopyMarksDialog
      v-if="copying && days.length > 0"
      :marks="pencil.all.value"
      :from="days[0]!.date"
      :at="pencil.at"
      @apply="(change) => pencil.apply(change)"
      @close="copying = false"
    />
    <PasteDialog
      v-if="sheet.pasting.value"
      v-bind="sheet.pasting.value"
      :channels="channels"
      :at="pencil.at"
      :may-write="workspace?.can.make_post"
      @apply="(change) => pencil.apply(change)"
      @drafts="pencil.write"
      @close="sheet.pasting.value = undefined"
    />
    <KeysHelp
      :keys="[
        ['← ↑ → ↓', 'next and previous day, hour, channel'],
        ['Tab', 'the posts of a day'],
        ['M', 'move the post that has the focus: arrows, then Enter'],
        ['Page up, Page down', 'next and previous month, week, year'],
        ['T', 'today'],
        ['F', 'narrow what is shown'],
        ['X, A', 'choose the post that has the focus, choose all: then do one thing with them'],
        ['Q, W', 'ask for the day that has the focus, for its week'],
        ['P', 'pencil: something should go out here'],
        ['D', 'a key date, or other work of these days'],
        ...(view === 'channels'
          ? ([
              ['Enter', 'write into the cell; Enter again goes down, Tab to the right'],
              ['Shift ← ↑ → ↓', 'choose cells'],
              ['Ctrl D, Ctrl R', 'fill down, fill right'],
              ['Ctrl C, Ctrl V', 'copy and paste, also from a sheet'],
              ['Delete, Ctrl Z', 'erase marks, undo'],
            ] as [string, string][])
          : []),
        ['N', 'new post'],
      ]"
    />
  </main>
</template>

<style scoped>
.plan {
  padding: 12px 20px 32px;
}
@media print {
  .plan {
    padding: 0;
  }
  .tray {
    display: none;
  }
}
@media (max-width: 700px) {
  .plan {
    padding: 12px 12px 32px;
  }
}
</style>
