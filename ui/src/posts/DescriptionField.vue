<script setup lang="ts">
// The description of one picture, video or document, for whoever cannot see it.
import { Textarea } from 'ant-design-vue'
defineProps<{ id: string; value: string; named: string; off?: string }>()
const emit = defineEmits<{ change: [words: string]; left: [] }>()
</script>

<template>
  <div>
    <label :for="id" class="hidden">Description of {{ named }}</label>
    <Textarea
      :id="id"
      :rows="2"
      :value="value"
      :readonly="!!off"
      :title="off"
      :placeholder="`Describe ${named} for people who cannot see it`"
      @update:value="emit('change', $event)"
      @keydown.enter.prevent="($event.target as HTMLTextAreaElement).blur()"
      @blur="emit('left')"
    />
  </div>
</template>
