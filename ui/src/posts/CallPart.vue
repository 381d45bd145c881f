<script setup lang="ts">
// The call to action, out of what the networks offer.
import { computed } from 'vue'
import { useEditor, type EditorProps } from './editing'
import SaysState from './SaysState.vue'

const props = defineProps<EditorProps>()
const emit = defineEmits<{ state: [state: string] }>()
const { value, state, problem, theirs, choose, keepMine, takeTheirs, drop, where } = useEditor<string | null>(
  props,
  'call_to_action',
  null,
  emit,
)
const kinds = computed(() => [
  ...new Set((props.one ? [props.one] : props.sheet.adaptations).flatMap((one) => one.offers.call_to_action ?? [])),
])
</script>

<template>
  <div>
    <select
      :value="value ?? ''"
      :disabled="!!off"
      :aria-label="`Call to action${where}`"
      @change="choose(($event.target as HTMLSelectElement).value || null)"
    >
      <option value="">none</option>
      <option v-for="kind in kinds" :key="kind">{{ kind }}</option>
    </select>
    <SaysState
      :state="state"
      :problem="problem"
      :by="theirs?.by"
      :theirs="theirs?.value"
      @mine="keepMine"
      @theirs="takeTheirs"
      @drop="drop"
    />
  </div>
</template>
