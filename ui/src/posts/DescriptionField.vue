<script setup lang="ts">
// The description of one picture, video or document, for whoever cannot see it.
defineProps<{ id: string; value: string; named: string; off?: string }>()
const emit = defineEmits<{ change: [words: string]; left: [] }>()
</script>

<template>
  <div>
    <label :for="id" class="hidden">Description of {{ named }}</label>
    <textarea
      :id="id"
      rows="2"
      :value="value"
      :readonly="!!off"
      :title="off"
      :placeholder="`Describe ${named} for people who cannot see it`"
      @input="emit('change', ($event.target as HTMLTextAreaElement).value)"
      @keydown.enter.prevent="($event.target as HTMLTextAreaElement).blur()"
      @blur="emit('left')"
    />
  </div>
</template>

<style scoped>
textarea {
  display: block;
  width: 100%;
  min-height: 42px;
  padding: 2px 4px;
  field-sizing: content;
  resize: none;
  margin: 2px 0;
  border: 1px solid var(--rule);
  border-radius: 3px;
  background: var(--sheet);
  font: inherit;
  color: var(--ink);
}
</style>
