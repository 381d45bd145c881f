<script setup lang="ts">
// The day on which a client's weeks start.
import FormField from '@/parts/FormField.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'

defineProps<{ wrong?: string }>()
const value = defineModel<number>({ required: true })
</script>

<template>
  <FormField id="week" label="A week starts on" :wrong="wrong">
    <ChoiceField
      id="week"
      v-model="value"
      :options="[
        { value: 1, label: 'Monday' },
        { value: 0, label: 'Sunday' },
      ]"
    />
  </FormField>
</template>
