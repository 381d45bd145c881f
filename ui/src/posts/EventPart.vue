<script setup lang="ts">
// An event with its place and its times, in the client's zone.
import { computed } from 'vue'
import { place as placeOf } from '@/api/time'
import { useEditor, type EditorProps } from './editing'
import SaysState from './SaysState.vue'

const props = defineProps<EditorProps>()
const emit = defineEmits<{ state: [state: string] }>()
interface Happening {
  name: string
  place: string
  starts: string
  ends: string | null
  zone: string
}
const { value, state, problem, theirs, change, choose, save, keepMine, takeTheirs, drop, where } =
  useEditor<Happening | null>(props, 'event', null, emit)
const id = computed(() => `event-${props.one?.channel.id ?? 'master'}`)
const now = computed<Happening>(
  () => value.value ?? { name: '', place: '', starts: '', ends: null, zone: props.sheet.zone },
)
function set(field: keyof Happening, text: string) {
  const next = { ...now.value, [field]: field === 'ends' && text === '' ? null : text }
  change(next)
}
</script>

<template>
  <div class="small-form">
    <label :for="`${id}-name`">Name{{ where }}</label>
    <input
      :id="`${id}-name`"
      :value="now.name"
      :readonly="!!off"
      @input="set('name', ($event.target as HTMLInputElement).value)"
      @blur="now.name && now.starts && save()"
    />
    <label :for="`${id}-place`">Place</label>
    <input
      :id="`${id}-place`"
      :value="now.place"
      :readonly="!!off"
      @input="set('place', ($event.target as HTMLInputElement).value)"
    />
    <label :for="`${id}-starts`">Starts, {{ placeOf(sheet.zone) }}</label>
    <input
      :id="`${id}-starts`"
      type="datetime-local"
      :value="now.starts.slice(0, 16)"
      :disabled="!!off"
      @change="set('starts', ($event.target as HTMLInputElement).value)"
    />
    <label :for="`${id}-ends`">Ends</label>
    <input
      :id="`${id}-ends`"
      type="datetime-local"
      :value="now.ends?.slice(0, 16) ?? ''"
      :disabled="!!off"
      @change="set('ends', ($event.target as HTMLInputElement).value)"
    />
    <button v-if="value" type="button" class="link-button" :disabled="!!off" @click="choose(null)">no event</button>
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
