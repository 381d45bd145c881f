<script setup lang="ts">
// One client: brand sheet, people, channels, sign-off, rules, record. While it is being set up, the way through the
// steps.
import { Button } from 'ant-design-vue'
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { api, ok } from '@/api/client'
import { useChosen } from '@/agency/me'
import ClientLogo from '@/parts/ClientLogo.vue'
import PageBar from '@/parts/PageBar.vue'

const props = defineProps<{ workspace: string }>()
const router = useRouter()
const queries = useQueryClient()
const { workspace: client } = useChosen()
const pages = [
  { name: 'brand', label: 'Brand sheet' },
  { name: 'people', label: 'People' },
  { name: 'channels', label: 'Channels' },
  { name: 'route', label: 'Sign-off' },
  { name: 'settings', label: 'Client settings' },
  { name: 'client-record', label: 'Record' },
] as const
const bar = computed(() =>
  pages.map((one) => ({ ...one, to: { name: one.name, params: { workspace: props.workspace } } })),
)

// the guided set-up: its steps are these pages, in this order
const steps = [
  { step: 'days', name: 'settings', label: 'Days and hours' },
  { step: 'route', name: 'route', label: 'Sign-off route' },
  { step: 'channel', name: 'channels', label: 'First channel' },
  { step: 'people', name: 'people', label: 'First people' },
] as const
const at = computed(() => steps.findIndex((one) => one.step === client.value?.setup_step))
const keep = useMutation({
  mutationFn: (step: string | null) =>
    ok(api.PUT('/api/w/{workspace}/setup-step', { params: { path: { workspace: props.workspace } }, body: { step } })),
  onSuccess: (_, step) => {
    void queries.invalidateQueries({ queryKey: ['me'] })
    const next = steps.find((one) => one.step === step)
    void router.push({ name: next?.name ?? 'brand', params: { workspace: props.workspace } })
  },
})
</script>

<template>
  <div v-if="client">
    <PageBar :name="client.name" label="Pages of this client" :pages="bar">
      <template #logo
        ><ClientLogo
          :id="client.id"
          :initials="client.initials"
          :edge="client.edge"
          :picture="client.picture"
          :size="26"
      /></template>
      <template #acts><div id="client-acts" /></template>
    </PageBar>
    <div v-if="at >= 0" class="setup" role="region" aria-label="Set-up">
      <ol>
        <li class="done">Name and logo</li>
        <li
          v-for="(one, index) in steps"
          :key="one.step"
          :class="{ done: index < at, now: index === at }"
          :aria-current="index === at ? 'step' : undefined"
        >
          <router-link :to="{ name: one.name, params: { workspace } }">{{ one.label }}</router-link>
        </li>
      </ol>
      <span class="fill" />
      <span class="quiet">You can leave at any time; it goes on from here.</span>
      <Button v-if="at > 0" size="small" @click="keep.mutate(steps[at - 1]!.step)">Back</Button>
      <Button
        v-if="at < steps.length - 1"
        size="small"
        type="primary"
        :loading="keep.isPending.value"
        @click="keep.mutate(steps[at + 1]!.step)"
        >Next: {{ steps[at + 1]!.label.toLowerCase() }}</Button
      >
      <Button v-else size="small" type="primary" :loading="keep.isPending.value" @click="keep.mutate(null)"
        >Set-up is done</Button
      >
    </div>
    <router-view v-slot="{ Component }">
      <component :is="Component" :key="workspace" />
    </router-view>
  </div>
  <main v-else class="page">
    <p class="quiet">
      This client is not here, or not yours to see. <router-link to="/desk">Go to the Desk</router-link>
    </p>
  </main>
</template>

<style scoped>
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
