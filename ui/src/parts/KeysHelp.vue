<script setup lang="ts">
// `?` shows the keys of the page, and lets single keys be turned off (WCAG 2.1.4).
import { ref } from 'vue'
import { keysOn, turnKeys, useKeys } from './keys'
import DialogBox from './DialogBox.vue'

defineProps<{ keys: [string, string][] }>()
const open = ref(false)
const on = ref(keysOn())
function turn(event: Event) {
  on.value = (event.target as HTMLInputElement).checked
  turnKeys(on.value)
}
useKeys({ '?': () => (open.value = true) })
</script>

<template>
  <DialogBox :open="open" :width="380" title="Keys of this page" @close="open = false">
    <dl>
      <template v-for="[key, what] in keys" :key="key">
        <dt>
          <kbd>{{ key }}</kbd>
        </dt>
        <dd>{{ what }}</dd>
      </template>
    </dl>
    <label><input type="checkbox" :checked="on" @change="turn" /> Single-letter keys</label>
  </DialogBox>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 90px 1fr;
  gap: 6px;
  margin-bottom: 12px;
}
kbd {
  font: 600 12px/1 var(--sans);
  border: 1px solid var(--ink-2);
  border-radius: 3px;
  padding: 1px 5px;
}
label {
  display: flex;
  gap: 8px;
  align-items: center;
}
</style>
