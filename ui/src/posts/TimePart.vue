<script setup lang="ts">
// The planned time, a wall time in the client's zone. What another time costs is said before it is saved.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { calendarDay, place, wallClock } from '@/api/time'
import { digits, usePlanned } from './planned'
import PlannedTime from './PlannedTime.vue'
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
const seen = computed(() => ({ value: props.server.value, version: props.server.own ? props.server.version : 0 }))
const { wall, cost, state, problem, theirs, choose, sure, back, keepMine, takeTheirs } = usePlanned(
  { workspace: props.workspace, post: props.post, channel: props.channel },
  seen,
  () => props.zone,
)
const inWords = (time: string) =>
  time === '' ? 'no time' : `${calendarDay(time, { weekday: true, year: true })}, ${wallClock(time)}`
</script>

<template>
  <div>
    <PlannedTime
      :id="`time-${channel ?? 'master'}`"
      :workspace="workspace"
      :post="post"
      :wall="wall"
      :zone="zone"
      :label="`Planned time in ${place(zone)}`"
      :off="off"
      @choose="choose"
    />
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
