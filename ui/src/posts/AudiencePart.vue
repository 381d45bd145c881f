<script setup lang="ts">
// A note of who should see it: places and languages, separated by commas.
import { Input } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { useEditor, type EditorProps } from './editing'
import SaysState from './SaysState.vue'

const props = defineProps<EditorProps>()
interface Audience {
  places: string[]
  languages: string[]
}
const { value, state, problem, theirs, change, save, keepMine, takeTheirs, drop, where } = useEditor<Audience | null>(
  props,
  'audience',
  null,
)
const places = ref('')
const languages = ref('')
watch(
  value,
  (now) => {
    if (state.value !== 'saved') return
    places.value = now?.places.join(', ') ?? ''
    languages.value = now?.languages.join(', ') ?? ''
  },
  { immediate: true },
)
const id = computed(() => `audience-${props.one?.channel.id ?? 'master'}`)
function words(text: string) {
  return text
    .split(',')
    .map((one) => one.trim())
    .filter(Boolean)
}
function typed() {
  change({ places: words(places.value), languages: words(languages.value) })
}
</script>

<template>
  <div class="small-form">
    <label :for="`${id}-places`">Places{{ where }}</label>
    <Input
      :id="`${id}-places`"
      v-model:value="places"
      :readonly="!!off"
      placeholder="Lisbon + 30 km"
      @input="typed"
      @blur="save()"
    />
    <label :for="`${id}-languages`">Languages{{ where }}</label>
    <Input
      :id="`${id}-languages`"
      v-model:value="languages"
      :readonly="!!off"
      placeholder="pt, en"
      @input="typed"
      @blur="save()"
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
