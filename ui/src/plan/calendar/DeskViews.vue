<script setup lang="ts">
// Saved views of the plan on the Desk, each with how many posts it shows.
import { computed } from 'vue'
import { addressOf, useViews } from './views'

const props = defineProps<{ workspace: string | undefined; names: Record<string, string> }>()
const { found } = useViews(computed(() => props.workspace))
const views = computed(() => found.data.value?.views ?? [])
const several = computed(() => new Set(views.value.map((one) => one.workspace_id)).size > 1)
function to(view: (typeof views.value)[number]) {
  const said = Object.entries({ ...addressOf(view), client: view.workspace_id ?? '' }).filter(([, text]) => text !== '')
  return { name: 'plan', query: Object.fromEntries(said) }
}
</script>

<template>
  <nav v-if="views.length > 0" class="views" aria-label="Saved views of the plan">
    <router-link v-for="view in views" :key="view.id" :to="to(view)">
      {{ view.name }} <b>{{ view.count }}</b>
      <span v-if="several && view.workspace_id" class="quiet">{{ names[view.workspace_id] }}</span>
    </router-link>
  </nav>
</template>

<style scoped>
.views {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  margin-bottom: 12px;
}
.views a {
  padding: 3px 0;
}
</style>
