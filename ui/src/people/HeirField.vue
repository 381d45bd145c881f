<script setup lang="ts">
// Who takes over: people of the same side.
import type { Schemas } from '@/api/client'
import FormField from '@/parts/FormField.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
const heir = defineModel<string>({ required: true })
defineProps<{
  id: string
  person: Schemas['ClientPeople']['people'][number]
  here: Schemas['ClientPeople']
  label: string
  wrong?: string
}>()
</script>

<template>
  <FormField :id="id" :label="label" :wrong="wrong">
    <ChoiceField
      :id="id"
      v-model="heir"
      :options="[
        { value: '', label: 'nobody' },
        ...here.people
          .filter((each) => each.side === person.side && each.id !== person.id)
          .map((one) => ({ value: one.person_id, label: `${one.name}, ${one.role}` })),
      ]"
    />
  </FormField>
</template>
