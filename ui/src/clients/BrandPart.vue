<script setup lang="ts" generic="T">
// The frame of one part of the brand sheet: title, what is written, save, and both versions when two people wrote.
import { Button } from 'ant-design-vue'
defineProps<{ title: string; hint?: string; may: boolean; dirty: boolean; busy: boolean; problem: string; theirs?: { value: T; by?: string }; by?: string | null }>()
const emit = defineEmits<{ save: []; drop: []; theirs: [] }>()
</script>

<template>
  <section class="block" :aria-label="title">
    <div class="block-head">
      <h2>{{ title }}</h2>
      <span class="quiet">{{ hint }}</span>
    </div>
    <slot />
    <div v-if="theirs" class="clash" role="alert">
      <b>{{ theirs.by ?? 'Somebody' }} wrote this meanwhile:</b>
      <p class="copy">{{ typeof theirs.value === 'string' ? theirs.value : JSON.stringify(theirs.value) }}</p>
      <div class="acts"><Button size="small" type="primary" @click="emit('save')">Keep mine</Button><Button size="small" @click="emit('theirs')">Take theirs</Button></div>
    </div>
    <p v-else-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <div v-if="may && dirty && !theirs" class="acts">
      <Button type="primary" size="small" :loading="busy" @click="emit('save')">Save {{ title.toLowerCase() }}</Button>
      <Button size="small" @click="emit('drop')">Leave it as it was</Button>
      <span class="quiet">not saved yet, kept in this browser</span>
    </div>
  </section>
</template>

<style scoped>
.clash {
  border-left: 4px solid var(--change);
  padding: 6px 10px;
  margin-top: 8px;
}
</style>
