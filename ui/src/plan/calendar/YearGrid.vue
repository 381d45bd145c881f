<script setup lang="ts">
// A year, or a quarter of it: months down, their days across, each under its weekday. How much goes out, what has no
// yet, what runs, and where nothing is.
import { computed, nextTick, ref } from 'vue'
import { calendarDay, monthYear, weekdayOf } from '@/api/time'
import { counted } from '@/api/words'
import { on } from '@/plan/dates/key-dates'
import { daysOn, monthsOn } from './period'
import { COLUMNS, daysOfMonth, firstColumn, gaps, lanes, type Year } from './year'

const props = defineProps<{
  year: Year
  months: string[]
  label: string
  weekStart: number
  day: string
  /** the client of a date or a campaign, where several show */
  clientOf: (workspace: string) => { name: string } | undefined
}>()
const emit = defineEmits<{ open: [day: string]; stand: [day: string]; campaign: [workspace: string, id: string] }>()
const MOST = 6
const QUIET = 7 // days without a post that are worth a word; common practice, no source

const counts = computed(() => new Map(props.year.days.map((day) => [day.date, day])))
const off = computed(() => new Map(props.year.off.map((day) => [day.date, day.name])))
const quiet = computed(() => {
  const used = props.year.days.map((day) => day.date)
  const coming = gaps(used, QUIET).filter((gap) => gap.to >= props.year.today)
  return new Map(
    coming.flatMap((gap) => Array.from({ length: gap.days }, (_, at) => [daysOn(gap.from, at), gap] as const)),
  )
})
const columns = computed(() =>
  Array.from({ length: COLUMNS }, (_, at) => weekdayOf(daysOn('2024-01-07', props.weekStart + at)).slice(0, 2)),
)
const rows = computed(() =>
  props.months.map((month) => {
    const first = firstColumn(month, props.weekStart)
    const days = daysOfMonth(month).map((date, at) => ({ date, column: first + at + 2, rests: rests(date) }))
    const bars = lanes(props.year.campaigns, month)
    const total = days.reduce((sum, { date }) => sum + (counts.value.get(date)?.posts ?? 0), 0)
    return { month, first, days, bars, total }
  }),
)
function rests(date: string) {
  return [0, 6].includes(new Date(`${date}T00:00:00Z`).getUTCDay())
}

/** One small bar for each post: with every yes, without, in trouble; then pencil marks. */
function ticks(date: string): string[] {
  const day = counts.value.get(date)
  if (!day) return []
  const ready = day.posts - day.open - day.trouble
  const kinds: [string, number][] = [
    ['trouble', day.trouble],
    ['open', day.open],
    ['ready', ready],
    ['pencil', day.marks],
  ]
  return kinds.flatMap(([kind, count]) => Array<string>(Math.max(0, count)).fill(kind)).slice(0, MOST)
}
function says(date: string): string {
  const day = counts.value.get(date)
  const gap = quiet.value.get(date)
  return [
    calendarDay(date, { weekday: true }),
    day && day.posts > 0 ? counted(day.posts, 'post', 'posts') : '',
    day && day.open > 0 ? `${day.open} without every yes` : '',
    day && day.trouble > 0 ? `${day.trouble} in trouble or held` : '',
    day && day.marks > 0 ? counted(day.marks, 'pencil mark', 'pencil marks') : '',
    off.value.get(date) ?? '',
    ...on(props.year.dates, date).map((one) => named(one)),
    props.year.clocks.includes(date) ? 'clocks are changed' : '',
    gap ? `${gap.days} days without a post` : '',
  ]
    .filter(Boolean)
    .join(', ')
}
const named = (one: { name: string; workspace_id: string }) => {
  const client = props.clientOf(one.workspace_id)
  return client ? `${one.name} (${client.name})` : one.name
}

const grid = ref<HTMLElement>()
const shown = (date: string) => props.months.includes(date.slice(0, 7))
const standing = computed(() => (shown(props.day) ? props.day : `${props.months[0]}-01`))
const STEPS: Record<string, (day: string) => string> = {
  ArrowRight: (day) => daysOn(day, 1),
  ArrowLeft: (day) => daysOn(day, -1),
  ArrowDown: (day) => monthsOn(day, 1),
  ArrowUp: (day) => monthsOn(day, -1),
}
async function go(event: KeyboardEvent) {
  const step = STEPS[event.key]
  if (!step || event.ctrlKey || event.altKey || event.metaKey) return
  event.preventDefault()
  event.stopPropagation()
  emit('stand', step(standing.value))
  await nextTick()
  grid.value?.querySelector<HTMLElement>('[tabindex="0"]')?.focus()
}
</script>

<template>
  <div ref="grid" class="year" role="grid" :aria-label="label" :class="{ roomy: months.length < 12 }" @keydown="go">
    <div class="row names" role="row" aria-hidden="true">
      <span />
      <span v-for="(name, at) in columns" :key="at">{{ name }}</span>
      <span />
    </div>
    <div
      v-for="row in rows"
      :key="row.month"
      class="row"
      role="row"
      :class="{ present: year.today.slice(0, 7) === row.month }"
    >
      <span class="month" role="rowheader">{{ monthYear(row.month).replace(/\s*\d{4}$/, '') }}</span>
      <button
        v-for="one in row.days"
        :key="one.date"
        type="button"
        role="gridcell"
        class="day"
        :class="{
          rests: one.rests || off.has(one.date),
          off: off.has(one.date),
          today: one.date === year.today,
          gap: quiet.has(one.date),
        }"
        :style="{ gridColumn: one.column }"
        :tabindex="one.date === standing ? 0 : -1"
        :aria-label="says(one.date)"
        :title="says(one.date)"
        @focus="one.date !== standing && emit('stand', one.date)"
        @click="emit('open', one.date)"
      >
        <span class="number-of">{{ Number(one.date.slice(8)) }}</span>
        <span v-for="date in on(year.dates, one.date).slice(0, 1)" :key="date.id" class="key-date" :class="date.kind" />
        <span class="ticks"><i v-for="(tick, at) in ticks(one.date)" :key="at" :class="tick" /></span>
        <span v-if="(counts.get(one.date)?.posts ?? 0) > MOST" class="more">{{ counts.get(one.date)!.posts }}</span>
      </button>
      <button
        v-for="bar in row.bars"
        :key="bar.one.id"
        type="button"
        tabindex="-1"
        class="bar"
        :style="{
          gridRow: bar.lane + 2,
          gridColumn: `${row.first + Number(bar.from.slice(8)) + 1} / ${row.first + Number(bar.to.slice(8)) + 2}`,
        }"
        :title="`${named(bar.one)}, ${calendarDay(bar.one.first)} to ${calendarDay(bar.one.last)}`"
        @click="emit('campaign', bar.one.workspace_id, bar.one.id)"
      >
        {{ named(bar.one) }}
      </button>
      <span class="total">{{ row.total || '' }}</span>
    </div>
  </div>
  <p class="legend quiet">
    <span><i class="ready" /> with every yes</span>
    <span><i class="open" /> not yet</span>
    <span><i class="trouble" /> in trouble or held</span>
    <span><i class="pencil" /> pencil mark</span>
    <span><span class="key-date date" /> key date</span>
    <span><span class="key-date work" /> other work</span>
    <span v-if="quiet.size > 0"><span class="gap-sample" /> {{ QUIET }} days or more without a post</span>
    <span class="fill" />
    <span>right: posts of the month</span>
  </p>
</template>

<style scoped>
.year {
  border-top: 2px solid var(--ink);
  overflow-x: auto;
}
.row {
  display: grid;
  grid-template-columns: 78px repeat(37, minmax(26px, 1fr)) 40px;
  grid-template-rows: 42px;
  grid-auto-rows: 20px;
  min-width: 1100px;
  padding-bottom: 3px;
  border-bottom: 1px solid var(--rule);
}
.roomy .row {
  grid-template-rows: 130px;
  grid-auto-rows: 22px;
}
.year .names {
  grid-template-rows: auto;
  padding: 3px 0;
  border-bottom: 1px solid var(--rule);
  color: var(--ink-2);
  font-size: 12px;
}
.names > span {
  padding-left: 3px;
}
.month {
  grid-column: 1;
  padding: 4px 6px 0 0;
  font-weight: 600;
}
.total {
  grid-column: 39;
  grid-row: 1;
  padding: 4px 2px 0 0;
  color: var(--ink-2);
  text-align: right;
}
.day {
  position: relative;
  grid-row: 1;
  min-width: 0;
  padding: 2px 3px;
  border: 0;
  border-left: 1px solid var(--hairline);
  background: var(--sheet);
  display: flex;
  flex-direction: column;
  text-align: left;
  cursor: pointer;
}
.day.rests {
  background: var(--rest);
}
.day.gap {
  background: repeating-linear-gradient(135deg, var(--well) 0 1px, var(--sheet) 1px 7px);
}
.day.off .number-of {
  text-decoration: underline double;
  text-underline-offset: 2px;
}
.day.today {
  box-shadow: inset 0 3px var(--ink);
}
.number-of {
  display: block;
  color: var(--ink-2);
  font-size: 12px;
  line-height: 15px;
}
.today .number-of {
  color: var(--ink);
  font-weight: 750;
}
.ticks {
  display: flex;
  flex-direction: column-reverse;
  gap: 1px;
  position: absolute;
  right: 4px;
  bottom: 2px;
  left: 4px;
}
i {
  display: block;
  height: 4px;
}
.roomy i {
  height: 9px;
}
.legend i {
  display: inline-block;
  width: 14px;
  height: 5px;
  margin-right: 4px;
  vertical-align: 2px;
}
i.ready {
  background: var(--ink);
}
i.open {
  border: 1px solid var(--ink);
  background: var(--sheet);
}
i.trouble {
  background: var(--trouble);
}
i.pencil {
  border-bottom: 2px dotted var(--ink-faint);
}
.more {
  position: absolute;
  top: 2px;
  right: 2px;
  font-size: 12px;
  font-weight: 600;
  line-height: 15px;
}
.key-date {
  position: absolute;
  top: 5px;
  right: 4px;
  width: 7px;
  height: 7px;
}
.legend .key-date {
  position: static;
  display: inline-block;
  margin-right: 4px;
}
.key-date.date {
  background: var(--ink);
  transform: rotate(45deg);
}
.key-date.work {
  border: 2px solid var(--ink-2);
}
.bar {
  min-width: 0;
  min-height: 18px;
  margin: 1px 1px 0;
  padding: 0 5px;
  overflow: hidden;
  border: 0;
  border-left: 3px solid var(--ink);
  background: var(--well);
  font-size: 12px;
  line-height: 17px;
  text-align: left;
  text-overflow: ellipsis;
  white-space: nowrap;
  cursor: pointer;
}
.gap-sample {
  display: inline-block;
  width: 14px;
  height: 10px;
  margin-right: 4px;
  border: 1px solid var(--rule);
  background: repeating-linear-gradient(135deg, var(--ink-faint) 0 1px, var(--sheet) 1px 5px);
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  margin-top: 6px;
  font-size: 12px;
}
</style>
