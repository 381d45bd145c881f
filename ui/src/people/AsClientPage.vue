<script setup lang="ts">
// What a client's person sees, for an owner who looks as them: their asks, each exactly as its link shows it, and the plan as
// far as it was shared.
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, ok, unread } from '@/api/client'
import { moment } from '@/api/time'
import { useMe } from '@/agency/me'
import SharedPlan from '@/review/SharedPlan.vue'

const { data: me } = useMe()
const looked = computed(() => me.value?.looking_as?.workspace_id)
const { data: plan } = useQuery({
  queryKey: ['plan', looked, 'client-plan'],
  queryFn: () => ok(api.GET('/api/w/{workspace}/client-plan', { params: { path: { workspace: looked.value! } } })),
  enabled: computed(() => !!looked.value),
})
const { data, error } = useQuery({ queryKey: ['looked-asks'], queryFn: () => ok(api.GET('/api/look-as/asks')) })
</script>

<template>
  <main class="page">
    <p v-if="error" role="alert">{{ unread(error) }}</p>
    <section v-if="me?.looking_as && data" class="block narrow">
      <div class="block-head">
        <h2>What {{ me.looking_as.name }} sees</h2>
        <span class="quiet">these asks, each by the link in its mail; no draft, no house talk</span>
      </div>
      <ul>
        <li v-for="ask in data.asks" :key="ask.id">
          <a :href="`/review/#look=${ask.id}`" target="_blank" rel="opener"
            >{{ ask.posts === 1 ? 'One post' : `${ask.posts} posts` }}, asked by {{ ask.asked_by }} on
            {{ moment(ask.asked_at) }}</a
          >
          <span class="quiet">{{ ask.withdrawn ? 'withdrawn' : `wanted by ${moment(ask.due_at)}` }}</span>
        </li>
        <li v-if="data.asks.length === 0" class="quiet">
          Nothing so far: {{ me.looking_as.name }} has not been asked, and nothing else is shown to them.
        </li>
      </ul>
    </section>
    <section v-if="me?.looking_as && plan" class="block">
      <div class="block-head">
        <h2>The plan that they see</h2>
      </div>
      <SharedPlan :plan="plan" in-house />
    </section>
  </main>
</template>

<style scoped>
.narrow {
  max-width: 860px;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 8px 0;
  border-bottom: 1px solid var(--hairline);
}
</style>
