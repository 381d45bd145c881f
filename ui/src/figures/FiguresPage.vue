<script setup lang="ts">
// How sign-off goes: a line for each of my clients, or one client whole. Whoever is of the client's side has their own
// part of it, where the lead shares that.
import { Segmented, message } from 'ant-design-vue'
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useChosen } from '@/agency/me'
import { api, ok, sentence, unread } from '@/api/client'
import ActButton from '@/parts/ActButton.vue'
import ComingShape from '@/parts/ComingShape.vue'
import KeysHelp from '@/parts/KeysHelp.vue'
import { useKeys } from '@/parts/keys'
import { walkRows } from '@/parts/rows'
import ClientFigures from './ClientFigures.vue'
import { PERIODS, hours, share, span, usePeriod } from './figures'

const props = defineProps<{ workspace?: string }>()
const queries = useQueryClient()
const { id, workspace: client, me, choose } = useChosen()
const { days } = usePeriod()
// of the client's side there is one page
const outside = computed(() => props.workspace !== undefined)
const theirs = ref(false)
const now = computed(() => me.value?.now)

const { data: all, error } = useQuery({
  queryKey: ['figures', 'all', days],
  enabled: computed(() => !id.value && now.value !== undefined),
  queryFn: () => ok(api.GET('/api/figures', { params: { query: span(now.value!, days.value) } })),
})
const shared = computed(() => client.value?.figures_shared ?? false)
const shareThem = useMutation({
  mutationFn: (next: boolean) =>
    ok(
      api.PUT('/api/w/{workspace}/figures/shared', {
        params: { path: { workspace: id.value! } },
        body: { shared: next },
      }),
    ),
  onSuccess: (_, next) =>
    void message.success(
      next ? `${client.value?.name} sees its own part of this now.` : `${client.value?.name} sees it no more.`,
    ),
  onError: (problem) => void message.error(sentence(problem), 8),
  onSettled: () => void queries.invalidateQueries({ queryKey: ['me'] }),
})
const percent = (part: number, whole: number) => (whole === 0 ? '–' : `${Math.round((part / whole) * 100)} %`)
useKeys({ ArrowDown: () => walkRows(1), ArrowUp: () => walkRows(-1) })
</script>

<template>
  <main class="figures">
    <div class="page-head">
      <h1>{{ outside ? 'How sign-off goes' : 'Figures' }}</h1>
      <span v-if="!outside" class="quiet">{{ client?.name ?? 'sign-off of all my clients' }}</span>
      <Segmented
        v-model:value="days"
        :options="PERIODS.map((one) => ({ value: one.days, label: one.label }))"
        aria-label="Of how many days"
      />
      <span class="fill" />
      <router-link v-if="outside" :to="{ name: 'client-plan', params: { workspace: props.workspace } }"
        >Back to the plan</router-link
      >
      <template v-if="client">
        <button type="button" class="link-button" :aria-pressed="theirs" @click="theirs = !theirs">
          {{ theirs ? 'See all of it' : 'See what the client would see' }}
        </button>
        <ActButton
          :may="client.can.share_figures"
          :loading="shareThem.isPending.value"
          @click="shareThem.mutate(!shared)"
          >{{ shared ? 'Show it to the client no more' : 'Show it to the client' }}</ActButton
        >
      </template>
    </div>
    <ClientFigures v-if="id" :key="id" :workspace="id" :days="days" :now="now" :theirs="theirs || outside" />
    <template v-else>
      <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
      <ComingShape v-if="!all && !error" label="Fetching the figures" :lines="6" />
      <table v-if="all" class="list">
        <thead>
          <tr>
            <th scope="col">Client</th>
            <th scope="col" class="right">posts asked</th>
            <th scope="col" class="right">inside, half within</th>
            <th scope="col" class="right">in time</th>
            <th scope="col" class="right">client, half within</th>
            <th scope="col" class="right">nine of ten</th>
            <th scope="col" class="right">in time</th>
            <th scope="col" class="right">came back</th>
            <th scope="col" class="right">right the first time</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in all.clients" :key="one.workspace_id">
            <td>
              <button type="button" data-row class="link-button" @click="choose(one.workspace_id)">
                {{ one.name }}
              </button>
            </td>
            <td class="right">{{ one.posts.asked }}</td>
            <td class="right">{{ hours(one.internal.time.median) }}</td>
            <td class="right">{{ share(one.internal.in_time) }}</td>
            <td class="right">{{ hours(one.client.time.median) }}</td>
            <td class="right">{{ hours(one.client.time.p90) }}</td>
            <td class="right">{{ share(one.client.in_time) }}</td>
            <td class="right">{{ percent(one.posts.back, one.posts.asked) }}</td>
            <td class="right">{{ percent(one.posts.first_time, one.posts.cleared) }}</td>
          </tr>
        </tbody>
      </table>
    </template>
    <KeysHelp
      v-if="!outside && !id"
      :keys="[
        ['↓ ↑', 'next and previous client'],
        ['Enter', 'open'],
      ]"
    />
  </main>
</template>

<style scoped>
.figures {
  padding: 14px 20px 40px;
}
.list .right {
  text-align: right;
  font-variant-numeric: tabular-nums;
}
</style>
