<script setup lang="ts">
// Two texts as one, word by word: struck is gone, underlined is new.
defineProps<{ runs: { kind: string; words: string }[]; label: string }>()
</script>

<template>
  <p class="copy compared" :aria-label="label">
    <template v-for="(run, index) in runs" :key="index"
      ><del v-if="run.kind === 'gone'">{{ run.words }}</del
      ><ins v-else-if="run.kind === 'new'">{{ run.words }}</ins
      ><template v-else>{{ run.words }}</template></template
    >
  </p>
</template>

<style scoped>
.compared {
  padding: 8px 12px;
  background: var(--sheet);
  font: 400 15px/1.55 var(--serif);
}
del {
  color: var(--ink-2);
}
ins {
  text-decoration-thickness: 2px;
  text-underline-offset: 3px;
}
</style>
