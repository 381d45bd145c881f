<script setup lang="ts">
// How the days that are shown stand to the mix that is wanted, and how evenly posts follow each other on each channel.
import { useQuery } from '@tanstack/vue-query'
import { api, ok, unread } from '@/api/client'
import { calendarDay, wallClock } from '@/api/time'
import { counted } from '@/api/words'
import ChannelMark from '@/parts/ChannelMark.vue'
import ComingShape from '@/parts/ComingShape.vue'
import DialogBox from '@/parts/DialogBox.vue'
import MixTable from './MixTable.vue'

const props = defineProps<{ workspace: string; days: [string, string] }>()
const emit = defineEmits<{ close: [] }>()
const [from, to] = props.days
const { data, error } = useQuery({
  queryKey: ['plan', props.workspace, 'balance', from, to],
  queryFn: () =>
    ok(
      api.GET('/api/w/{workspace}/plan/balance', {
        params: { path: { workspace: props.workspace }, query: { from, to } },
      }),
    ),
})
const stretch = (gap: { from: string; to: string; days: number }) =>
  gap.days === 1 ? calendarDay(gap.from) : `${calendarDay(gap.from)} to ${calendarDay(gap.to)}`
</script>

<template>
  <DialogBox :title="`Balance, ${calendarDay(from)} to ${calendarDay(to)}`" :width="560" @close="emit('close')">
    <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
    <ComingShape v-if="!data && !error" label="Weighing the plan" :lines="5" />
    <template v-if="data">
      <h3>Labels</h3>
      <MixTable v-if="data.mix.wanted" :mix="data.mix" />
      <p v-else class="quiet">No mix is wanted for this client yet.</p>
      <p>
        <router-link :to="{ name: 'labels', params: { workspace } }">{{
          data.mix.wanted ? 'Change what is wanted' : 'Say what is wanted'
        }}</router-link>
      </p>
      <h3>Pace</h3>
      <p v-if="data.pace.length === 0" class="quiet">Nothing goes out in these days.</p>
      <ul class="pace">
        <li v-for="one in data.pace" :key="one.channel.id">
          <ChannelMark :network="one.channel.network" :initials="one.channel.initials" />
          <span
            ><b>{{ one.channel.name }}</b> {{ one.a_week }} a week, {{ counted(one.posts, 'post', 'posts') }}
            <template v-if="one.gap && one.gap.days > 1">
              · longest stretch without one: {{ counted(one.gap.days, 'day', 'days') }},
              {{ stretch(one.gap) }}</template
            >
            <template v-for="[first, second] in one.close" :key="first">
              · close together: {{ calendarDay(first!.slice(0, 10)) }} {{ wallClock(first!) }} and
              {{ wallClock(second!) }}
            </template></span
          >
        </li>
      </ul>
    </template>
  </DialogBox>
</template>

<style scoped>
h3 {
  margin: 12px 0 4px;
  font-size: 13px;
  font-weight: 600;
}
.pace li {
  display: flex;
  gap: 8px;
  padding: 5px 0;
  border-bottom: 1px solid var(--hairline);
}
</style>
