<script setup lang="ts">
// What stands under a plan link: read, and nothing to press.
import { computed, onMounted, ref } from 'vue'
import type { components } from '@/api/schema'
import SharedPlan from './SharedPlan.vue'

const plan = ref<components['schemas']['SharedPlan']>()
const said = ref('')
const day = (at: string) => new Intl.DateTimeFormat(navigator.language, { dateStyle: 'long' }).format(new Date(at))

/** A calendar that can subscribe to an address keeps up with the plan; any other opens it once. */
const calendar = computed(() => `webcal://${location.host}/api/shared-plan/${location.hash.slice(1)}.ics`)

async function fetchPlan() {
  const secret = location.hash.slice(1)
  try {
    const reply = await fetch(`/api/shared-plan/${encodeURIComponent(secret)}`, { credentials: 'omit' })
    if (reply.ok) {
      plan.value = (await reply.json()) as components['schemas']['SharedPlan']
      said.value = ''
      document.title = `${plan.value.client.name}: the plan`
      return
    }
    said.value =
      reply.status < 500
        ? 'This link does not work any more. Ask whoever sent it to you for a new one.'
        : 'The plan cannot be fetched at the moment. Try again in a few minutes.'
  } catch {
    if (!plan.value) said.value = 'There is no connection. The plan shows as soon as there is one.'
  }
}
onMounted(() => {
  void fetchPlan()
  window.addEventListener('online', () => void fetchPlan())
  window.addEventListener('hashchange', () => location.reload())
  document.addEventListener('visibilitychange', () => document.visibilityState === 'visible' && void fetchPlan())
})
</script>

<template>
  <main class="by-link" tabindex="-1">
    <p v-if="said" role="status">{{ said }}</p>
    <p v-else-if="!plan">The plan. Opening …</p>
    <template v-if="plan">
      <header>
        <h1>{{ plan.client.name }}: the plan</h1>
        <p>
          What you were asked for, and what is out. Times are those of
          {{ plan.zone.split('/').pop()!.replaceAll('_', ' ')
          }}<template v-if="plan.expires_at">; this link works until {{ day(plan.expires_at) }}</template
          >.
          <a :href="calendar">In your calendar</a>
        </p>
      </header>
      <SharedPlan :plan="plan" />
    </template>
  </main>
</template>

<style scoped>
.by-link {
  max-width: 1280px;
  margin: 0 auto;
  padding: 16px;
}
header {
  margin-bottom: 14px;
}
h1 {
  font-size: 20px;
}
header p {
  color: var(--ink-2);
}
header a {
  color: inherit;
}
</style>
