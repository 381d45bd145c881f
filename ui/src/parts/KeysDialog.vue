<script setup lang="ts">
// The keys of the page; single keys can be turned off (WCAG 2.1.4).
import { Checkbox } from 'ant-design-vue'
import { ref, watch } from 'vue'
import { keysOn, turnKeys } from './keys'
import DialogBox from './DialogBox.vue'

defineProps<{ keys: [string, string][] }>()
const emit = defineEmits<{ close: [] }>()
const EVERYWHERE: [string, string][] = [['Ctrl Z', 'undo what was done last']]
const on = ref(keysOn())
watch(on, (now) => turnKeys(now))
</script>

<template>
  <DialogBox :width="380" title="Keys of this page" @close="emit('close')">
    <dl>
      <template v-for="[key, what] in [...keys, ...EVERYWHERE]" :key="key">
        <dt>
          <kbd>{{ key }}</kbd>
        </dt>
        <dd>{{ what }}</dd>
      </template>
    </dl>
    <Checkbox v-model:checked="on">Single-letter keys</Checkbox>
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
