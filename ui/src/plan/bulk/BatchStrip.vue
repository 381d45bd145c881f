<script setup lang="ts">
// One act over many posts that goes on by itself: how far it is, what came of it, and the way back.
import { Button, Progress } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, ok, sentence } from '@/api/client'
import { counted } from '@/api/words'
import type { BatchLine } from './batches'
import { reasons, takeBack, undoing, type Chosen, type Order } from './several'
import { WORDS, notBack } from './several-words'

const props = defineProps<{ batch: BatchLine }>()
const queries = useQueryClient()
const busy = ref(false)
const said = ref('')
const why = ref<{ why: string; count: number }[]>()
const path = { workspace: props.batch.workspace_id, batch: props.batch.id }

async function fetched() {
  return ok(api.GET('/api/w/{workspace}/plan/batches/{batch}', { params: { path } }))
}
async function during(act: () => Promise<void>) {
  busy.value = true
  said.value = ''
  try {
    await act()
  } catch (error) {
    said.value = sentence(error)
  } finally {
    busy.value = false
    for (const key of ['batches', 'plan', 'posts', 'desk']) void queries.invalidateQueries({ queryKey: [key] })
  }
}
const stop = () => during(() => ok(api.POST('/api/w/{workspace}/plan/batches/{batch}/stop', { params: { path } })))
const seen = () => ok(api.POST('/api/w/{workspace}/plan/batches/{batch}/seen', { params: { path } }))
const away = () => during(seen)
const show = () => during(async () => void (why.value = reasons((await fetched()).posts)))
const undo = () =>
  during(async () => {
    const { order, posts } = await fetched()
    const chosen: Chosen = new Map(posts.map((one) => [one.post_id, { workspace: path.workspace }]))
    const { stayed } = await takeBack(undoing(plain(order, chosen), posts))
    await seen()
    if (stayed.length > 0) said.value = notBack(stayed)
  })
/** as it was asked for: what is not there is left out */
function plain(order: object, posts: Chosen): Order {
  const there = Object.entries(order).filter(([, value]) => value !== null)
  return { ...(Object.fromEntries(there) as unknown as Order), posts }
}
</script>

<template>
  <section class="batch" :aria-label="`${WORDS[batch.kind].act}, ${batch.client}`">
    <p v-if="!batch.ended" role="status">
      <b>{{ WORDS[batch.kind].act }}</b> · {{ batch.client }}: {{ batch.through }} of
      {{ counted(batch.total, 'post', 'posts') }}. You may go on, or leave.
    </p>
    <p v-else role="status">
      <b>{{ counted(batch.done, 'post', 'posts') }}</b> of {{ batch.client }} {{ batch.done === 1 ? 'is' : 'are' }}
      {{ WORDS[batch.kind].did }}{{ batch.stopped ? '; then you stopped it' : '' }}.<template
        v-if="batch.total > batch.done"
      >
        {{ ` ${batch.total - batch.done} stayed as` }}
        {{ batch.total - batch.done === 1 ? 'it was' : 'they were' }}.</template
      >
    </p>
    <Progress
      v-if="!batch.ended"
      class="far"
      :percent="Math.round((100 * batch.through) / Math.max(1, batch.total))"
      :show-info="false"
      size="small"
      :aria-label="`${batch.through} of ${batch.total}`"
    />
    <span class="ways">
      <Button v-if="!batch.ended" size="small" :loading="busy" @click="stop">Stop</Button>
      <template v-else>
        <Button v-if="batch.total > batch.done && !why" size="small" :loading="busy" @click="show">Why</Button>
        <Button v-if="batch.changed > 0" size="small" :loading="busy" @click="undo">Undo</Button>
        <Button size="small" :disabled="busy" @click="away">Close</Button>
      </template>
    </span>
    <ul v-if="why" class="why">
      <li v-for="one in why" :key="one.why">
        <b>{{ counted(one.count, 'post', 'posts') }}</b>: {{ one.why }}
      </li>
    </ul>
    <p v-if="said" class="wrong" role="alert">{{ said }}</p>
  </section>
</template>

<style scoped>
.batch {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
  padding: 6px 20px;
  background: var(--sheet);
  border-bottom: 1px solid var(--ink);
}
.batch p {
  margin: 0;
}
.far {
  flex: 1 1 120px;
  max-width: 260px;
  margin: 0;
}
.ways {
  display: flex;
  gap: 8px;
  margin-left: auto;
}
.why {
  flex-basis: 100%;
  margin: 0;
  padding-left: 18px;
}
</style>
