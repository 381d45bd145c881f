<script setup lang="ts">
// The post's production tasks: assign one, see who makes what by when, mark it done.
import { Button } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { api, ok } from '@/api/client'
import { brief } from '@/api/time'
import { useAct, type Sheet } from '@/posts/sheet'
import ActButton from '@/parts/ActButton.vue'
import { later } from '@/parts/later'

const TaskForm = later(() => import('./TaskForm.vue'))

const props = defineProps<{ sheet: Sheet; now: string }>()
const adding = ref(false)
const title = ref('')
/** What somebody said becomes something to be made. */
function begin(words: string) {
  title.value = words.slice(0, 200)
  adding.value = true
}
defineExpose({ begin })
const open = computed(() => props.sheet.tasks.filter((one) => !one.done_at).length)
const done = useAct<string>(props.sheet.id, (id) =>
  ok(
    api.POST('/api/w/{workspace}/tasks/{task}/done', {
      params: { path: { workspace: props.sheet.workspace_id, task: id } },
    }),
  ),
)
</script>

<template>
  <section aria-labelledby="tasks">
    <h3 id="tasks">
      Tasks
      <span class="quiet">{{
        sheet.tasks.length === 0 ? 'none' : `${sheet.tasks.length - open} of ${sheet.tasks.length} done`
      }}</span>
    </h3>
    <ul>
      <li v-for="one in sheet.tasks" :key="one.id" :class="{ mine: one.mine && !one.done_at }">
        <span
          ><b>{{ one.title }}</b
          ><span v-if="one.note" class="quiet note">{{ one.note }}</span></span
        >
        <span class="quiet"
          >{{ one.person }}<template v-if="!one.done_at">, by {{ brief(one.due_at, now) }}</template></span
        >
        <span v-if="one.done_at" class="quiet">done {{ brief(one.done_at, now) }}</span>
        <Button
          v-else-if="one.mine || sheet.can.assign?.ok"
          size="small"
          :type="one.mine ? 'primary' : 'default'"
          :loading="done.isPending.value"
          @click="done.mutate(one.id)"
          >Mark as done</Button
        >
      </li>
    </ul>
    <ActButton v-if="!adding" size="small" :may="sheet.can.assign" @click="adding = true">Assign a task</ActButton>
    <TaskForm v-else :sheet="sheet" :title="title" @close="((adding = false), (title = ''))" />
  </section>
</template>

<style scoped>
li {
  display: grid;
  gap: 2px;
  justify-items: start;
  padding: 5px 0 7px;
  border-bottom: 1px solid var(--hairline);
  margin-bottom: 4px;
}
li.mine {
  border-left: 5px solid var(--mark);
  padding-left: 8px;
}
.note {
  display: block;
}
</style>
