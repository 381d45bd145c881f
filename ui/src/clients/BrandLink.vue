<script setup lang="ts">
// One link of the brand sheet, being written.
import { Input } from 'ant-design-vue'

defineProps<{ number: number }>()
const emit = defineEmits<{ remove: [] }>()
const link = defineModel<{ title: string; address: string }>({ required: true })
</script>

<template>
  <li>
    <Input v-model:value="link.title" placeholder="title" :aria-label="`Title of link ${number}`" class="short" />
    <Input v-model:value="link.address" type="url" placeholder="https://" :aria-label="`Address of link ${number}`" />
    <button type="button" class="link-button" @click="emit('remove')">Remove</button>
  </li>
</template>

<style scoped>
li {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 4px 0;
}
.short {
  flex: 0 0 150px;
}
</style>
