<script setup lang="ts">
// A campaign at a glance: what is missing until it can start, how far its posts are, its weeks, its mix, its money, and
// what it is for.
import { computed, ref, watch } from 'vue'
import { message } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { useChosen } from '@/agency/me'
import { api, ok, sentence, unread, type Schemas } from '@/api/client'
import FileRows from '@/clients/FileRows.vue'
import RouteChoice from '@/signoff/routes/RouteChoice.vue'
import { money } from '@/api/money'
import { calendarDay } from '@/api/time'
import { STAGES, counted, list } from '@/api/words'
import ActButton from '@/parts/ActButton.vue'
import ChannelLogo from '@/parts/ChannelLogo.vue'
import ComingShape from '@/parts/ComingShape.vue'
import { later } from '@/parts/later'
import { entitle } from '@/parts/title'
import MixTable from './MixTable.vue'
import { briefHtml } from './brief'
import { useCampaign } from './campaigns'

const CampaignDialog = later(() => import('./CampaignDialog.vue'))
const AskSeveralDialog = later(() => import('@/signoff/asks/AskSeveralDialog.vue'))

const props = defineProps<{ workspace: string; campaign: string }>()
const { workspace: client } = useChosen()
const { data, error } = useCampaign(props.workspace, props.campaign)
const queries = useQueryClient()
const changing = ref(false)
const asking = ref(false)
const toAsk = computed(() => new Map((data.value?.post_ids ?? []).map((id) => [id, { workspace: props.workspace }])))
const again = () => void queries.invalidateQueries({ queryKey: ['plan', props.workspace, 'campaign', props.campaign] })
async function remove(file: string) {
  try {
    const path = { workspace: props.workspace, campaign: props.campaign, campaign_file: file }
    await ok(api.DELETE('/api/w/{workspace}/campaigns/{campaign}/files/{campaign_file}', { params: { path } }))
  } catch (problem) {
    void message.error(sentence(problem), 8)
  }
  again()
}
async function chooseRoute(body: { route_id: string | null; reason: string }) {
  const path = { workspace: props.workspace, campaign: props.campaign }
  await ok(api.PUT('/api/w/{workspace}/campaigns/{campaign}/route', { params: { path }, body }))
  again()
}
watch(data, (found) => found && entitle(found.name))

const ORDER = Object.keys(STAGES) as Schemas['Stage'][]
const stages = computed(() =>
  ORDER.flatMap((stage) => (data.value?.stages[stage] ? [{ stage, count: data.value.stages[stage] }] : [])),
)
const total = computed(() => stages.value.reduce((all, one) => all + one.count, 0))
const most = computed(() => Math.max(1, ...(data.value?.weeks ?? []).map((week) => week.posts)))
const when = computed(() => {
  const { first, last, today } = data.value!
  if (!first || !last) return 'no period yet'
  const days = `${calendarDay(first, { year: true })} to ${calendarDay(last, { year: true })}`
  const until = Math.round((Date.parse(first) - Date.parse(today)) / 86_400_000)
  if (until > 0) return `${days}, begins in ${counted(until, 'day', 'days')}`
  return today > last ? `${days}, over` : `${days}, running`
})
const started = computed(() => !!data.value?.first && data.value.first <= data.value.today)
const MONEY = [
  ['planned', 'planned'],
  ['agreed', 'agreed: every yes is there'],
  ['spent', 'spent: it is out'],
] as const
const posts = (more: Record<string, string> = {}) => ({
  name: 'plan',
  query: { client: props.workspace, view: 'list', campaigns: props.campaign, ...more },
})
</script>

<template>
  <main class="campaign">
    <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
    <ComingShape v-if="!data && !error" label="Fetching the campaign" :lines="10" />
    <template v-if="data">
      <div class="page-head">
        <h1 dir="auto">{{ data.name }}</h1>
        <span class="quiet">{{ client?.name }} · {{ when }}</span>
        <span class="fill" />
        <router-link :to="{ name: 'campaigns', query: { client: workspace } }">All campaigns</router-link>
        <router-link :to="posts(data.first ? { day: data.first } : {})">Its posts in the plan</router-link>
        <ActButton v-if="data.post_ids.length > 0" :may="data.can.ask" @click="asking = true"
          >Ask for its posts …</ActButton
        >
        <ActButton type="primary" :may="data.can.plan_campaign" @click="changing = true">Change …</ActButton>
        <AskSeveralDialog v-if="asking" :posts="toAsk" @done="again" @close="asking = false" />
      </div>
      <div class="sheet">
        <div class="main">
          <section aria-labelledby="c-missing">
            <h2 id="c-missing">{{ started ? 'What is missing' : 'Missing until it can start' }}</h2>
            <ol v-if="data.missing.length > 0" class="missing">
              <li v-for="gap in data.missing" :key="gap.code + gap.sentence">
                {{ gap.sentence }}
                <router-link v-if="gap.field === 'posts' && total > 0" :to="posts()">Look</router-link>
                <ActButton v-else-if="gap.field !== 'posts'" link :may="data.can.plan_campaign" @click="changing = true"
                  >See to it</ActButton
                >
              </li>
            </ol>
            <p v-else class="quiet">Nothing: it is ready.</p>
          </section>
          <section aria-labelledby="c-posts">
            <h2 id="c-posts">{{ counted(total, 'post', 'posts') }}</h2>
            <p class="stages">
              <router-link
                v-for="{ stage, count } in stages"
                :key="stage"
                :to="posts({ stages: stage })"
                class="of"
                :class="`stage-${stage}`"
                ><b>{{ count }}</b> {{ STAGES[stage] }}</router-link
              >
            </p>
            <div
              v-if="data.weeks.length > 0"
              class="weeks"
              role="img"
              :aria-label="`Posts in each week: ${data.weeks.map((week) => `week ${week.number} ${week.posts}`).join(', ')}`"
            >
              <span
                v-for="week in data.weeks"
                :key="week.first"
                :class="{ now: week.first <= data.today && data.today < week.first + '~' }"
              >
                <i
                  class="stack"
                  :title="`Week ${week.number}, from ${calendarDay(week.first)}: ${counted(week.posts, 'post', 'posts')}, ${week.open} without every yes`"
                >
                  <i v-if="week.open > 0" class="open" :style="{ height: `${(week.open / most) * 64}px` }" />
                  <i
                    v-if="week.posts > week.open"
                    class="ready"
                    :style="{ height: `${((week.posts - week.open) / most) * 64}px` }"
                  />
                </i>
                <small>{{ week.number }}</small>
              </span>
            </div>
            <p v-if="data.weeks.length > 0" class="quiet legend">
              by week: <i class="ready" /> with every yes <i class="open" /> not yet
            </p>
          </section>
          <section aria-labelledby="c-mix">
            <h2 id="c-mix">Labels</h2>
            <MixTable v-if="data.mix.wanted" :mix="data.mix" />
            <p v-else class="quiet">
              No mix is wanted yet.
              <ActButton link :may="data.can.plan_campaign" @click="changing = true">Say which</ActButton>
            </p>
          </section>
        </div>
        <aside class="beside" aria-label="What it is">
          <section>
            <h2>Goal</h2>
            <p dir="auto">{{ data.goal || 'None yet.' }}</p>
          </section>
          <section v-if="data.brief">
            <h2>Brief</h2>
            <!-- eslint-disable-next-line vue/no-v-html -- cleaned of everything that acts, see brief.ts -->
            <div class="brief" dir="auto" v-html="briefHtml(data.brief)" />
          </section>
          <section v-if="data.files.length > 0 || data.can.plan_campaign?.ok">
            <h2>Files</h2>
            <FileRows
              :files="data.files"
              :address="`/api/w/${workspace}/campaigns/${campaign}/files`"
              :may="data.can.plan_campaign?.ok === true"
              @changed="again"
              @remove="remove"
            />
          </section>
          <section>
            <h2>Sign-off</h2>
            <RouteChoice
              :workspace="workspace"
              :name="data.route.name"
              :own="data.route.id"
              usual="The client’s own"
              :may="data.can.choose_campaign_route"
              :put="chooseRoute"
            />
            <p>
              <span class="quiet">Sign-off sheet</span>
              <a :href="`/api/w/${workspace}/sign-off.pdf?campaign=${campaign}`" download>PDF</a>&#32;
              <a :href="`/api/w/${workspace}/sign-off.csv?campaign=${campaign}`" download>CSV</a>&#32;
              <a :href="`/api/w/${workspace}/sign-off.json?campaign=${campaign}`" download>proof</a>
            </p>
          </section>
          <section>
            <h2>Channels</h2>
            <ul>
              <li v-for="one in data.by_channel" :key="one.id" class="channel">
                <ChannelLogo :network="one.network" :initials="one.initials" />
                <span>{{ one.name }}</span>
                <span v-if="!one.own" class="quiet">not its own</span>
                <span class="fill" />
                <span>{{ counted(one.posts, 'post', 'posts') }}</span>
              </li>
              <li v-if="data.by_channel.length === 0" class="quiet">None yet.</li>
            </ul>
          </section>
          <section>
            <h2>Money</h2>
            <dl class="money">
              <dt>budget</dt>
              <dd>{{ data.budget ? money(data.budget) : 'none' }}</dd>
              <template v-for="[key, words] in MONEY" :key="key">
                <dt>{{ words }}</dt>
                <dd>{{ data.money[key].map(money).join(', ') || 'nothing' }}</dd>
              </template>
            </dl>
          </section>
          <section v-if="data.people.length > 0">
            <h2>People</h2>
            <p>{{ list(data.people.map((one) => one.name)) }}</p>
          </section>
          <section v-if="data.dates.length > 0">
            <h2>In its days</h2>
            <ul>
              <li v-for="date in data.dates" :key="date.id + date.first">
                <span class="quiet">{{ calendarDay(date.first) }}</span> {{ date.name }}
              </li>
            </ul>
          </section>
        </aside>
      </div>
      <CampaignDialog
        v-if="changing"
        :workspace="workspace"
        :currency="data.currency"
        :campaign="data"
        @saved="changing = false"
        @close="changing = false"
      />
    </template>
  </main>
</template>

<style scoped>
.campaign {
  padding: 14px 20px 40px;
}
h2 {
  margin-bottom: 6px;
  font-size: 15px;
  font-weight: 600;
}
.sheet {
  display: flex;
  border-top: 2px solid var(--ink);
}
.main {
  flex: 1;
  min-width: 0;
  padding: 14px 28px 0 0;
}
.beside {
  flex: 0 0 340px;
  padding: 14px 18px;
  border-left: 3px solid var(--ink);
  background: var(--sheet);
  overflow-wrap: anywhere;
}
section {
  margin-bottom: 22px;
}
.missing li {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 32px;
  padding-left: 26px;
  border-bottom: 1px solid var(--rule);
  counter-increment: gap;
  position: relative;
}
.missing li::before {
  content: counter(gap);
  position: absolute;
  left: 2px;
  color: var(--ink-2);
}
.missing {
  counter-reset: gap;
  border-top: 1px solid var(--rule);
}
.stages {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  margin-bottom: 12px;
}
.of {
  padding: 3px 0 3px 7px;
  border-left: 3px solid var(--stage);
  text-decoration: none;
}
.of:hover {
  text-decoration: underline;
}
.weeks {
  display: flex;
  gap: 6px;
  align-items: end;
  max-width: 720px;
  border-bottom: 1px solid var(--rule);
}
.weeks > span {
  flex: 1;
  max-width: 46px;
  text-align: center;
}
.stack {
  display: flex;
  flex-direction: column;
  justify-content: flex-end;
  height: 66px;
}
i.ready {
  background: var(--ink);
}
i.open {
  border: 1px solid var(--ink);
  background: var(--sheet);
}
.weeks i.open,
.weeks i.ready {
  display: block;
}
small {
  font-size: 12px;
  color: var(--ink-2);
}
.legend {
  margin-top: 4px;
  font-size: 12px;
}
.legend i {
  display: inline-block;
  width: 14px;
  height: 8px;
  margin: 0 2px 0 10px;
}
.channel {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 28px;
}
.money {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 3px 10px;
}
dt {
  color: var(--ink-2);
}
dd {
  text-align: right;
}
.brief :deep(ul),
.brief :deep(ol) {
  padding-left: 18px;
  list-style: disc;
}
.brief :deep(ol) {
  list-style: decimal;
}
.brief :deep(h1),
.brief :deep(h2),
.brief :deep(h3) {
  margin: 8px 0 2px;
  font-size: 13px;
  font-weight: 600;
}
.brief :deep(p) {
  margin-bottom: 6px;
}
@media (max-width: 900px) {
  .sheet {
    display: block;
  }
  .main {
    padding-right: 0;
  }
  .beside {
    margin-top: 10px;
    border-left: 0;
    border-top: 3px solid var(--ink);
  }
}
</style>
