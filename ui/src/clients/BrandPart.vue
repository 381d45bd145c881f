<script setup lang="ts">
// The frame of one part of the brand sheet: title, what is written, save, and both versions when two people wrote.
import { Button } from 'ant-design-vue'
interface Written {
  dirty: boolean
  busy: boolean
  problem: string
  theirs?: { value: unknown; by?: string }
  save: () => Promise<void>
  drop: () => void
  takeTheirs: () => void
}
defineProps<{ title: string; hint?: string; may: boolean; part: Written }>()
</script>

<template>
  <section class="block" :aria-label="title">
    <div class="block-head">
      <h2>{{ title }}</h2>
      <span class="quiet">{{ hint }}</span>
    </div>
    <slot />
    <div v-if="part.theirs" class="clash" role="alert">
      <b>{{ part.theirs.by ?? 'Somebody' }} wrote this meanwhile:</b>
      <p class="copy">
        {{ typeof part.theirs.value === 'string' ? part.theirs.value : JSON.stringify(part.theirs.value) }}
      </p>
      <div class="acts">
        <Button size="small" type="primary" @click="part.save">Keep mine</Button
        ><Button size="small" @click="part.takeTheirs">Use theirs</Button>
      </div>
    </div>
    <p v-else-if="part.problem" class="wrong" role="alert">{{ part.problem }}</p>
    <div v-if="may && part.dirty && !part.theirs" class="acts">
      <Button type="primary" size="small" :loading="part.busy" @click="part.save"
        >Save {{ title.toLowerCase() }}</Button
      >
      <Button size="small" @click="part.drop">Discard my changes</Button>
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
