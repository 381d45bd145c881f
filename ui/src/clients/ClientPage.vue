<script setup lang="ts">
// One client: brand sheet, people, channels, sign-off, rules, record. While it is being set up, the way through the steps.
import { Button } from 'ant-design-vue'
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ok } from '@/api/client'
import { useChosen } from '@/agency/me'
import ClientMark from '@/parts/ClientMark.vue'

const props = defineProps<{ workspace: string }>()
const route = useRoute()
const router = useRouter()
const queries = useQueryClient()
const { workspace: client } = useChosen()
const pages = [
  { name: 'brand', label: 'Brand sheet' },
  { name: 'people', label: 'People' },
  { name: 'channels', label: 'Channels' },
  { name: 'route', label: 'Sign-off' },
  { name: 'settings', label: 'Rules of the house' },
  { name: 'client-record', label: 'Record' },
] as const

// the guided set-up: its steps are these pages, in this order
const steps = [
  { step: 'days', name: 'settings', label: 'Days and hours' },
  { step: 'route', name: 'route', label: 'Sign-off route' },
  { step: 'channel', name: 'channels', label: 'First channel' },
  { step: 'people', name: 'people', label: 'First people' },
] as const
const at = computed(() => steps.findIndex((one) => one.step === client.value?.setup_step))
const keep = useMutation({
  mutationFn: (step: string | null) => ok(api.PUT('/api/w/{workspace}/setup-step', { params: { path: { workspace: props.workspace } }, body: { step } })),
  onSuccess: (_, step) => {
    void queries.invalidateQueries({ queryKey: ['me'] })
    const next = steps.find((one) => one.step === step)
    void router.push({ name: next?.name ?? 'brand', params: { workspace: props.workspace } })
  },
})
</script>

<template>
  <div v-if="client">
    <div class="bar">
      <ClientMark :id="client.id" :mark="client.mark" :edge="client.edge" :picture="client.picture" :size="26" />
      <strong class="name">{{ client.name }}</strong>
      <nav aria-label="Pages of this client">
        <router-link v-for="one in pages" :key="one.name" :to="{ name: one.name, params: { workspace } }" :class="{ here: route.name === one.name }" :aria-current="route.name === one.name ? 'page' : undefined">{{
          one.label
        }}</router-link>
      </nav>
      <span class="fill" />
      <div id="client-acts" />
    </div>
    <div v-if="at >= 0" class="setup" role="region" aria-label="Set-up">
      <ol>
        <li class="done">Name and mark</li>
        <li v-for="(one, index) in steps" :key="one.step" :class="{ done: index < at, now: index === at }" :aria-current="index === at ? 'step' : undefined">
          <router-link :to="{ name: one.name, params: { workspace } }">{{ one.label }}</router-link>
        </li>
      </ol>
      <span class="fill" />
      <span class="quiet">You can leave at any time; it goes on from here.</span>
      <Button v-if="at > 0" size="small" @click="keep.mutate(steps[at - 1]!.step)">Back</Button>
      <Button v-if="at < steps.length - 1" size="small" type="primary" :loading="keep.isPending.value" @click="keep.mutate(steps[at + 1]!.step)">Next: {{ steps[at + 1]!.label.toLowerCase() }}</Button>
      <Button v-else size="small" type="primary" :loading="keep.isPending.value" @click="keep.mutate(null)">Set-up is done</Button>
    </div>
    <router-view v-slot="{ Component }">
      <component :is="Component" :key="workspace" />
    </router-view>
  </div>
  <main v-else class="page">
    <p class="quiet">This client is not here, or not yours to see. <router-link to="/desk">Go to the Desk</router-link></p>
  </main>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
  min-height: 50px;
  padding: 0 20px;
  background: var(--sheet);
  border-bottom: 1px solid var(--rule);
}
.name {
  font-size: 18px;
  font-weight: 750;
  margin-right: 8px;
}
nav {
  display: flex;
  align-self: stretch;
  flex-wrap: wrap;
}
nav a {
  display: flex;
  align-items: center;
  min-height: 36px;
  padding: 0 9px;
  text-decoration: none;
  color: var(--ink-2);
  border-bottom: 3px solid transparent;
}
nav a.here {
  color: var(--ink);
  font-weight: 600;
  border-bottom-color: var(--ink);
}
.setup {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  padding: 8px 20px;
  background: var(--well);
}
.setup ol {
  display: flex;
  flex-wrap: wrap;
  gap: 0 14px;
  counter-reset: step;
}
.setup li {
  counter-increment: step;
  color: var(--ink-2);
}
.setup li::before {
  content: counter(step) ' ';
  font-weight: 750;
}
/* neither face has a tick: it is drawn */
.setup li.done::before {
  content: '';
  display: inline-block;
  width: 4px;
  height: 9px;
  margin: 0 7px 1px 2px;
  border: solid var(--ink-2);
  border-width: 0 2px 2px 0;
  transform: rotate(45deg);
}
.setup li.now {
  color: var(--ink);
  font-weight: 600;
}
</style>
