<script setup lang="ts" generic="Row extends object">
// A table of the library in our language: a heavy rule on top, hairlines between, columns that can be sorted. Cells are
// given as slots by their column's key. A wide one scrolls by itself, and by the keyboard.
import { Table } from 'ant-design-vue'
import type { ColumnType } from 'ant-design-vue/es/table'
import { computed } from 'vue'

export type Column<Row> = { key: string; title: string; sort?: (one: Row, other: Row) => number; align?: 'right' }

const props = defineProps<{ columns: Column<Row>[]; rows: Row[]; rowKey: string; label: string; empty: string }>()
const shown = computed(() =>
  props.columns.map(
    (column): ColumnType<Row> =>
      ({
        key: column.key,
        title: column.title,
        align: column.align,
        ...(column.sort ? { sorter: column.sort, sortDirections: ['ascend', 'descend'] as const } : {}),
      }) as ColumnType<Row>,
  ),
)
</script>

<template>
  <div class="list-table" role="region" tabindex="0" :aria-label="label">
    <Table
      :columns="shown"
      :data-source="rows"
      :row-key="rowKey"
      :pagination="false"
      :show-sorter-tooltip="false"
      :locale="{ emptyText: empty }"
      size="small"
    >
      <template #headerCell="{ column }">
        <slot :name="`${column.key}-head`">{{ column.title }}</slot>
      </template>
      <template #bodyCell="{ column, record }">
        <slot :name="column.key" :row="record as Row" />
      </template>
    </Table>
  </div>
</template>

<style scoped>
.list-table {
  overflow-x: auto;
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
}
.list-table :deep(.ant-table-wrapper .ant-table.ant-table .ant-table-thead > tr > th::before) {
  display: none;
}
.list-table :deep(.ant-table-column-sorters) {
  justify-content: flex-start;
}
.list-table :deep(.ant-table-column-title) {
  flex: none;
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
