<script setup lang="ts">
// How the days that are shown stand to the mix that is wanted, and how evenly posts follow each other on each channel.
import { useQuery } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, ok, unread } from '@/api/client'
import { calendarDay, monthYear, wallClock } from '@/api/time'
import ActButton from '@/parts/ActButton.vue'
import { counted, titled } from '@/api/words'
import ChannelLogo from '@/parts/ChannelLogo.vue'
import ComingShape from '@/parts/ComingShape.vue'
import DialogBox from '@/parts/DialogBox.vue'
import MixTable from './MixTable.vue'
import PaceForm from './PaceForm.vue'
import PaceProposals from './PaceProposals.vue'

const props = defineProps<{
  workspace: string
  days: [string, string]
  /** whether the reader may say which pace is wanted */
  may: { ok: boolean; why?: string } | undefined
}>()
const changing = ref(false)
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
  <DialogBox :title="`Balance, ${calendarDay(from)} to ${calendarDay(to)}`" :width="620" @close="emit('close')">
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
          <ChannelLogo :network="one.channel.network" :initials="one.channel.initials" />
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
      <h3>Proposals</h3>
      <PaceForm v-if="changing" :workspace="workspace" :limits="data.limits" @done="changing = false" />
      <template v-else>
        <PaceProposals :workspace="workspace" :proposals="data.proposals" />
        <p><ActButton link :may="may" @click="changing = true">Say which pace is wanted</ActButton></p>
      </template>
      <h3>{{ monthYear(data.last.month) }}</h3>
      <p v-if="data.last.channels.length === 0" class="quiet">Nothing went out in that month.</p>
      <ul class="pace">
        <li v-for="one in data.last.channels" :key="one.channel.id">
          <ChannelLogo :network="one.channel.network" :initials="one.channel.initials" />
          <span
            ><b>{{ one.channel.name }}</b> {{ counted(one.posts, 'post', 'posts') }} went out;
            {{ one.again === 0 ? 'none' : one.again }} of them {{ one.again === 1 ? 'names' : 'name' }} no day, hour or
            price{{ one.again > 0 ? ' and can be used again' : '' }}.</span
          >
        </li>
      </ul>
      <p v-if="data.last.again.length > 0">
        To use again:
        <template v-for="(one, at) in data.last.again" :key="one.post_id"
          >{{ at > 0 ? ', ' : ''
          }}<router-link :to="{ name: 'post', params: { workspace, post: one.post_id } }">{{
            titled(one.subject)
          }}</router-link></template
        >
      </p>
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
