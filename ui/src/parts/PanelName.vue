<script setup lang="ts">
// The head of a panel about one thing: its name, which can be written over there, and the way out.
import { Input } from 'ant-design-vue'

defineProps<{ label: string; name: string; off?: string; serif?: boolean }>()
const emit = defineEmits<{ type: [words: string]; leave: []; close: [] }>()
</script>

<template>
  <div class="top">
    <Input
      :value="name"
      :readonly="!!off"
      :title="off"
      :aria-label="label"
      :bordered="false"
      class="called"
      :class="{ serif }"
      @update:value="emit('type', $event)"
      @blur="emit('leave')"
      @press-enter="($event.target as HTMLElement).blur()"
    />
    <button type="button" class="link-button" @click="emit('close')">close</button>
  </div>
</template>

<style scoped>
.top {
  display: flex;
  gap: 8px;
  align-items: center;
}
.called {
  flex: 1;
  padding-left: 0;
  font-weight: 700;
}
.called.serif {
  font: 600 17px/1.3 var(--serif);
}
</style>
