<script setup lang="ts">
// The day on which a client's weeks start.
import FormField from '@/parts/FormField.vue'

defineProps<{ wrong?: string }>()
const value = defineModel<number>({ required: true })
</script>

<template>
  <FormField id="week" label="A week starts on" :wrong="wrong">
    <select id="week" v-model="value">
      <option :value="1">Monday</option>
      <option :value="0">Sunday</option>
    </select>
  </FormField>
</template>
