<script setup lang="ts">
// Days down, channels across: what goes out where. The channels of a post that go out together stand in each of theirs,
// and are moved together.
import { computed } from 'vue'
import { calendarDay, weekdayOf } from '@/api/time'
import type { Schemas } from '@/api/client'
import ChannelLogo from '@/parts/ChannelLogo.vue'
import ClientLogo from '@/parts/ClientLogo.vue'
import DayDates from '@/plan/dates/DayDates.vue'
import PlanCell from './PlanCell.vue'
import { byCell, type Period } from './period'
import { usePlan } from './plan'
import { idOf } from './place'

const props = defineProps<{
  period: Period
  label: string
  channels: Schemas['PlanChannel'][]
  offOn: (day: Period['weeks'][number]['days'][number]) => string
}>()
defineEmits<{
  keydown: [event: KeyboardEvent]
  pointerdown: [event: PointerEvent]
  copy: [event: ClipboardEvent]
  paste: [event: ClipboardEvent]
}>()
const plan = usePlan()
const days = computed(() => props.period.weeks.flatMap((week) => week.days))
const bare = computed(() => props.period.lines.some((line) => line.channels.length === 0))
const columns = computed(() => [...props.channels.map((one) => one.id), ...(bare.value ? [''] : [])])
const lines = computed(() =>
  byCell(props.period.lines, (line) => {
    const day = line.wall.slice(0, 10)
    const on = line.channels.length > 0 ? line.channels.map((one) => one.id) : ['']
    return on.map((channel) => idOf({ day, channel }))
  }),
)
const width = computed(() => ({ '--columns': columns.value.length }))
</script>

<template>
  <div
    class="channels"
    role="grid"
    aria-multiselectable="true"
    :aria-label="label"
    :style="width"
    tabindex="-1"
    @keydown="$emit('keydown', $event)"
    @pointerdown.capture="$emit('pointerdown', $event)"
    @copy="$emit('copy', $event)"
    @paste="$emit('paste', $event)"
  >
    <div class="row head" role="row">
      <span role="columnheader"><span class="hidden">Day</span></span>
      <span v-for="one in channels" :key="one.id" role="columnheader" class="channel">
        <ClientLogo v-if="plan.clientOf(one.workspace_id)" v-bind="plan.clientOf(one.workspace_id)!" :size="18" />
        <ChannelLogo v-bind="one" /><b>{{ one.name }}</b>
      </span>
      <span v-if="bare" role="columnheader" class="channel quiet">no channel yet</span>
    </div>
    <div v-for="(day, at) in days" :key="day.date" class="row" role="row" :class="{ today: day.date === period.today }">
      <span class="day" role="rowheader" :class="{ outside: !day.inside }">
        <b>{{ weekdayOf(day.date) }} {{ Number(day.date.slice(8)) }}</b>
        <span class="hidden">{{ calendarDay(day.date) }}</span>
        <span v-if="day.date === period.today" class="quiet">today</span>
        <span class="quiet">{{ [offOn(day), day.clock].filter(Boolean).join(', ') }}</span>
        <DayDates :day="day.date" named />
      </span>
      <PlanCell
        v-for="(channel, column) in columns"
        :key="channel"
        :class="{
          rests: !day.works,
          outside: !day.inside,
          right: column > 1 && column > columns.length - 3,
          low: at > 2 && at > days.length - 4,
        }"
        :place="idOf({ day: day.date, channel })"
        :lines="lines.get(idOf({ day: day.date, channel })) ?? []"
        bare
      />
    </div>
  </div>
</template>

<style scoped>
.channels {
  overflow-x: auto;
  border: 1px solid var(--rule);
}
.row {
  display: grid;
  grid-template-columns: 112px repeat(var(--columns), minmax(150px, 1fr));
  min-width: calc(112px + var(--columns) * 150px);
  min-height: 62px;
  border-top: 1px solid var(--rule);
}
.head {
  min-height: 0;
  border-top: 0;
}
.channel {
  display: flex;
  gap: 7px;
  align-items: center;
  min-width: 0;
  padding: 7px 9px;
  border-left: 1px solid var(--rule);
  background: var(--sheet);
}
.channel b {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.head > :first-child,
.day {
  position: sticky;
  left: 0;
  z-index: 3;
  background: var(--ground);
}
.day {
  padding: 7px 9px;
}
.day > * {
  display: block;
}
.day .quiet {
  font-size: 12px;
}
.day.outside b {
  color: var(--ink-2);
  font-weight: 450;
}
.today {
  border-top: 3px solid var(--ink);
}
.row :deep(.cell) {
  padding: 4px 5px;
}
.row :deep(.cell.rests) {
  background: var(--rest);
}
.row :deep(.cell.outside) {
  background: var(--ground);
}
</style>
