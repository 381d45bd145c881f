<script setup lang="ts">
// Assigns a production task: what, to whom, by when.
import { LENGTHS } from '@/api/lengths'
import { Button, Input, Textarea } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { api, ok } from '@/api/client'
import { place } from '@/api/time'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import WhenField from '@/parts/fields/WhenField.vue'
import { useAct, type Sheet } from '@/posts/sheet'

const props = defineProps<{ sheet: Sheet; title?: string }>()
const emit = defineEmits<{ close: [] }>()
const task = ref({ kind: props.title ? 'copy' : 'picture', title: props.title ?? '', person_id: '', due: '', note: '' })
const complete = computed(() => task.value.title.trim() !== '' && task.value.person_id !== '' && task.value.due !== '')
const assign = useAct<undefined>(
  props.sheet.id,
  () =>
    ok(
      api.POST('/api/w/{workspace}/posts/{post}/tasks', {
        params: { path: { workspace: props.sheet.workspace_id, post: props.sheet.id } },
        body: { ...task.value, due: { wall: task.value.due, zone: props.sheet.zone } },
      }),
    ),
  () => emit('close'),
)
</script>

<template>
  <form class="small-form" @submit.prevent="assign.mutate(undefined)">
    <label for="task-what">What</label>
    <Input
      id="task-what"
      v-model:value="task.title"
      :maxlength="LENGTHS.task"
      required
      placeholder="Picture for the fog post"
    />
    <label for="task-kind">Kind</label>
    <ChoiceField
      id="task-kind"
      v-model="task.kind"
      :options="['picture', 'copy', 'video', 'other'].map((kind) => ({ value: kind, label: kind }))"
    />
    <label for="task-who">Who</label>
    <ChoiceField
      id="task-who"
      v-model="task.person_id"
      placeholder="choose"
      :options="sheet.people.map((one) => ({ value: one.id, label: `${one.name}, ${one.role}` }))"
    />
    <label for="task-due">By when ({{ place(sheet.zone) }})</label>
    <WhenField id="task-due" v-model="task.due" />
    <label for="task-note">A note (agency side only)</label>
    <Textarea id="task-note" v-model:value="task.note" :rows="2" />
    <p class="acts">
      <Button html-type="submit" type="primary" size="small" :disabled="!complete" :loading="assign.isPending.value"
        >Assign it</Button
      >
      <Button size="small" @click="emit('close')">Cancel</Button>
    </p>
  </form>
</template>
