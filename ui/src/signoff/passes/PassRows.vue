<script setup lang="ts">
// The links of a client that work now: whose, for what, on how many devices; stopped and sent anew.
import { message } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { api, ok, sentence, unread } from '@/api/client'
import { counted } from '@/api/words'
import { brief } from '@/api/time'
import ActButton from '@/parts/ActButton.vue'

const props = defineProps<{ workspace: string }>()
const queries = useQueryClient()
const { data, error } = useQuery({
  queryKey: ['passes', props.workspace],
  queryFn: () => ok(api.GET('/api/w/{workspace}/passes', { params: { path: { workspace: props.workspace } } })),
  retry: false,
})
const now = new Date().toISOString()
type Pass = NonNullable<typeof data.value>['passes'][number]

async function during(act: () => Promise<unknown>, said: string) {
  try {
    await act()
    void message.success(said)
  } catch (refusal) {
    void message.error(sentence(refusal), 9)
  }
  await queries.invalidateQueries({ queryKey: ['passes', props.workspace] })
}
const params = (pass: Pass) => ({ path: { workspace: props.workspace, pass: pass.id } })
const stop = (pass: Pass) =>
  during(
    () => ok(api.POST('/api/w/{workspace}/passes/{pass}/revoke', { params: params(pass) })),
    `The link of ${pass.person} is stopped on every device.`,
  )
const renew = (pass: Pass) =>
  during(
    () => ok(api.POST('/api/w/{workspace}/passes/{pass}/renew', { params: params(pass) })),
    `${pass.person} gets a new link by mail; the older ones stop.`,
  )
function opened(pass: Pass) {
  if (!pass.opened_at) return 'not opened yet'
  return `opened on ${counted(pass.devices, 'device', 'devices')}, last ${brief(pass.opened_at, now)}`
}
</script>

<template>
  <p v-if="error" class="quiet">{{ unread(error) }}</p>
  <ul v-else-if="data" class="passes">
    <li v-for="one in data.passes" :key="one.id">
      <b>{{ one.person }}</b>
      <span>{{ one.step }}, {{ counted(one.posts, 'post', 'posts') }}</span>
      <span class="quiet">until {{ brief(one.expires_at, now) }}; {{ opened(one) }}</span>
      <span class="fill" />
      <ActButton link :may="data.can.ask" :aria-label="`send anew: a link for ${one.person}`" @click="renew(one)"
        >send anew</ActButton
      >
      <ActButton link :may="data.can.withdraw" :aria-label="`stop the link of ${one.person}`" @click="stop(one)"
        >stop</ActButton
      >
    </li>
    <li v-if="data.passes.length === 0" class="quiet">No link works at the moment. An ask to the client makes one.</li>
  </ul>
</template>

<style scoped>
.passes li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  padding: 6px 0;
  border-bottom: 1px solid var(--hairline);
}
</style>
