<script setup lang="ts">
// The colour of a client's edge: picked, or in digits.
import { Input } from 'ant-design-vue'
import FormField from '@/parts/FormField.vue'

defineProps<{ wrong?: string }>()
const value = defineModel<string>({ required: true })
</script>

<template>
  <FormField id="edge" label="Colour of its edge" :wrong="wrong">
    <span class="colour"
      ><input id="edge" v-model="value" type="color" aria-label="Colour of its edge" />
      <Input v-model:value="value" aria-label="The colour in digits" :maxlength="7"
    /></span>
  </FormField>
</template>

<style scoped>
.colour {
  display: flex;
  gap: 8px;
}
.colour input[type='color'] {
  width: 46px;
  height: 30px;
  padding: 2px;
  border: 1px solid var(--edge);
  border-radius: 3px;
  background: var(--sheet);
}
</style>
