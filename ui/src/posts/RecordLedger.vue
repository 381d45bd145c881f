<script setup lang="ts">
// The whole story of the post: who did what, when, on which revision. Fetched when it is opened.
import { useInfiniteQuery } from '@tanstack/vue-query'
import { Button } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { api, ok } from '@/api/client'
import { said } from './record'
import { moment } from '@/api/time'

const props = defineProps<{ workspace: string; post: string }>()
const open = ref(false)
const { data, hasNextPage, fetchNextPage } = useInfiniteQuery({
  queryKey: ['record', props.post],
  queryFn: ({ pageParam }) =>
    ok(
      api.GET('/api/w/{workspace}/posts/{post}/record', {
        params: { path: { workspace: props.workspace, post: props.post }, query: { after: pageParam } },
      }),
    ),
  initialPageParam: undefined as string | undefined,
  getNextPageParam: (last) => last.next ?? undefined,
  enabled: open,
})
const rows = computed(() => data.value?.pages.flatMap((page) => page.rows) ?? [])
</script>

<template>
  <section aria-label="Record">
    <h3>
      <button type="button" class="link-button" :aria-expanded="open" @click="open = !open">Record</button>
      <span class="quiet">nobody can edit it</span>
    </h3>
    <ol v-if="open">
      <li v-for="row in rows" :key="row.id">
        <span class="quiet"
          >{{ moment(row.at, true) }}<template v-if="row.revision"> · revision {{ row.revision }}</template
          ><template v-if="row.by_pass"> · by link</template></span
        >
        <p>
          <b>{{ row.who }}</b> {{ said(row) }}
        </p>
      </li>
    </ol>
    <Button v-if="open && hasNextPage" size="small" @click="fetchNextPage()">Show newer</Button>
  </section>
</template>

<style scoped>
li {
  padding: 4px 0;
  border-bottom: 1px solid var(--hairline);
  overflow-wrap: anywhere;
}
</style>
