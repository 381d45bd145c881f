<script setup lang="ts">
// The planned time, a wall time in the client's zone. What another time costs is said before it is saved.
import { Button } from 'ant-design-vue'
import { computed, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { calendarDay, place, wallClock } from '@/api/time'
import { digits, usePlanned } from './planned'
import SaysState from './SaysState.vue'

const props = defineProps<{ workspace: string; post: string; channel?: string; server: Schemas['Part']; zone: string; off?: string }>()
const emit = defineEmits<{ state: [state: string] }>()
const seen = computed(() => ({ value: props.server.value, version: props.server.own ? props.server.version : 0 }))
const { wall, cost, state, problem, theirs, choose, sure, back, keepMine, takeTheirs } = usePlanned({ workspace: props.workspace, post: props.post, channel: props.channel }, seen, () => props.zone)
watch(state, (now) => emit('state', now))
const id = computed(() => `time-${props.channel ?? 'master'}`)
/** As the reader's profile has it: the field itself follows the browser, where 3/4 may be the 3rd of April or the 4th of March. */
const inWords = (time: string) => (time === '' ? 'no time' : `${calendarDay(time, { weekday: true, year: true })}, ${wallClock(time)}`)
</script>

<template>
  <div>
    <label :for="id" class="hidden">Planned time in {{ place(zone) }}</label>
    <input :id="id" :value="wall" type="datetime-local" :disabled="!!off" :title="off ?? `Wall time in ${place(zone)}`" @change="choose(($event.target as HTMLInputElement).value)" />
    <span class="quiet">{{ wall === '' ? '' : inWords(wall) }} {{ place(zone) }}</span>
    <SaysState :state="state" :problem="problem" :by="theirs?.by" :theirs="theirs && inWords(digits(theirs.value))" @mine="keepMine()" @theirs="takeTheirs()" @drop="back()" />
    <div v-if="cost && state === 'typing'" class="cost" role="alert">
      <p v-if="cost.past">That moment has passed: it cannot be released for it.</p>
      <p v-if="cost.kind === 'gap'">The clock jumps over that time in {{ place(zone) }}; it is read as an hour later by the new clock.</p>
      <p v-if="cost.kind === 'doubled'">The clock shows that time twice in {{ place(zone) }}; the first one is meant.</p>
      <template v-for="one in cost.costs" :key="one.channel">
        <p v-for="line in one.costs" :key="line">
          <b>{{ one.channel }}:</b> {{ line }}
        </p>
      </template>
      <Button type="primary" size="small" @click="sure()">{{ wall === '' ? 'Take the time away' : 'Change the time' }}</Button>
      <Button size="small" @click="back()">Leave it</Button>
    </div>
  </div>
</template>

<style scoped>
input {
  font: inherit;
  width: 100%;
  height: 26px;
  padding: 0 4px;
  border: 1px solid #9ba09d;
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
}
.cost {
  margin-top: 6px;
  padding: 8px;
  border: 1px solid var(--ink);
  background: var(--sheet);
  text-align: left;
}
.cost p {
  margin-bottom: 6px;
}
.cost button {
  margin-right: 6px;
}
</style>
