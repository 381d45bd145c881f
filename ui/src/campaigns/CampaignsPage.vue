<script setup lang="ts">
// Campaigns of one or all of my clients: those that run or come first, with how far their posts are.
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { useChosen } from '@/agency/me'
import { unread, type Schemas } from '@/api/client'
import { money } from '@/api/money'
import { calendarDay } from '@/api/time'
import { STAGES, counted } from '@/api/words'
import ActButton from '@/parts/ActButton.vue'
import ClientLogo from '@/parts/ClientLogo.vue'
import ComingShape from '@/parts/ComingShape.vue'
import KeysHelp from '@/parts/KeysHelp.vue'
import { useKeys } from '@/parts/keys'
import { later } from '@/parts/later'
import { walkRows } from '@/parts/rows'
import { progress, useCampaigns, type Listed } from './campaigns'

const CampaignDialog = later(() => import('./CampaignDialog.vue'))
const router = useRouter()
const { id, workspace, workspaces } = useChosen()
const { data, error } = useCampaigns(id)
const facts = computed(() => Object.fromEntries(workspaces.value.map((one) => [one.id, one])))
const making = ref(false)
const ORDER = Object.keys(STAGES) as Schemas['Stage'][]
const stages = (one: Listed) =>
  ORDER.flatMap((stage) => (one.stages[stage] ? [{ stage, count: one.stages[stage] }] : []))
const total = (one: Listed) => Object.values(one.stages).reduce((all, count) => all + count, 0)
const over = (one: Listed) => !!one.last && one.last < data.value!.today
const to = (one: Listed) => ({ name: 'campaign', params: { workspace: one.workspace_id, campaign: one.id } })
useKeys({ ArrowDown: () => walkRows(1), ArrowUp: () => walkRows(-1) })
</script>

<template>
  <main class="campaigns">
    <div class="page-head">
      <h1>Campaigns</h1>
      <span class="quiet">{{ workspace?.name ?? 'of all my clients' }}</span>
      <span class="fill" />
      <router-link :to="{ name: 'plan', query: id ? { client: id } : {} }">Back to the plan</router-link>
      <ActButton v-if="workspace" type="primary" :may="workspace.can.plan_campaign" @click="making = true"
        >New campaign</ActButton
      >
    </div>
    <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
    <ComingShape v-if="!data && !error" label="Fetching the campaigns" :lines="6" />
    <ul v-if="data" class="list">
      <li v-for="one in data.campaigns" :key="one.id" :class="{ over: over(one) }">
        <router-link data-row :to="to(one)">
          <span class="name">
            <ClientLogo v-if="!workspace && facts[one.workspace_id]" v-bind="facts[one.workspace_id]!" :size="18" />
            <b dir="auto">{{ one.name }}</b>
            <span v-if="one.goal" class="quiet goal" dir="auto">{{ one.goal }}</span>
          </span>
          <span class="days">
            <template v-if="one.first && one.last"
              >{{ calendarDay(one.first) }} to {{ calendarDay(one.last) }}
              <svg class="bar" viewBox="0 0 100 4" preserveAspectRatio="none" aria-hidden="true">
                <rect width="100" height="4" fill="var(--well)" />
                <rect :width="(progress(one, data.today) ?? 0) * 100" height="4" fill="var(--ink)" />
              </svg>
            </template>
            <span v-else class="quiet">no period yet</span>
          </span>
          <span class="posts">
            <b>{{ counted(total(one), 'post', 'posts') }}</b>
            <span v-for="{ stage, count } in stages(one)" :key="stage" :class="`stage-${stage}`" class="of"
              >{{ count }} {{ STAGES[stage] }}</span
            >
          </span>
          <span class="right">{{ one.budget ? money(one.budget) : '' }}</span>
        </router-link>
      </li>
      <li v-if="data.campaigns.length === 0" class="none">
        No campaign yet. One has a period, a goal, its channels and a mix of labels, and shows what is missing until it
        can start.
      </li>
    </ul>
    <p v-if="data?.cut" class="quiet" role="status">There are more: choose one client.</p>
    <CampaignDialog
      v-if="making && workspace && data"
      :workspace="workspace.id"
      :currency="data.currencies[workspace.id]!"
      @saved="(campaign: string) => router.push({ name: 'campaign', params: { workspace: workspace!.id, campaign } })"
      @close="making = false"
    />
    <KeysHelp
      :keys="[
        ['↓ ↑', 'next and previous campaign'],
        ['Enter', 'open'],
      ]"
    />
  </main>
</template>

<style scoped>
.campaigns {
  padding: 14px 20px 40px;
}
.list {
  border-top: 2px solid var(--ink);
}
.list li {
  border-bottom: 1px solid var(--rule);
}
.list a {
  display: grid;
  grid-template-columns: minmax(240px, 1.4fr) 190px minmax(240px, 1fr) 120px;
  gap: 16px;
  align-items: center;
  min-height: 52px;
  padding: 6px 8px;
  text-decoration: none;
}
.list a:hover {
  background: var(--sheet);
}
.over {
  color: var(--ink-2);
}
.name {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 8px;
  align-items: center;
  min-width: 0;
}
.goal {
  flex-basis: 100%;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.bar {
  display: block;
  width: 100%;
  height: 4px;
  margin-top: 4px;
}
.posts {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
}
.of {
  padding-left: 6px;
  border-left: 3px solid var(--stage);
}
.right {
  text-align: right;
}
.none {
  padding: 14px 8px;
  color: var(--ink-2);
}
@media (max-width: 700px) {
  .list a {
    grid-template-columns: 1fr;
    gap: 4px;
  }
  .right {
    text-align: left;
  }
}
</style>
