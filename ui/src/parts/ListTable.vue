<script setup lang="ts" generic="Row extends object">
// A table of the library in our language: a heavy rule on top, hairlines between, columns that can be sorted by a
// button in their head. Cells are given as slots by their column's key. A wide one scrolls by itself, and by the keyboard.
import { Button, Table } from 'ant-design-vue'
import type { ColumnType } from 'ant-design-vue/es/table'
import { computed, shallowRef } from 'vue'

export type Column<Row> = { key: string; title: string; sort?: (one: Row, other: Row) => number; align?: 'right' }

const props = defineProps<{
  columns: Column<Row>[]
  rows: Row[]
  rowKey: string
  label: string
  empty: string
  /** rows shown at first */ most?: number
}>()
const sorted = shallowRef<{ key: string; down: boolean } | null>(null)
const by = (key: string) => props.columns.find((one) => one.key === key)?.sort
const shown = computed(() => {
  const sort = sorted.value && by(sorted.value.key)
  if (!sort) return props.rows
  const rows = [...props.rows].sort(sort)
  return sorted.value!.down ? rows.reverse() : rows
})
function turn(key: string) {
  const down = sorted.value?.key === key && !sorted.value.down
  sorted.value = { key, down }
}
const opened = shallowRef(0)
const limit = computed(() => (props.most ? props.most + opened.value : Infinity))
const way = (key: string) => (sorted.value?.key === key ? (sorted.value.down ? 'descending' : 'ascending') : undefined)
const columns = computed(() =>
  props.columns.map(
    ({ key, title, align }) =>
      ({ key, title, align, customHeaderCell: () => ({ 'aria-sort': way(key) }) }) as ColumnType<Row>,
  ),
)
</script>

<template>
  <div class="list-table" role="region" tabindex="0" :aria-label="label">
    <Table
      :columns="columns"
      :data-source="shown.slice(0, limit)"
      :row-key="rowKey"
      :pagination="false"
      :locale="{ emptyText: empty }"
      size="small"
    >
      <template #headerCell="{ column }">
        <Button v-if="by(String(column.key))" type="text" size="small" class="sort" @click="turn(String(column.key))">
          {{ column.title }}
          <svg width="7" height="11" viewBox="0 0 7 11" aria-hidden="true" :class="way(String(column.key))">
            <path class="up" d="M0 4.5 3.5 0 7 4.5z" />
            <path class="down" d="M0 6.5 3.5 11 7 6.5z" />
          </svg>
        </Button>
        <slot v-else :name="`${column.key}-head`">{{ column.title }}</slot>
      </template>
      <template #bodyCell="{ column, record }">
        <slot :name="column.key" :row="record as Row" />
      </template>
    </Table>
    <Button v-if="shown.length > limit" class="on" @click="opened += most ?? 0">
      Show {{ Math.min(most ?? 0, shown.length - limit) }} more of {{ shown.length }}
    </Button>
  </div>
</template>

<style scoped>
.list-table {
  overflow-x: auto;
}
.on {
  margin: 10px 0;
}
.list-table :deep(.ant-table) {
  background: none;
}
.list-table :deep(.ant-table-wrapper .ant-table.ant-table .ant-table-thead > tr > th) {
  padding: 4px 8px 6px 0;
  border-bottom: 2px solid var(--ink);
  border-radius: 0;
  background: none;
  color: var(--ink-2);
  font-weight: 600;
  white-space: nowrap;
}
.list-table :deep(.ant-table-wrapper .ant-table.ant-table .ant-table-thead > tr > th::before) {
  display: none;
}
.sort {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  padding: 0 4px;
  margin-left: -4px;
  color: inherit;
  font-weight: inherit;
}
.sort path {
  fill: var(--ink-faint);
  opacity: 0.6;
}
.sort .ascending .up,
.sort .descending .down {
  fill: var(--ink);
  opacity: 1;
}
.list-table :deep(.ant-table-wrapper .ant-table.ant-table .ant-table-tbody > tr > td) {
  padding: 7px 8px 7px 0;
  border-bottom: 1px solid var(--rule);
  border-radius: 0;
  background: none;
}
.list-table :deep(.ant-table-wrapper .ant-table.ant-table .ant-table-tbody > tr.ant-table-row:hover > td) {
  background: var(--well);
}
.list-table :deep(.ant-table-placeholder > td) {
  color: var(--ink-2);
  text-align: left;
}
</style>
