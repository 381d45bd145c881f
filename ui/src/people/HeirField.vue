<script setup lang="ts">
// Who takes over: people of the same side.
import type { Schemas } from '@/api/client'
import FormField from '@/parts/FormField.vue'
const heir = defineModel<string>({ required: true })
defineProps<{
  id: string
  person: Schemas['PeopleHere']['people'][number]
  here: Schemas['PeopleHere']
  label: string
  wrong?: string
}>()
</script>

<template>
  <FormField :id="id" :label="label" :wrong="wrong">
    <select :id="id" v-model="heir">
      <option value="">nobody</option>
      <option
        v-for="one in here.people.filter((each) => each.side === person.side && each.id !== person.id)"
        :key="one.id"
        :value="one.person_id"
      >
        {{ one.name }}, {{ one.role }}
      </option>
    </select>
  </FormField>
</template>
