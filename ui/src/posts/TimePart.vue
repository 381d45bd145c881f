<script setup lang="ts">
// The planned time, a wall time in the client's zone. What another time costs is said before it is saved.
import { computed, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { calendarDay, place, wallClock } from '@/api/time'
import { digits, usePlanned } from './planned'
import SaysState from './SaysState.vue'
import TimeCost from './TimeCost.vue'

const props = defineProps<{
  workspace: string
  post: string
  channel?: string
  server: Schemas['Part']
  zone: string
  off?: string
}>()
const emit = defineEmits<{ state: [state: string] }>()
const seen = computed(() => ({ value: props.server.value, version: props.server.own ? props.server.version : 0 }))
const { wall, cost, state, problem, theirs, choose, sure, back, keepMine, takeTheirs } = usePlanned(
  { workspace: props.workspace, post: props.post, channel: props.channel },
  seen,
  () => props.zone,
)
watch(state, (now) => emit('state', now))
const id = computed(() => `time-${props.channel ?? 'master'}`)
/** As the reader's profile has it: the field itself follows the browser, where 3/4 may be the 3rd of April or the 4th of March. */
const inWords = (time: string) =>
  time === '' ? 'no time' : `${calendarDay(time, { weekday: true, year: true })}, ${wallClock(time)}`
</script>

<template>
  <div>
    <label :for="id" class="hidden">Planned time in {{ place(zone) }}</label>
    <input
      :id="id"
      :value="wall"
      type="datetime-local"
      :disabled="!!off"
      :title="off ?? `Wall time in ${place(zone)}`"
      @change="choose(($event.target as HTMLInputElement).value)"
    />
    <span class="quiet">{{ wall === '' ? '' : inWords(wall) }} {{ place(zone) }}</span>
    <SaysState
      :state="state"
      :problem="problem"
      :by="theirs?.by"
      :theirs="theirs && inWords(digits(theirs.value))"
      @mine="keepMine()"
      @theirs="takeTheirs()"
      @drop="back()"
    />
    <TimeCost
      v-if="cost && state === 'typing'"
      :cost="cost"
      :zone="zone"
      :act="wall === '' ? 'Remove the time' : 'Change the time'"
      @sure="sure()"
      @back="back()"
    />
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
</style>
