<script setup lang="ts">
// The plan of one client or of all of mine, by month, week or channel. What stands in it is taken to another time by
// pointer, by touch or by keys.
import { Button, RadioButton, RadioGroup } from 'ant-design-vue'
import { useMediaQuery } from '@vueuse/core'
import { computed, nextTick, reactive, ref, watch } from 'vue'
import { useChosen } from '@/agency/me'
import { unread } from '@/api/client'
import { calendarDay, monthYear, place as zonePlace, readerZone } from '@/api/time'
import { counted } from '@/api/words'
import ActButton from '@/parts/ActButton.vue'
import ComingShape from '@/parts/ComingShape.vue'
import KeysHelp from '@/parts/KeysHelp.vue'
import { keysOn, useKeys } from '@/parts/keys'
import { later } from '@/parts/later'
import { entitle } from '@/parts/title'
import NewPost from '@/posts/NewPost.vue'
import ChannelGrid from './ChannelGrid.vue'
import FilterRow from './FilterRow.vue'
import MonthGrid from './MonthGrid.vue'
import PlanTray from './PlanTray.vue'
import SeveralBar from './SeveralBar.vue'
import ViewsRow from './ViewsRow.vue'
import WeekGrid from './WeekGrid.vue'
import { startDrag } from './drag'
import { inWords, offers, useChoices, type Kind } from './filter'
import { useMoving, type Held } from './moving'
import { usePencil, type Mark } from './pencil'
import { usePeriod, type Line, type Period, type PlanDay } from './period'
import { usePicking } from './picking'
import { idOf, placeOf, type View } from './place'
import { providePlan } from './plan'
import { useSelecting } from './selecting'
import { VIEWS, useShowing } from './showing'
import { addressOf } from './views'
import { cellAt, useWalking } from './walking'

const MarkDialog = later(() => import('./MarkDialog.vue'))
const CopyMarksDialog = later(() => import('./CopyMarksDialog.vue'))
const PasteDialog = later(() => import('./PasteDialog.vue'))
const ExportDialog = later(() => import('./ExportDialog.vue'))
const { id, workspace, workspaces, me } = useChosen()
const { set, clear, turn, now, today, view, day, span, hidden, narrowing } = useShowing(
  workspace,
  computed(() => me.value?.now),
)
const { data: choices } = useChoices(id)
const offered = computed(() => offers(choices.value, !!id.value))
const { data, error } = usePeriod(
  computed(() => ({
    workspace: id.value,
    span: span.value,
    day: day.value,
    narrowing: narrowing.value,
    hidden: hidden.value,
  })),
)
const off = computed(() => choices.value?.channels.filter((one) => one.off).length ?? 0)
const narrow = useMediaQuery('(max-width: 700px)')
const filtering = ref(Object.keys(narrowing.value).length > 0)
const narrowed = computed(() => inWords(narrowing.value, offered.value))

const heading = computed(() => {
  if (span.value === 'month') return monthYear(day.value.slice(0, 7))
  const number = data.value?.weeks[0]?.number
  return number === undefined ? 'Week' : `Week ${number}`
})
const days = computed(() => data.value?.weeks.flatMap((week) => week.days) ?? [])
const dates = computed(() => {
  const [first, last] = [days.value[0], days.value[days.value.length - 1]]
  return span.value === 'week' && first && last ? `${calendarDay(first.date)} to ${calendarDay(last.date)}` : ''
})
watch(heading, (shown) => entitle(`Plan, ${shown}`), { immediate: true })

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

const { moving, pick, over, drop, leave } = useMoving(() => id.value)
const ofLine = (line: Line, place: string): Held => ({
  workspace_id: line.workspace_id,
  post_id: line.post_id,
  subject: line.subject,
  channels: line.channels.map((one) => one.id),
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
/** A line keeps to the columns of its own channels. */
function overOwn(place: string) {
  const { channel: column } = placeOf(moving.value?.held.place ?? '')
  over(view.value === 'channels' && column !== undefined ? idOf({ day: placeOf(place).day, channel: column }) : place)
}
const grab = (event: PointerEvent, held: Held) =>
  startDrag(event, {
    pick: () => pick(held, held.place ?? standing.value),
    over: overOwn,
    drop: () => void drop(),
    leave,
  })
function take(held: Held) {
  if (keysOn()) pick(held, held.place ?? standing.value)
}

const walking = computed<View>(() => (narrow.value ? 'month' : view.value))
const columns = computed(() => channels.value.map((one) => one.id))
const { focused, standing, here, go } = useWalking({
  view: walking,
  days,
  channels: columns,
  now,
  day,
  show: (next) => set({ day: next }),
  held: () => moving.value?.place,
  over: overOwn,
})
async function enter(event: KeyboardEvent) {
  if (!moving.value) return
  event.preventDefault()
  const { held, place } = moving.value
  await drop()
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
const exporting = ref(false)
async function print() {
  exporting.value = false
  await nextTick()
  window.print()
}
const names = computed(() => Object.fromEntries(workspaces.value.map((one) => [one.id, one.name])))

providePlan(
  reactive({
    moving,
    standing,
    clientOf,
    focus: (place: string) => (focused.value = place),
    grab: (event: PointerEvent, line: Line, place: string) => grab(event, ofLine(line, place)),
    take: (line: Line, place: string) => take(ofLine(line, place)),
    picked: (post: string) => picked.value.has(post),
    pick: pickOne,
    marksIn: (place: string) => marksIn.value.get(place) ?? [],
    openMark: (mark: Mark) => (opened.value = { day: mark.day, mark }),
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
  A: () => pickAll(data.value?.lines ?? [], sheet.several.value ? sheet.chosen.value : undefined),
  F: () => (filtering.value = !filtering.value),
})
</script>

<template>
  <main class="plan" @keydown.enter="enter" @keydown.esc="leave">
    <div class="head">
      <h1>{{ heading }}</h1>
      <b class="paper when">{{ workspace?.name ?? 'All my clients' }}</b>
      <span v-if="dates" class="quiet when">{{ dates }}</span>
      <span v-if="data && data.zone !== readerZone()" class="quiet when">{{ zonePlace(data.zone) }}</span>
      <span class="steps">
        <Button size="small" :aria-label="`The ${span} before`" @click="turn(-1)">‹</Button>
        <Button size="small" @click="set({ day: today })">Today</Button>
        <Button size="small" :aria-label="`The ${span} after`" @click="turn(1)">›</Button>
      </span>
      <RadioGroup
        :value="view"
        button-style="solid"
        aria-label="View"
        @update:value="set({ view: $event === 'month' ? '' : $event, day })"
      >
        <RadioButton v-for="one in VIEWS" :key="one.value" :value="one.value">{{ one.label }}</RadioButton>
      </RadioGroup>
      <RadioGroup
        v-if="view === 'channels'"
        :value="span"
        size="small"
        aria-label="How much"
        @update:value="set({ span: $event === 'month' ? 'month' : '' })"
      >
        <RadioButton value="week">one week</RadioButton>
        <RadioButton value="month">the month</RadioButton>
      </RadioGroup>
      <Button size="small" :aria-expanded="filtering" class="narrowed" @click="filtering = !filtering">{{
        narrowed || 'Everything'
      }}</Button>
      <span v-if="data?.cut" class="late" role="status">There is more than is shown: choose one client.</span>
      <span class="fill" />
      <Button size="small" @click="exporting = true">Export …</Button>
      <template v-if="data && data.marks.length > 0">
        <Button v-if="span === 'week' && mayPencil" size="small" @click="copying = true"
          >Copy {{ counted(data.marks.length, 'mark', 'marks') }} …</Button
        >
        <span v-else class="quiet">{{ counted(data.marks.length, 'open mark', 'open marks') }}</span>
      </template>
      <ActButton v-if="workspace" :may="workspace.can.pencil" shortcut="P" @click="pencilHere">Pencil</ActButton>
      <NewPost />
    </div>
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
    <ComingShape v-if="!data && !error" label="Fetching the plan" :lines="14" />
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
      @clear="pickNone"
    />
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
    <ExportDialog
      v-if="exporting && days.length > 0"
      :workspace="id"
      :shows="`${workspace?.name ?? 'All your clients'}, ${narrowed ? `narrowed to “${narrowed}”` : 'everything planned'}`"
      :narrowing="narrowing"
      :names="names"
      :now="me?.now ?? now"
      :days="[days[0]!.date, days[days.length - 1]!.date]"
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
      @apply="(change) => pencil.apply(change)"
      @close="sheet.pasting.value = undefined"
    />
    <KeysHelp
      :keys="[
        ['← ↑ → ↓', 'next and previous day, hour, channel'],
        ['Tab', 'the posts of a day'],
        ['M', 'move the post that has the focus: arrows, then Enter'],
        ['Page up, Page down', 'next and previous month or week'],
        ['T', 'today'],
        ['F', 'narrow what is shown'],
        ['X, A', 'choose the post that has the focus, choose all: then do one thing with them'],
        ['P', 'pencil: something should go out here'],
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
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  min-height: 40px;
  margin-bottom: 8px;
}
h1 {
  margin: 0;
  font-size: 20px;
}
.steps {
  display: inline-flex;
  gap: 8px;
}
.narrowed {
  max-width: 340px;
  overflow: hidden;
  text-overflow: ellipsis;
}
/* on paper: the days and nothing to press */
.paper {
  display: none;
}
@media print {
  .paper {
    display: inline;
  }
  .plan {
    padding: 0;
  }
  .head > :not(h1, .when),
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
