<script setup lang="ts">
// Back from a network: what it gave is fetched once, then the accounts are ticked that belong to this client.
import { Button, Checkbox, message } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, isProblem, ok, sentence } from '@/api/client'
import { useProblem } from '@/parts/problem'
import { useChosen } from '@/agency/me'

const route = useRoute()
const router = useRouter()
const queries = useQueryClient()
const workspace = ref('')
const tryId = ref('')
const found = ref<{
  network: string
  wanted: string | null
  accounts: { account: string; name: string; here: string | null; state: string | null; elsewhere: string[] }[]
}>()
const ticked = ref<string[]>([])
function tick(account: string) {
  ticked.value = ticked.value.includes(account)
    ? ticked.value.filter((one) => one !== account)
    : [...ticked.value, account]
}
const anyway = ref(false)
const failed = ref('')
const back = ref<string>()
const { busy, beside, run } = useProblem()
const { workspaces } = useChosen()
const client = computed(() => workspaces.value.find((one) => one.id === workspace.value)?.name ?? 'this client')
const elsewhere = computed(
  () => found.value?.accounts.some((one) => ticked.value.includes(one.account) && one.elsewhere.length > 0) ?? false,
)

onMounted(async () => {
  const { state, code, error, of, step } = route.query as Record<string, string | undefined>
  try {
    if (of && step) {
      workspace.value = of
      tryId.value = step
    } else {
      const done = await ok(
        api.POST('/api/connect/finish', { body: { state: state ?? '', code: code ?? null, error: error ?? null } }),
      )
      workspace.value = done.workspace_id
      tryId.value = done.try_id
      // the code is used up; the address keeps only where this goes on
      await router.replace({ name: 'connect-back', query: { of: done.workspace_id, step: done.try_id } })
    }
    found.value = await ok(
      api.GET('/api/w/{workspace}/connect/{try}', {
        params: { path: { workspace: workspace.value, try: tryId.value } },
      }),
    )
    ticked.value = found.value.accounts
      .filter(
        (one) => one.elsewhere.length === 0 && (found.value!.wanted === null || one.account === found.value!.wanted),
      )
      .map((one) => one.account)
  } catch (caught) {
    failed.value = sentence(caught)
    back.value = isProblem(caught) ? (caught.problem.facts?.workspace_id as string | undefined) : undefined
  }
})
async function add() {
  const done = await run(() =>
    ok(
      api.POST('/api/w/{workspace}/connect/{try}/add', {
        params: { path: { workspace: workspace.value, try: tryId.value } },
        body: { accounts: ticked.value, anyway: anyway.value },
      }),
    ),
  )
  if (!done) return
  void message.success(
    done.ids.length === 1 ? 'One channel is connected.' : `${done.ids.length} channels are connected.`,
  )
  await queries.invalidateQueries()
  await router.push({ name: 'channels', params: { workspace: workspace.value } })
}
</script>

<template>
  <main class="page">
    <section class="block narrow">
      <template v-if="failed">
        <h2>Nothing was connected</h2>
        <p role="alert">{{ failed }}</p>
        <p class="acts">
          <router-link :to="back ? { name: 'channels', params: { workspace: back } } : { name: 'desk' }">{{
            back ? 'Back to the channels' : 'Go to the Desk'
          }}</router-link>
        </p>
      </template>
      <form v-else-if="found" @submit.prevent="add">
        <h2>Which of these belong to {{ client }}?</h2>
        <p class="quiet">You allowed these accounts at {{ found.network }}. What is not ticked is not added.</p>
        <Checkbox
          v-for="one in found.accounts"
          :key="one.account"
          class="account"
          :checked="ticked.includes(one.account)"
          @change="tick(one.account)"
        >
          <span>
            <b>{{ one.name }}</b> <span class="quiet">{{ one.account }}</span>
            <span v-if="one.here" class="quiet line"
              >is “{{ one.here }}” here,
              {{
                one.state === 'planned'
                  ? 'planned; connecting it lets the waiting posts go'
                  : 'and is connected again; its posts keep everything'
              }}</span
            >
            <span v-if="one.elsewhere.length > 0" class="late line"
              >is connected at {{ one.elsewhere.join(' and ') }} already</span
            >
          </span>
        </Checkbox>
        <Checkbox v-if="elsewhere" v-model:checked="anyway"
          >It is meant here too: two clients will post on the same account</Checkbox
        >
        <p v-if="beside([])" class="wrong" role="alert">{{ beside([]) }}</p>
        <div class="acts">
          <Button
            type="primary"
            html-type="submit"
            :loading="busy"
            :disabled="ticked.length === 0 || (elsewhere && !anyway)"
            >Add {{ ticked.length === 1 ? 'it' : `these ${ticked.length}` }}</Button
          >
          <router-link :to="{ name: 'channels', params: { workspace } }">Add none</router-link>
        </div>
      </form>
      <p v-else aria-busy="true" class="quiet">Coming back from the network …</p>
    </section>
  </main>
</template>

<style scoped>
.narrow {
  max-width: 600px;
}
.account {
  padding: 6px 0;
  border-bottom: 1px solid var(--hairline);
}
.line {
  display: block;
}
</style>
