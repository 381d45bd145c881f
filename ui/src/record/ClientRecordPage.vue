<script setup lang="ts">
// The record of one client, newest first. Nobody can edit it.
import { Button } from 'ant-design-vue'
import { useInfiniteQuery, useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, ok, unread } from '@/api/client'
import RecordList from './RecordList.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import DayField from '@/parts/fields/DayField.vue'

const props = defineProps<{ workspace: string }>()
const path = { workspace: props.workspace }
const person = ref('')
const from = ref('')
const to = ref('')
const { data: people } = useQuery({
  queryKey: ['people', props.workspace],
  queryFn: () => ok(api.GET('/api/w/{workspace}/people', { params: { path } })),
})
const { data, error, hasNextPage, fetchNextPage, isFetchingNextPage } = useInfiniteQuery({
  queryKey: ['client-record', props.workspace, person, from, to],
  queryFn: ({ pageParam }) =>
    ok(
      api.GET('/api/w/{workspace}/record', {
        params: {
          path,
          query: {
            before: pageParam,
            person: person.value || undefined,
            from: from.value || undefined,
            to: to.value || undefined,
          },
        },
      }),
    ),
  initialPageParam: undefined as string | undefined,
  getNextPageParam: (last) => last.next ?? undefined,
})
const rows = computed(() => data.value?.pages.flatMap((page) => page.rows) ?? [])
</script>

<template>
  <main class="page">
    <div class="filters">
      <label for="who">Who</label>
      <ChoiceField
        id="who"
        v-model="person"
        :options="[
          { value: '', label: 'everybody' },
          ...(people?.people ?? []).map((one) => ({ value: one.person_id, label: one.name })),
        ]"
      />
      <label for="from">From</label><DayField id="from" v-model="from" /> <label for="to">To</label
      ><DayField id="to" v-model="to" />
      <span class="quiet">newest first; nobody can edit it</span>
    </div>
    <p v-if="error" role="alert">{{ unread(error) }}</p>
    <RecordList :rows="rows" />
    <div v-if="hasNextPage" class="acts">
      <Button :loading="isFetchingNextPage" @click="fetchNextPage()">Show older</Button>
    </div>
  </main>
</template>

<style scoped>
.filters {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: end;
  margin-bottom: 12px;
}
</style>
