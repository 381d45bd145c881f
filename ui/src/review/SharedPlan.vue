<script setup lang="ts">
// The plan as the client sees it: the coming weeks, each post with its time, where it goes, and how it stands in their
// words. Days below each other on a phone, weeks as rows where there is room.
import type { components } from '@/api/schema'

type Shared = components['schemas']['SharedPlan']
type Post = Shared['posts'][number]
const props = defineProps<{
  plan: Shared
  /** what the house can do with a post, where the house looks */ inHouse?: boolean
  /** of dates; the browser's own if none is said */
  language?: string
}>()
defineSlots<{ act?: (slot: { post: Post }) => unknown }>()
const STATES: Record<Post['state'], string> = {
  waits: 'waits for you',
  changing: 'being changed',
  agreed: 'agreed',
  out: 'out',
  held: 'held up',
}
const format = (options: Intl.DateTimeFormatOptions) => {
  const made = new Intl.DateTimeFormat(props.language ?? navigator.language, { timeZone: 'UTC', ...options })
  return (day: string) => made.format(new Date(`${day}T00:00:00Z`))
}
const dayName = format({ weekday: 'short', day: 'numeric', month: 'short' })
const short = format({ day: 'numeric', month: 'short' })
const clock = (wall: string) => wall.slice(11, 16).replace(/^0/, '')
const on = (day: string) => props.plan.posts.filter((post) => post.wall.startsWith(day))
const marksOn = (day: string) => props.plan.marks.filter((mark) => mark.day === day)
const waiting = (post: Post) => post.strip.find((stamp) => stamp.state === 'asked')
const said = (post: Post) => {
  const stamp = waiting(post)
  return stamp && stamp.who.length > 0 ? `waits for ${stamp.who.join(', ')}` : STATES[post.state]
}
const amount = (money: Post['money'][number]) =>
  new Intl.NumberFormat(props.language ?? navigator.language, { style: 'currency', currency: money.currency }).format(
    money.minor /
      10 **
        (new Intl.NumberFormat('en', { style: 'currency', currency: money.currency }).resolvedOptions()
          .maximumFractionDigits ?? 2),
  )
const empty = (day: string) => on(day).length === 0 && marksOn(day).length === 0
</script>

<template>
  <div class="shared-plan">
    <section v-for="week in plan.weeks" :key="week.days[0]!.date" class="week" :aria-label="`Week ${week.number}`">
      <h2>
        Week {{ week.number }}
        <span>{{ short(week.days[0]!.date) }} to {{ short(week.days[6]!.date) }}</span>
      </h2>
      <div class="days">
        <div
          v-for="day in week.days"
          :key="day.date"
          class="day"
          :class="{ today: day.date === plan.today, empty: empty(day.date), past: day.date < plan.today }"
        >
          <h3>
            {{ dayName(day.date) }} <span v-if="day.off">{{ day.off }}</span>
          </h3>
          <div v-for="post in on(day.date)" :key="post.id + post.wall" class="post" :class="post.state">
            <p class="facts">
              <b>{{ clock(post.wall) }}</b>
              <span v-for="one in post.channels" :key="one.name" class="where">{{ one.name }}</span>
            </p>
            <p class="subject" dir="auto">{{ post.subject || 'Without a subject' }}</p>
            <p class="state">
              {{ said(post)
              }}<template v-for="money in post.money" :key="money.currency"> · {{ amount(money) }}</template>
            </p>
            <slot name="act" :post="post" />
          </div>
          <div v-for="mark in marksOn(day.date)" :key="mark.name + mark.word" class="mark">
            <b v-if="mark.clock">{{ mark.clock }}</b> {{ mark.word || 'kept free' }}
            <span class="where">{{ mark.name }}</span>
          </div>
        </div>
      </div>
    </section>
    <p v-if="plan.posts.length === 0" class="none">
      {{
        inHouse
          ? 'Nothing was shared with the client in these weeks.'
          : 'Nothing is planned here yet that you were asked for.'
      }}
    </p>
  </div>
</template>

<style scoped>
.week {
  border-top: 2px solid var(--ink);
}
h2 {
  margin: 0;
  padding: 5px 0;
  font-size: 15px;
  font-weight: 600;
}
h2 span,
h3 span {
  margin-left: 8px;
  color: var(--ink-2);
  font-weight: 450;
}
h3 {
  margin: 0 0 4px;
  overflow: hidden;
  font-size: 13px;
  font-weight: 600;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.days {
  display: grid;
  grid-template-columns: repeat(7, minmax(0, 1fr));
}
.day {
  min-height: 74px;
  padding: 5px 7px 8px;
  border: 1px solid var(--rule);
  border-width: 1px 1px 0 0;
  background: var(--sheet);
}
.day.today {
  box-shadow: inset 0 3px var(--ink);
}
.day.past {
  background: var(--rest);
}
.post {
  margin-bottom: 7px;
  padding-left: 7px;
  border-left: 4px solid var(--drafting);
}
.post.waits {
  border-color: var(--client);
}
.post.agreed {
  border-color: var(--cleared);
}
.post.out {
  border-color: var(--ink);
}
.post.held {
  border-color: var(--trouble);
}
p {
  margin: 0;
}
.facts {
  display: flex;
  flex-wrap: wrap;
  gap: 0 7px;
  font-size: 13px;
}
.where,
.state {
  color: var(--ink-2);
  font-size: 13px;
}
.waits .state {
  color: var(--client);
  font-weight: 600;
}
.held .state {
  color: var(--trouble);
}
.subject {
  overflow-wrap: anywhere;
}
.mark {
  margin-bottom: 6px;
  padding: 2px 7px;
  border: 1px dashed var(--ink-faint);
  font-size: 13px;
  font-style: italic;
}
.none {
  padding: 20px 0;
  color: var(--ink-2);
}
@media (max-width: 800px) {
  .days {
    display: block;
  }
  .day {
    min-height: 0;
    border-width: 1px 0 0;
    padding: 8px 10px 10px;
  }
  .day.empty {
    display: none;
  }
  .post {
    padding-top: 2px;
  }
}
@media print {
  .week {
    break-inside: avoid;
  }
}
</style>
