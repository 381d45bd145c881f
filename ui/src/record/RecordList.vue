<script setup lang="ts">
// Lines of the record in words: who, when, what, on which post.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import ListTable, { type Column } from '@/parts/ListTable.vue'
import { said } from '@/posts/record'
import { titled } from '@/api/words'
import { moment } from '@/api/time'

type Row = Schemas['RecordRow']
const props = defineProps<{ rows: Row[]; clients?: Record<string, string> }>()
const columns = computed<Column<Row>[]>(() => [
  { key: 'when', title: 'When' },
  ...(props.clients ? [{ key: 'client', title: 'Client' }] : []),
  { key: 'who', title: 'Who' },
  { key: 'what', title: 'What' },
  { key: 'post', title: 'Post' },
])
</script>

<template>
  <ListTable :columns="columns" :rows="rows" row-key="id" label="Record" empty="Nothing is on record for this.">
    <template #when="{ row }"
      ><span class="when">{{ moment(row.at, true) }}</span></template
    >
    <template #client="{ row }">{{ row.workspace_id ? clients?.[row.workspace_id] : 'the agency' }}</template>
    <template #who="{ row }"
      ><span class="when">{{ row.who }}</span
      ><span v-if="row.by_pass" class="quiet"> by link</span></template
    >
    <template #what="{ row }"
      ><span class="what">{{ said(row) }}</span></template
    >
    <template #post="{ row }">
      <router-link
        v-if="row.post_id && row.workspace_id"
        :to="{ name: 'post', params: { workspace: row.workspace_id, post: row.post_id } }"
        >{{ titled(row.subject ?? '') }}</router-link
      >
    </template>
  </ListTable>
</template>

<style scoped>
.when {
  white-space: nowrap;
}
.what {
  overflow-wrap: anywhere;
}
</style>
