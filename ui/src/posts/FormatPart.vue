<script setup lang="ts">
// The format: only what the networks take; what it does not use stays with the post.
import { computed } from 'vue'
import { useEditor, type EditorProps } from './editing'
import SaysState from './SaysState.vue'
import { FORMATS } from './writable'
import { Radio, RadioGroup } from 'ant-design-vue'

const props = defineProps<EditorProps>()
const { value, state, problem, theirs, choose, keepMine, takeTheirs, drop, where } = useEditor<string | null>(
  props,
  'format',
  null,
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
    <RadioGroup
      :value="value ?? ''"
      class="stacked"
      :disabled="!!off"
      @update:value="choose(($event as string) || null)"
    >
      <Radio value="">automatic, by what is there</Radio>
      <Radio v-for="format in taken" :key="format" :value="format"
        >{{ FORMATS[format] }}
        <span v-if="!one && everywhere(format).length > 0" class="quiet"
          >not on {{ everywhere(format).join(', ') }}</span
        ></Radio
      >
    </RadioGroup>
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
</style>
