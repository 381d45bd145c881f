<script setup lang="ts">
// The plan as the client sees it, for the house to look with their eyes: what was shared and nothing else; and the
// links under which it stands without an account.
import { Button } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useChosen } from '@/agency/me'
import { api, ok, unread } from '@/api/client'
import { readerLanguage } from '@/api/time'
import ActButton from '@/parts/ActButton.vue'
import ComingShape from '@/parts/ComingShape.vue'
import { later } from '@/parts/later'
import { offerUndo } from '@/parts/undo'
import GivenIdeas from '@/review/GivenIdeas.vue'
import SharedPlan from '@/review/SharedPlan.vue'
import { attempt } from '@/parts/problem'

const PlanLinksDialog = later(() => import('./PlanLinksDialog.vue'))
const props = defineProps<{ workspace: string }>()
const { workspace: client, me } = useChosen()
const queries = useQueryClient()
const path = { workspace: props.workspace }
const key = ['plan', props.workspace, 'client-plan']
const { data, error } = useQuery({
  queryKey: key,
  queryFn: () => ok(api.GET('/api/w/{workspace}/client-plan', { params: { path } })),
})
const sharing = ref(false)
const given = () => ok(api.GET('/api/w/{workspace}/given-ideas', { params: { path } }))
const give = (said: { title: string; note: string }) =>
  ok(api.POST('/api/w/{workspace}/given-ideas', { params: { path }, body: said }))
// whoever is of the client's side has this page and no other
const inHouse = computed(() => !!client.value)
const theirs = computed(() => me.value?.workspaces.find((one) => one.id === props.workspace && one.side === 'client'))
const print = () => window.print()

async function keep(post: { id: string; subject: string }, out: boolean): Promise<boolean> {
  const done = await attempt(() =>
    ok(
      api.PUT('/api/w/{workspace}/posts/{post}/kept-out', {
        params: { path: { ...path, post: post.id } },
        body: { out },
      }),
    ),
  )
  if (done && out) offerUndo(`“${post.subject}” is kept out of what the client sees.`, () => keep(post, false))
  await queries.invalidateQueries({ queryKey: key })
  return done
}
</script>

<template>
  <main class="client-plan">
    <div class="page-head">
      <h1>{{ inHouse ? 'The plan as the client sees it' : 'The plan' }}</h1>
      <span class="quiet">{{ data?.client.name }}</span>
      <span class="fill" />
      <router-link v-if="theirs?.figures_shared" :to="{ name: 'client-figures', params: { workspace } }"
        >How sign-off goes</router-link
      >
      <template v-if="inHouse">
        <router-link :to="{ name: 'plan', query: { client: workspace } }">Back to the plan</router-link>
        <Button size="small" @click="print">Print</Button>
        <ActButton type="primary" :may="client?.can.share_plan" @click="sharing = true">Plan links …</ActButton>
      </template>
    </div>
    <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
    <ComingShape v-if="!data && !error" label="Fetching the plan" :lines="12" />
    <SharedPlan v-if="data" :plan="data" :in-house="inHouse" :language="readerLanguage()">
      <template v-if="inHouse" #act="{ post }">
        <p class="do">
          <router-link :to="{ name: 'post', params: { workspace, post: post.id } }">open</router-link>
          <ActButton link :may="client?.can.keep_out" @click="keep(post, true)">keep it out</ActButton>
        </p>
      </template>
    </SharedPlan>
    <GivenIdeas v-if="theirs" language="en" :read="given" :give="give" />
    <PlanLinksDialog
      v-if="sharing"
      :workspace="workspace"
      :name="client?.name ?? ''"
      :now="me!.now"
      @close="sharing = false"
    />
  </main>
</template>

<style scoped>
.client-plan {
  padding: 14px 20px 40px;
}
.do {
  display: flex;
  gap: 12px;
  align-items: center;
  font-size: 12px;
}
@media print {
  .do,
  .page-head > :not(h1, .quiet) {
    display: none;
  }
}
</style>
