<script setup lang="ts">
// What I was told, the newest first: each leads to its place, and is read then.
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { Drawer } from 'ant-design-vue'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { api, ok, unread, type Schemas } from '@/api/client'
import { brief } from '@/api/time'
import { titled } from '@/api/words'

type Notice = Schemas['Notice']
const emit = defineEmits<{ close: [] }>()
const queries = useQueryClient()
const router = useRouter()
const { data, error } = useQuery({ queryKey: ['notices'], queryFn: () => ok(api.GET('/api/notices')) })
const now = new Date().toISOString()
const fresh = computed(() => data.value?.unread ?? 0)

async function read(ids: string[] | null) {
  await ok(api.POST('/api/notices/read', { body: { ids } }))
  void queries.invalidateQueries({ queryKey: ['notices'] })
  void queries.invalidateQueries({ queryKey: ['waits'] })
}
async function open(one: Notice) {
  if (!one.read) void read([one.id])
  emit('close')
  if (one.kind === 'idea') return router.push({ name: 'ideas', query: { client: one.workspace_id } })
  if (!one.post_id) return router.push({ name: 'desk' })
  const query = ['talk', 'mention'].includes(one.kind) ? { at: 'talk' } : {}
  return router.push({ name: 'post', params: { workspace: one.workspace_id, post: one.post_id }, query })
}
</script>

<template>
  <Drawer open title="Notices" placement="right" width="min(420px, 100vw)" @close="emit('close')">
    <p v-if="error" role="alert">{{ unread(error) }}</p>
    <template v-else-if="data">
      <p class="head">
        <span class="quiet">{{ fresh === 0 ? 'All read' : `${fresh} not read yet` }}</span>
        <button v-if="fresh > 0" type="button" class="link-button" @click="read(null)">All read</button>
        <router-link :to="{ name: 'profile' }" @click="emit('close')">What I am told, and when</router-link>
      </p>
      <ul>
        <li v-for="one in data.notices" :key="one.id" :class="{ fresh: !one.read }">
          <button type="button" @click="open(one)">
            <span class="quiet">{{ one.client }}, {{ brief(one.at, now) }}</span>
            <b v-if="one.post_id">{{ titled(one.subject ?? '') }}</b>
            <span dir="auto">{{ one.words }}</span>
          </button>
        </li>
        <li v-if="data.notices.length === 0" class="quiet">Nothing yet. Answers, asks and talk come here.</li>
      </ul>
    </template>
  </Drawer>
</template>

<style scoped>
.head {
  display: flex;
  gap: 12px;
  margin-bottom: 8px;
}
li {
  border-bottom: 1px solid var(--hairline);
}
li.fresh {
  border-left: 4px solid var(--mark-edge);
  background: var(--sheet);
}
li button {
  display: grid;
  gap: 2px;
  width: 100%;
  padding: 8px;
  border: 0;
  background: none;
  text-align: start;
  cursor: pointer;
  overflow-wrap: anywhere;
}
</style>
