<script setup lang="ts">
// Where the pace is not kept, with a step that mends it: what it does is said before it is taken, in one press.
import { Button } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { ref, watch } from 'vue'
import { counted } from '@/api/words'
import ChannelLogo from '@/parts/ChannelLogo.vue'
import { offerUndo } from '@/parts/undo'
import { inWords, keyOf, lookAt, take, type Proposal } from './proposals'
import { attempt } from '@/parts/problem'

const SHOWN = 12
const props = defineProps<{ workspace: string; proposals: Proposal[] }>()
const queries = useQueryClient()
const costs = ref(new Map<string, string[]>())
const busy = ref('')
const all = ref(false)

watch(
  () => props.proposals,
  async (proposals) => {
    for (const one of proposals.slice(0, SHOWN)) {
      try {
        const found = await lookAt(props.workspace, one)
        costs.value = new Map(costs.value).set(keyOf(one), found)
      } catch {
        // taking it says what is wrong
      }
    }
  },
  { immediate: true },
)
async function during(act: () => Promise<unknown>) {
  let undone: unknown
  const done = await attempt(async () => (undone = await act()))
  await queries.invalidateQueries({ queryKey: ['plan'] })
  return done && (typeof undone === 'string' ? undone : true)
}
async function go(one: Proposal) {
  busy.value = keyOf(one)
  await during(async () => {
    const { said, back } = await take(props.workspace, one)
    offerUndo(said, () => during(back))
  })
  busy.value = ''
}
</script>

<template>
  <ul v-if="proposals.length > 0" class="proposals">
    <li v-for="one in all ? proposals : proposals.slice(0, SHOWN)" :key="keyOf(one)">
      <ChannelLogo :network="one.channel.network" :initials="one.channel.initials" />
      <p>
        {{ inWords(one).does }} <span class="quiet">{{ inWords(one).why }}</span>
        <span v-for="cost in costs.get(keyOf(one)) ?? []" :key="cost" class="cost">{{ cost }}</span>
      </p>
      <Button size="small" :loading="busy === keyOf(one)" :aria-label="`Do it: ${inWords(one).does}`" @click="go(one)"
        >Do it</Button
      >
    </li>
  </ul>
  <p v-else class="quiet">The pace is kept in these days.</p>
  <button v-if="!all && proposals.length > SHOWN" type="button" class="link-button" @click="all = true">
    Show {{ counted(proposals.length - SHOWN, 'more proposal', 'more proposals') }}
  </button>
</template>

<style scoped>
.proposals li {
  display: flex;
  gap: 8px;
  align-items: start;
  padding: 6px 0;
  border-bottom: 1px solid var(--hairline);
}
.proposals p {
  flex: 1;
  margin: 0;
}
.cost {
  display: block;
  color: var(--ink-2);
}
</style>
