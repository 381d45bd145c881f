<script setup lang="ts">
// One labelled field with its hint, and what is wrong at it.
defineProps<{ id: string; label: string; hint?: string; wrong?: string }>()
</script>

<template>
  <div class="field" :class="{ bad: wrong }">
    <label :for="id">{{ label }}</label>
    <slot />
    <span v-if="hint && !wrong" class="hint">{{ hint }}</span>
    <span v-if="wrong" class="wrong" role="alert">{{ wrong }}</span>
  </div>
</template>
