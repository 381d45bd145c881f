<script setup lang="ts" generic="T extends { workspace_id: string }">
// The rows of one list of the Desk. Many of several clients fold by client; a list that is cut says how many there
// are, and opens whole.
import { computed } from 'vue'

const props = defineProps<{ rows: T[]; count: number; names: Record<string, string>; id: (row: T) => string }>()
const emit = defineEmits<{ whole: [] }>()
defineSlots<{ default(props: { row: T }): unknown; none(): unknown }>()

const MANY = 12
const groups = computed(() => {
  const found = new Map<string, T[]>()
  for (const row of props.rows) found.set(row.workspace_id, [...(found.get(row.workspace_id) ?? []), row])
  return [...found].map(([workspace, rows]) => ({ workspace, rows }))
})
const folds = computed(() => props.rows.length > MANY && groups.value.length > 1)
</script>

<template>
  <template v-if="folds">
    <details v-for="(group, index) in groups" :key="group.workspace" :open="index === 0">
      <summary>
        <b>{{ names[group.workspace] }}</b> <span class="number">{{ group.rows.length }}</span>
      </summary>
      <ul>
        <li v-for="row in group.rows" :key="id(row)" class="row"><slot :row="row" /></li>
      </ul>
    </details>
  </template>
  <ul v-else>
    <li v-for="row in rows" :key="id(row)" class="row"><slot :row="row" /></li>
    <slot v-if="rows.length === 0" name="none" />
  </ul>
  <button v-if="count > rows.length" type="button" class="link-button whole" @click="emit('whole')">
    {{ rows.length }} of {{ count }} are shown: show all
  </button>
</template>

<style scoped>
summary {
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
  cursor: pointer;
}
.row {
  border-bottom: 1px solid var(--rule);
}
.whole {
  margin-top: 6px;
}
</style>
