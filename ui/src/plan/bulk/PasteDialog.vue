<script setup lang="ts">
// What came out of a sheet, looked at before it is put.
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { calendarDay } from '@/api/time'
import { counted } from '@/api/words'
import DialogBox from '@/parts/DialogBox.vue'
import type { Change, NewMark, Said } from './block'
import { idOf } from '@/plan/calendar/place'

const MOST = 500
const MOST_DRAFTS = 200
const props = defineProps<{
  change: Change
  outside: number
  channels: Schemas['PlanChannel'][]
  at: (id: string) => Said | undefined
  /** whether drafts can be made of them */
  mayWrite: { ok: boolean } | undefined
}>()
const emit = defineEmits<{ apply: [change: Change]; drafts: [cells: NewMark[]]; close: [] }>()
const days = computed(() => [...new Set(props.change.put.map((mark) => mark.day))].sort())
const columns = computed(() =>
  props.channels.filter((one) => props.change.put.some((mark) => mark.channel_id === one.id)),
)
const cells = computed(
  () => new Map(props.change.put.map((mark) => [idOf({ day: mark.day, channel: mark.channel_id }), mark])),
)
const over = computed(() => [...cells.value.keys()].filter((id) => props.at(id)).length)
/** Those that say something; what says the same on a day is one draft. */
const worded = computed(() => props.change.put.filter((mark) => mark.word.trim() !== ''))
const drafts = computed(() => new Set(worded.value.map((mark) => `${mark.day} ${mark.clock} ${mark.word}`)).size)
const tooMany = computed(() => props.change.put.length > MOST)
const said = (day: string, channel: string): NewMark | undefined => cells.value.get(idOf({ day, channel }))
</script>

<template>
  <DialogBox title="Put these into the plan?" :width="720" @close="emit('close')">
    <p v-if="tooMany" role="alert" class="late">
      These are {{ change.put.length }} cells. At most {{ MOST }} can be put at once: paste a month at a time.
    </p>
    <p v-else-if="change.put.length === 0" role="alert">Nothing of it lies in the cells that are shown.</p>
    <p v-if="over > 0">{{ counted(over, 'cell has', 'cells have') }} a mark already; it is written over.</p>
    <p v-if="outside > 0" class="late">
      {{ counted(outside, 'cell lies', 'cells lie') }} outside of what is shown and {{ outside === 1 ? 'is' : 'are' }}
      left out.
    </p>
    <p class="quiet">As pencil marks that keep a place, or as drafts; the same word on a day is one draft.</p>
    <div class="look" tabindex="0">
      <table v-if="!tooMany && change.put.length > 0" class="list">
        <thead>
          <tr>
            <th scope="col">Day</th>
            <th v-for="one in columns" :key="one.id" scope="col">{{ one.name }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="day in days" :key="day">
            <td>
              <b>{{ calendarDay(day, { weekday: true }) }}</b>
            </td>
            <td v-for="one in columns" :key="one.id">
              <i>{{ said(day, one.id) && (said(day, one.id)!.word || 'a mark') }}</i>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <div class="acts">
      <Button
        type="primary"
        :disabled="tooMany || change.put.length === 0"
        @click="(emit('apply', change), emit('close'))"
        >Put {{ counted(change.put.length, 'mark', 'marks') }}</Button
      >
      <Button
        v-if="mayWrite?.ok"
        :disabled="worded.length === 0 || worded.length > MOST_DRAFTS"
        @click="(emit('drafts', worded), emit('close'))"
        >Make {{ counted(drafts, 'draft', 'drafts') }}</Button
      >
      <Button @click="emit('close')">Cancel</Button>
    </div>
  </DialogBox>
</template>

<style scoped>
.quiet {
  margin: 0 0 8px;
}
.look {
  max-height: 50vh;
  margin-bottom: 12px;
  overflow: auto;
}
</style>
