<script setup lang="ts">
// The call to action, out of what the networks offer.
import { computed } from 'vue'
import { useEditor, type EditorProps } from './editing'
import SaysState from './SaysState.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'

const props = defineProps<EditorProps>()
const { value, state, problem, theirs, choose, keepMine, takeTheirs, drop, where } = useEditor<string | null>(
  props,
  'call_to_action',
  null,
)
const kinds = computed(() => [
  ...new Set((props.one ? [props.one] : props.sheet.adaptations).flatMap((one) => one.offers.call_to_action ?? [])),
])
</script>

<template>
  <div>
    <ChoiceField
      :id="`call-${one?.channel.id ?? 'master'}-choice`"
      :model-value="value ?? ''"
      :disabled="!!off"
      :label="`Call to action${where}`"
      :options="[{ value: '', label: 'none' }, ...kinds.map((kind) => ({ value: kind, label: kind }))]"
      @update:model-value="choose($event || null)"
    />
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
