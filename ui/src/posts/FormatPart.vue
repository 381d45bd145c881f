<script setup lang="ts">
// The format: only what the networks take; what it does not use stays with the post.
import { computed } from 'vue'
import { useEditor, type EditorProps } from './editing'
import SaysState from './SaysState.vue'
import { FORMATS } from './writable'

const props = defineProps<EditorProps>()
const emit = defineEmits<{ state: [state: string] }>()
const { value, state, problem, theirs, choose, keepMine, takeTheirs, drop, where } = useEditor<string | null>(
  props,
  'format',
  null,
  emit,
)
const taken = computed(() =>
  props.one ? props.one.offers.formats : [...new Set(props.sheet.adaptations.flatMap((one) => one.offers.formats))],
)
const everywhere = (format: string) =>
  props.sheet.adaptations.filter((one) => !one.offers.formats.includes(format)).map((one) => one.channel.name)
</script>

<template>
  <fieldset :disabled="!!off">
    <legend class="hidden">Format{{ where }}</legend>
    <label class="check"
      ><input type="radio" :checked="!value" @change="choose(null)" /> automatic, by what is there</label
    >
    <label v-for="format in taken" :key="format" class="check">
      <input type="radio" :checked="value === format" @change="choose(format)" /> {{ FORMATS[format] }}
      <span v-if="!one && everywhere(format).length > 0" class="quiet">not on {{ everywhere(format).join(', ') }}</span>
    </label>
    <SaysState
      :state="state"
      :problem="problem"
      :by="theirs?.by"
      :theirs="theirs?.value"
      @mine="keepMine"
      @theirs="takeTheirs"
      @drop="drop"
    />
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
}
.check {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 24px;
}
</style>
