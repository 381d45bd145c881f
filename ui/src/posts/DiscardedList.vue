<script setup lang="ts">
// What was discarded, the latest first: who did it and when, and the way back for each.
import { Button } from 'ant-design-vue'
import { useInfiniteQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, toRef } from 'vue'
import { api, ok, unread, type Schemas } from '@/api/client'
import { moment } from '@/api/time'
import { titled } from '@/api/words'
import ChannelLogos from '@/parts/ChannelLogos.vue'
import ComingShape from '@/parts/ComingShape.vue'
import { attempt } from '@/parts/problem'
import { offerUndo } from '@/parts/undo'
import { restorePost } from './discarded'

const props = defineProps<{
  /** of one client; of all without it */ client?: string
  words: string
  names: Record<string, string>
}>()
const queries = useQueryClient()
const { data, error, isPending, hasNextPage, fetchNextPage, isFetchingNextPage } = useInfiniteQuery({
  queryKey: ['posts', 'discarded', toRef(props, 'client'), toRef(props, 'words')],
  queryFn: ({ pageParam }) =>
    ok(
      api.GET('/api/discarded-posts', {
        params: { query: { workspace: props.client, words: props.words || undefined, before: pageParam } },
      }),
    ),
  initialPageParam: undefined as string | undefined,
  getNextPageParam: (last) => last.next ?? undefined,
})
const posts = computed(() => data.value?.pages.flatMap((page) => page.posts) ?? [])
type Row = Schemas['DiscardedPost']
const busy = ref<string>()
async function restore(post: Row) {
  const path = { workspace: post.workspace_id, post: post.id }
  busy.value = post.id
  if (await attempt(() => restorePost(path)))
    offerUndo(`Restored: ${titled(post.subject)}.`, () =>
      attempt(async () => {
        await ok(api.POST('/api/w/{workspace}/posts/{post}/discard', { params: { path } }))
        await queries.invalidateQueries({ queryKey: ['posts'] })
      }),
    )
  await queries.invalidateQueries({ queryKey: ['posts'] })
  busy.value = undefined
}
</script>

<template>
  <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
  <ComingShape v-if="isPending" label="Fetching what was discarded" :lines="6" />
  <ul class="list" :aria-busy="isPending">
    <li v-for="post in posts" :key="post.id" :data-post="post.id">
      <router-link data-row :to="{ name: 'post', params: { workspace: post.workspace_id, post: post.id } }">
        <b>{{ titled(post.subject) }}</b>
        <span class="quiet">{{ client ? '' : names[post.workspace_id] }}</span>
        <ChannelLogos :channels="post.channels" />
        <span class="quiet">Discarded by {{ post.by }}, {{ moment(post.discarded_at) }}</span>
      </router-link>
      <Button
        size="small"
        :loading="busy === post.id"
        :disabled="!post.restore.ok"
        :title="post.restore.why"
        @click="restore(post)"
        >Restore</Button
      >
    </li>
    <li v-if="!isPending && posts.length === 0" class="none">
      {{ words ? 'Nothing that was discarded has these words.' : 'Nothing was discarded.' }}
    </li>
  </ul>
  <Button v-if="hasNextPage" :loading="isFetchingNextPage" @click="fetchNextPage()">Show earlier ones</Button>
</template>

<style scoped>
.list {
  margin-bottom: 14px;
  border-top: 2px solid var(--ink);
}
.list li {
  display: flex;
  gap: 12px;
  align-items: center;
  padding-right: 8px;
  border-bottom: 1px solid var(--rule);
}
.list a {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(150px, 1fr) 150px 110px 280px;
  gap: 16px;
  align-items: center;
  min-height: 40px;
  padding: 0 8px;
  text-decoration: none;
}
.list b {
  overflow: hidden;
  font-weight: 600;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.list .none {
  padding: 16px 8px;
  color: var(--ink-2);
}
@media (max-width: 900px) {
  .list a {
    grid-template-columns: minmax(0, 1fr);
    gap: 2px;
    padding: 8px;
  }
}
</style>
