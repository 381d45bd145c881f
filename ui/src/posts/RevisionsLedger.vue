<script setup lang="ts">
// Every revision that was kept, and what for; each can be laid beside the one before, or any other.
import { useQuery } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, ok } from '@/api/client'
import { moment } from '@/api/time'
import CompareRevisions from './CompareRevisions.vue'

const props = defineProps<{ workspace: string; post: string; newest: number | null }>()
const open = ref(false)
const comparing = ref<{ from: number; to: number }>()
const { data } = useQuery({
  queryKey: ['revisions', props.post, () => props.newest],
  queryFn: () => ok(api.GET('/api/w/{workspace}/posts/{post}/revisions', { params: { path: { workspace: props.workspace, post: props.post } } })),
  enabled: open,
})
</script>

<template>
  <section aria-label="Revisions">
    <h3>
      <button type="button" class="link-button" :aria-expanded="open" @click="open = !open">Revisions</button>
      <span class="quiet">{{ newest ?? 'none yet' }}</span>
    </h3>
    <ol v-if="open && data">
      <li v-for="one in data.revisions" :key="one.number">
        <span
          ><b>Revision {{ one.number }}</b>
          <span class="quiet"
            >{{ moment(one.at) }} · {{ one.by }}<template v-if="one.for.length > 0"> · {{ one.for.join(', ') }}</template></span
          ></span
        >
        <button v-if="one.number > 1" type="button" class="link-button" :aria-label="`Compare revision ${one.number} with the one before`" @click="comparing = { from: one.number - 1, to: one.number }">compare</button>
      </li>
      <li v-if="data.revisions.length === 0" class="quiet">A revision is kept whenever the post is asked for or released.</li>
    </ol>
    <CompareRevisions v-if="comparing && data" :workspace="workspace" :post="post" :from="comparing.from" :to="comparing.to" :numbers="data.revisions.map((one) => one.number)" @close="comparing = undefined" />
  </section>
</template>

<style scoped>
li .quiet {
  margin-left: 6px;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  padding: 4px 0;
  border-bottom: 1px solid var(--hairline);
}
</style>
