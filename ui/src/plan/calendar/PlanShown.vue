<script setup lang="ts">
// What stands in the plan, as the view shows it: a month, a week, channels, a wall, a list or a year, with the tray of
// what has no time yet.
import type { UnwrapNestedRefs } from 'vue'
import { useRouter } from 'vue-router'
import { later } from '@/parts/later'
import type { useSelecting } from '@/plan/bulk/selecting'
import ChannelGrid from './ChannelGrid.vue'
import MonthGrid from './MonthGrid.vue'
import PlanTray from './PlanTray.vue'
import WeekGrid from './WeekGrid.vue'
import type { Row } from './list'
import type { Period } from './period'
import type { Shown } from './shown'

const PlanList = later(() => import('./PlanList.vue'))
const PlanWall = later(() => import('./PlanWall.vue'))
const YearGrid = later(() => import('./YearGrid.vue'))

type Waiting = Period['tray']['posts'][number]
defineProps<{
  shown: UnwrapNestedRefs<Shown>
  sheet: ReturnType<typeof useSelecting>
  /** on a phone everything is a month */
  narrow: boolean
}>()
const emit = defineEmits<{ time: [row: Row]; grab: [event: PointerEvent, post: Waiting]; take: [post: Waiting] }>()
const router = useRouter()
</script>

<template>
  <YearGrid
    v-if="shown.view === 'year' && shown.year"
    :year="shown.year"
    :months="shown.months"
    :label="shown.heading"
    :week-start="shown.workspace?.week_start ?? 1"
    :day="shown.day"
    :client-of="shown.clientOf"
    @campaign="(of: string, campaign: string) => router.push({ name: 'campaign', params: { workspace: of, campaign } })"
    @stand="(next: string) => shown.set({ day: next })"
    @open="(next: string) => shown.set({ view: '', span: '', day: next })"
  />
  <template v-if="shown.data">
    <WeekGrid
      v-if="shown.view === 'week' && !narrow && shown.data.weeks.length === 1"
      :period="shown.data"
      :label="`${shown.heading}, ${shown.dates}`"
      :now="shown.now"
      :off-on="shown.offOn"
    />
    <ChannelGrid
      v-else-if="shown.view === 'channels' && !narrow"
      :period="shown.data"
      :label="shown.heading"
      :channels="shown.channels"
      :off-on="shown.offOn"
      @keydown="sheet.keydown"
      @pointerdown="sheet.pointerdown"
      @copy="sheet.copy"
      @paste="sheet.paste"
    />
    <PlanWall
      v-else-if="shown.view === 'wall' && shown.id"
      :workspace="shown.id"
      :channels="shown.channels"
      :channel="shown.wall"
      @update:channel="(next: string) => shown.set({ wall: next })"
    />
    <p v-else-if="shown.view === 'wall'" class="quiet">A wall is that of a channel: choose a client first.</p>
    <PlanList
      v-else-if="shown.view === 'list'"
      :rows="shown.listed.data?.rows ?? []"
      :clients="shown.facts"
      :choices="shown.choices"
      :of-one="!!shown.id"
      @time="emit('time', $event)"
    />
    <MonthGrid v-else :period="shown.data" :label="shown.heading" :off-on="shown.offOn" />
    <p v-if="shown.narrowed && shown.data.lines.length === 0" class="quiet">
      Nothing in these days is {{ shown.narrowed }}.
    </p>
    <PlanTray
      :tray="shown.data.tray"
      @grab="(event, post) => emit('grab', event, post)"
      @take="(post) => emit('take', post)"
    />
  </template>
</template>
