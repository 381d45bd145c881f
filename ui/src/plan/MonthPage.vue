<script setup lang="ts">
// The month of one client or of all of mine: weeks down, days across. What stands in it is taken to another day by
// pointer, by touch or by keys.
import { Button } from 'ant-design-vue'
import { computed, nextTick, ref, watch } from 'vue'
import { useChosen } from '@/agency/me'
import { unread } from '@/api/client'
import { calendarDay, monthYear, place, readerZone, wallAt, weekdayOf } from '@/api/time'
import ComingShape from '@/parts/ComingShape.vue'
import KeysHelp from '@/parts/KeysHelp.vue'
import { useInAddress } from '@/parts/address'
import { keysOn, useKeys } from '@/parts/keys'
import { entitle } from '@/parts/title'
import NewPost from '@/posts/NewPost.vue'
import MoveNote from './MoveNote.vue'
import PlanLine from './PlanLine.vue'
import { startDrag } from './drag'
import { MONTH, byDay, daysOn, keyOf, monthsOn, useMonth, type Line, type MonthDay } from './month'
import { useMoving, type Held } from './moving'

const { id, workspace, workspaces, me } = useChosen()
const asked = useInAddress('month')
const today = computed(() => me.value && wallAt(me.value.now, workspace.value?.zone ?? readerZone()).slice(0, 10))
const month = computed({
  get: () => (MONTH.test(asked.value) ? asked.value : (today.value ?? new Date().toISOString()).slice(0, 7)),
  set: (value) => (asked.value = value),
})
const { data, error } = useMonth(id, month)
watch(month, (shown) => entitle(`Plan, ${monthYear(shown)}`), { immediate: true })

const facts = computed(() => Object.fromEntries(workspaces.value.map((one) => [one.id, one])))
const lines = computed(() => byDay(data.value?.lines ?? []))
const on = (day: string) => lines.value.get(day) ?? []
const clientOf = (one: string) => (workspace.value ? undefined : facts.value[one])
const off = (day: MonthDay) =>
  day.off
    .map((one) =>
      workspace.value || one.workspace_ids.length === workspaces.value.length
        ? one.name
        : `${one.name} (${one.workspace_ids.map((client) => facts.value[client]?.name).join(', ')})`,
    )
    .join(', ')

const { moving, pick, over, drop, leave } = useMoving(() => ({ workspace: id.value, month: data.value }))
const ofLine = (line: Line): Held => ({
  workspace_id: line.workspace_id,
  post_id: line.post_id,
  subject: line.subject,
  channels: line.channels.map((one) => one.id),
  time: line.time,
  day: line.wall.slice(0, 10),
  zone: data.value!.zone,
})
type Bare = NonNullable<typeof data.value>['tray']['posts'][number]
const ofTray = (post: Bare): Held => ({
  workspace_id: post.workspace_id,
  post_id: post.id,
  subject: post.subject,
  channels: [],
  time: null,
  day: null,
  zone: facts.value[post.workspace_id]?.zone ?? data.value!.zone,
})
const grab = (event: PointerEvent, held: Held) =>
  startDrag(event, { pick: () => pick(held, held.day ?? ''), over, drop: () => void drop(), leave })

// where the keys are: the day that is held, or that has the focus
const focused = ref('')
const here = computed(() => moving.value?.day || focused.value)
const days = computed(() => data.value?.weeks.flatMap((week) => week.days) ?? [])
const standing = computed(() => {
  const shown = days.value.map((day) => day.date)
  if (shown.includes(focused.value)) return focused.value
  return today.value && shown.includes(today.value) ? today.value : days.value.find((day) => day.inside)?.date
})

function take(held: Held) {
  if (keysOn()) pick(held, held.day ?? standing.value!)
}
async function go(by: number) {
  const next = daysOn(here.value || standing.value!, by)
  if (!days.value.some((day) => day.date === next)) month.value = next.slice(0, 7)
  if (moving.value) return over(next)
  focused.value = next
  await nextTick()
  document.querySelector<HTMLElement>(`[data-day="${next}"]`)?.focus()
}
// a month that was gone to by the keys has its day to stand on once it is there
watch(days, async () => {
  await nextTick()
  if (!moving.value && focused.value && document.activeElement === document.body)
    document.querySelector<HTMLElement>(`[data-day="${focused.value}"]`)?.focus()
})
async function enter(event: KeyboardEvent) {
  if (!moving.value) return
  event.preventDefault()
  const { held, day } = moving.value
  await drop()
  await nextTick()
  const line = [...document.querySelectorAll<HTMLElement>(`[data-day="${day}"] a`)].find((one) =>
    one.getAttribute('href')?.includes(held.post_id),
  )
  line?.focus()
}

useKeys({
  ArrowRight: () => void go(1),
  ArrowLeft: () => void go(-1),
  ArrowDown: () => void go(7),
  ArrowUp: () => void go(-7),
  PageDown: () => (month.value = monthsOn(month.value, 1)),
  PageUp: () => (month.value = monthsOn(month.value, -1)),
  T: () => (month.value = today.value!.slice(0, 7)),
})
</script>

<template>
  <main class="plan" @keydown.enter="enter" @keydown.esc="leave">
    <div class="head">
      <h1>{{ monthYear(month) }}</h1>
      <span v-if="data && data.zone !== readerZone()" class="quiet">{{ place(data.zone) }}</span>
      <span class="steps">
        <Button size="small" aria-label="The month before" @click="month = monthsOn(month, -1)">‹</Button>
        <Button size="small" :disabled="!today" @click="month = today!.slice(0, 7)">Today</Button>
        <Button size="small" aria-label="The month after" @click="month = monthsOn(month, 1)">›</Button>
      </span>
      <span v-if="data?.cut" class="late" role="status">There is more than is shown: choose one client.</span>
      <span class="fill" />
      <NewPost />
    </div>
    <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
    <ComingShape v-if="!data && !error" label="Fetching the month" :lines="14" />
    <div v-if="data" class="month" role="grid" :aria-label="monthYear(data.month)">
      <div class="names" role="row">
        <span role="columnheader"><span class="hidden">Week</span></span>
        <span v-for="day in data.weeks[0]!.days" :key="day.date" role="columnheader">{{ weekdayOf(day.date) }}</span>
      </div>
      <div v-for="week in data.weeks" :key="week.days[0]!.date" class="week" role="row">
        <span class="number" role="rowheader" :aria-label="`Week ${week.number}`">{{ week.number }}</span>
        <div
          v-for="(day, index) in week.days"
          :key="day.date"
          class="day"
          role="gridcell"
          :class="{
            outside: !day.inside,
            rests: !day.works,
            today: day.date === data.today,
            target: moving?.day === day.date,
            empty: on(day.date).length === 0 && day.off.length === 0,
            right: index > 3,
          }"
          :data-day="day.date"
          :tabindex="day.date === standing ? 0 : -1"
          @focus="focused = day.date"
        >
          <p class="date">
            <span class="hidden">{{ weekdayOf(day.date) }} {{ calendarDay(day.date) }}</span>
            <b aria-hidden="true">{{ Number(day.date.slice(8)) }}</b>
            <span class="weekday" aria-hidden="true">{{ weekdayOf(day.date) }}</span>
            <span class="quiet">{{ [off(day), day.clock].filter(Boolean).join(', ') }}</span>
          </p>
          <PlanLine
            v-for="line in on(day.date)"
            :key="keyOf(line)"
            v-bind="line"
            :workspace="line.workspace_id"
            :post="line.post_id"
            :client="clientOf(line.workspace_id)"
            :held="moving?.held.post_id === line.post_id && moving?.held.day === day.date"
            @grab="grab($event, ofLine(line))"
            @take="take(ofLine(line))"
          />
          <MoveNote v-if="moving?.day === day.date" :moving="moving" />
        </div>
      </div>
    </div>
    <section v-if="data && data.tray.count > 0" class="tray" aria-labelledby="tray">
      <h2 id="tray">
        Without a time <span class="number">{{ data.tray.count }}</span>
      </h2>
      <p v-if="data.tray.count > data.tray.posts.length" class="quiet">The newest {{ data.tray.posts.length }}.</p>
      <div class="lines">
        <PlanLine
          v-for="post in data.tray.posts"
          :key="post.id"
          v-bind="post"
          :workspace="post.workspace_id"
          :post="post.id"
          :client="clientOf(post.workspace_id)"
          :held="moving?.held.post_id === post.id"
          @grab="grab($event, ofTray(post))"
          @take="take(ofTray(post))"
        />
      </div>
    </section>
    <KeysHelp
      :keys="[
        ['← ↑ → ↓', 'next and previous day and week'],
        ['Tab', 'the posts of a day'],
        ['M', 'move the post that has the focus: arrows, then Enter'],
        ['Page up, Page down', 'next and previous month'],
        ['T', 'today'],
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
.month {
  border-top: 2px solid var(--ink);
}
.names,
.week {
  display: grid;
  grid-template-columns: 36px repeat(7, minmax(0, 1fr));
}
.names > span {
  padding: 4px 8px;
  font-weight: 600;
}
.week {
  min-height: 88px;
  border-top: 1px solid var(--rule);
}
.week .number {
  padding: 5px 8px 0 0;
  color: var(--ink-2);
  text-align: right;
}
.day {
  position: relative;
  min-width: 0;
  padding: 3px 5px 6px;
  border-left: 1px solid var(--rule);
  background: var(--sheet);
}
.day.rests {
  background: #f6f7f5;
}
.day.outside {
  background: var(--ground);
}
.day.today {
  box-shadow: inset 0 3px var(--ink);
}
.day.target {
  outline: 2px solid var(--ink);
  outline-offset: -2px;
}
.day.right :deep(.move-note) {
  right: 0;
  left: auto;
}
.week:last-child .day :deep(.move-note) {
  top: auto;
  bottom: calc(100% + 4px);
}
.date {
  display: flex;
  gap: 6px;
  align-items: baseline;
  margin: 2px 2px 4px;
  overflow: hidden;
  font-size: 12px;
  white-space: nowrap;
}
.date b {
  font-size: 13px;
}
.date .quiet {
  overflow: hidden;
  text-overflow: ellipsis;
}
.outside .date b {
  color: var(--ink-2);
  font-weight: 450;
}
.weekday {
  display: none;
}
.tray {
  margin-top: 18px;
}
.tray h2 {
  font-size: 15px;
  padding-bottom: 4px;
  border-bottom: 2px solid var(--ink);
}
.lines {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: 2px 16px;
}
@media (max-width: 700px) {
  .plan {
    padding: 12px 12px 32px;
  }
  .names,
  .week > .number {
    display: none;
  }
  .week {
    display: block;
    min-height: 0;
  }
  .day {
    padding: 6px;
    border-left: 0;
    border-bottom: 1px solid var(--rule);
  }
  .day.outside.empty:not(.target) {
    display: none;
  }
  .day.empty:not(.today, .target) .date {
    margin: 0;
    color: var(--ink-2);
  }
  .weekday {
    display: inline;
  }
}
</style>
