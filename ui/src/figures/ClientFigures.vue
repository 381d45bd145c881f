<script setup lang="ts">
// The figures of one client: what follows, the steps, the people, the weeks, and when answers come.
import { computed, toRef } from 'vue'
import { unread } from '@/api/client'
import { counted } from '@/api/words'
import { place } from '@/api/time'
import ComingShape from '@/parts/ComingShape.vue'
import { later } from '@/parts/later'
import ClockGrid from './ClockGrid.vue'
import { hours, share, useFigures } from './figures'

const StepPlot = later(() => import('./StepPlot.vue'))
const WeekPlot = later(() => import('./WeekPlot.vue'))
const props = defineProps<{ workspace: string; days: number; now?: string; theirs: boolean }>()
const { data, error } = useFigures(
  toRef(props, 'workspace'),
  toRef(props, 'days'),
  toRef(props, 'now'),
  toRef(props, 'theirs'),
)
const percent = (part: number, whole: number) => (whole === 0 ? '' : ` (${Math.round((part / whole) * 100)} %)`)
const posts = computed(() => data.value?.posts)
const answered = computed(() => data.value?.clock.flat().reduce((sum, count) => sum + count, 0) ?? 0)
const people = computed(() => data.value?.people.filter((one) => one.asked > 0) ?? [])
</script>

<template>
  <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
  <ComingShape v-if="!data && !error" label="Fetching the figures" :lines="12" />
  <template v-if="data && posts">
    <section class="follows" aria-labelledby="follows">
      <h2 id="follows" class="hidden">What follows</h2>
      <p v-for="sentence in data.follows" :key="sentence">{{ sentence }}</p>
    </section>
    <p class="posts">
      <span
        ><b>{{ counted(posts.asked, 'post', 'posts') }}</b> asked</span
      >
      <span
        ><b>{{ posts.back }}</b> came back{{ percent(posts.back, posts.asked) }}</span
      >
      <span
        ><b>{{ posts.cleared }}</b> {{ posts.cleared === 1 ? 'has' : 'have' }} every yes</span
      >
      <span
        ><b>{{ posts.first_time }}</b> of them right the first time{{ percent(posts.first_time, posts.cleared) }}</span
      >
    </p>
    <p v-if="posts.asked === 0" class="none">Nothing was asked in this time.</p>
    <div v-else class="columns">
      <section class="block" aria-labelledby="steps">
        <div class="block-head">
          <h2 id="steps">How long each step takes</h2>
          <span class="quiet">in working hours</span>
        </div>
        <StepPlot :steps="data.steps" />
        <table class="list">
          <thead>
            <tr>
              <th scope="col">Step</th>
              <th scope="col" class="right">asked</th>
              <th scope="col" class="right">half within</th>
              <th scope="col" class="right">nine of ten</th>
              <th scope="col" class="right">it gives</th>
              <th scope="col" class="right">in time</th>
              <th scope="col" class="right">came back</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="step in data.steps" :key="`${step.side} ${step.name}`">
              <td>
                <span class="side" :class="step.side" aria-hidden="true" />{{ step.name
                }}<span class="hidden">, {{ step.side === 'client' ? 'client' : 'inside' }}</span>
              </td>
              <td class="right">
                {{ step.asked }}<span v-if="step.open > 0" class="quiet">, {{ step.open }} open</span>
              </td>
              <td class="right">{{ hours(step.time.median) }}</td>
              <td class="right">{{ hours(step.time.p90) }}</td>
              <td class="right quiet">{{ hours(step.hours) }}</td>
              <td class="right">{{ share(step.in_time) }}</td>
              <td class="right">{{ step.back }}{{ percent(step.back, step.posts) }}</td>
            </tr>
          </tbody>
        </table>
      </section>
      <section class="block" aria-labelledby="clock">
        <div class="block-head">
          <h2 id="clock">When answers come</h2>
          <span class="quiet">{{ counted(answered, 'answer', 'answers') }}, {{ place(data.zone) }} time</span>
        </div>
        <ClockGrid :clock="data.clock" />
      </section>
      <section class="block" aria-labelledby="people">
        <div class="block-head">
          <h2 id="people">Who is asked</h2>
          <span class="quiet">their own answers; those given in their name are left out</span>
        </div>
        <table class="list">
          <thead>
            <tr>
              <th scope="col">Person</th>
              <th scope="col" class="right">asked</th>
              <th scope="col" class="right">answered</th>
              <th scope="col" class="right">half within</th>
              <th scope="col" class="right">nine of ten</th>
              <th scope="col" class="right">in time</th>
              <th scope="col" class="right">sent back</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in people" :key="`${one.side} ${one.id}`">
              <td>
                <span class="side" :class="one.side" aria-hidden="true" />{{ one.name
                }}<span class="hidden">, {{ one.side === 'client' ? 'client' : 'inside' }}</span>
              </td>
              <td class="right">{{ one.asked }}</td>
              <td class="right">{{ one.answered }}</td>
              <td class="right">{{ hours(one.time.median) }}</td>
              <td class="right">{{ hours(one.time.p90) }}</td>
              <td class="right">{{ share(one.in_time) }}</td>
              <td class="right">{{ one.back }}</td>
            </tr>
          </tbody>
        </table>
      </section>
      <section v-if="data.weeks.length > 1" class="block" aria-labelledby="weeks">
        <div class="block-head">
          <h2 id="weeks">Week by week</h2>
          <span class="quiet">half of what was asked then was answered within</span>
        </div>
        <WeekPlot :weeks="data.weeks" />
      </section>
    </div>
  </template>
</template>

<style scoped>
.follows {
  margin-bottom: 14px;
  padding: 10px 16px;
  background: var(--sheet);
  border-left: 4px solid var(--ink);
  font-size: 15px;
}
.posts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 28px;
  margin-bottom: 14px;
}
.posts b {
  font-size: 18px;
  font-weight: 750;
}
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(520px, 100%), 1fr));
  gap: 22px;
  align-items: start;
}
.side {
  display: inline-block;
  width: 9px;
  height: 9px;
  margin-right: 8px;
  background: var(--internal);
}
.side.client {
  background: var(--client);
  border-radius: 50%;
}
.none {
  padding: 20px 0;
  color: var(--ink-2);
}
.list th {
  white-space: nowrap;
}
.list .right {
  text-align: right;
  font-variant-numeric: tabular-nums;
}
</style>
