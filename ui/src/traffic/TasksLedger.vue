<script setup lang="ts">
// The post's production tasks: assign one, see who makes what by when, mark it done.
import { Button } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { api, ok } from '@/api/client'
import { brief, place } from '@/api/time'
import { useAct, type Sheet } from '@/posts/sheet'
import ActButton from '@/parts/ActButton.vue'

const props = defineProps<{ sheet: Sheet; now: string }>()
const adding = ref(false)
const task = ref({ kind: 'picture', title: '', person_id: '', due: '', note: '' })
const open = computed(() => props.sheet.tasks.filter((one) => !one.done_at).length)
const path = computed(() => ({ workspace: props.sheet.workspace_id, post: props.sheet.id }))
const complete = computed(() => task.value.title.trim() !== '' && task.value.person_id !== '' && task.value.due !== '')

const assign = useAct<undefined>(
  props.sheet.id,
  () =>
    ok(
      api.POST('/api/w/{workspace}/posts/{post}/tasks', {
        params: { path: path.value },
        body: { ...task.value, due: { wall: task.value.due, zone: props.sheet.zone } },
      }),
    ),
  () => {
    adding.value = false
    task.value = { kind: 'picture', title: '', person_id: '', due: '', note: '' }
  },
)
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
    <form v-else @submit.prevent="assign.mutate(undefined)">
      <label>What<input v-model="task.title" maxlength="200" required placeholder="Picture for the fog post" /></label>
      <label
        >Kind<select v-model="task.kind">
          <option value="picture">picture</option>
          <option value="copy">copy</option>
          <option value="video">video</option>
          <option value="other">other</option>
        </select></label
      >
      <label
        >Who<select v-model="task.person_id" required>
          <option value="" disabled>choose</option>
          <option v-for="one in sheet.people" :key="one.id" :value="one.id">{{ one.name }}, {{ one.role }}</option>
        </select></label
      >
      <label>By when ({{ place(sheet.zone) }})<input v-model="task.due" type="datetime-local" required /></label>
      <label>A note (agency side only)<textarea v-model="task.note" rows="2" /></label>
      <Button html-type="submit" type="primary" size="small" :disabled="!complete" :loading="assign.isPending.value"
        >Assign it</Button
      >
      <Button size="small" @click="adding = false">Cancel</Button>
    </form>
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
form {
  display: grid;
  gap: 6px;
}
label {
  display: grid;
  color: var(--ink-2);
}
input,
select,
textarea {
  font: inherit;
  color: var(--ink);
  padding: 4px 6px;
  border: 1px solid #9ba09d;
  border-radius: 3px;
  background: var(--sheet);
}
</style>
