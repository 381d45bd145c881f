<script setup lang="ts">
// An event with its place and its times, in the client's zone.
import { Input } from 'ant-design-vue'
import { computed } from 'vue'
import { place as placeOf } from '@/api/time'
import { useEditor, type EditorProps } from './editing'
import SaysState from './SaysState.vue'
import WhenField from '@/parts/fields/WhenField.vue'

const props = defineProps<EditorProps>()
interface Happening {
  name: string
  place: string
  starts: string
  ends: string | null
  zone: string
}
const { value, state, problem, theirs, change, choose, save, keepMine, takeTheirs, drop, where } =
  useEditor<Happening | null>(props, 'event', null)
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
    <Input
      :id="`${id}-name`"
      :value="now.name"
      :readonly="!!off"
      @update:value="set('name', $event)"
      @blur="now.name && now.starts && save()"
    />
    <label :for="`${id}-place`">Place</label>
    <Input :id="`${id}-place`" :value="now.place" :readonly="!!off" @update:value="set('place', $event)" />
    <label :for="`${id}-starts`">Starts, {{ placeOf(sheet.zone) }}</label>
    <WhenField
      :id="`${id}-starts`"
      :model-value="now.starts.slice(0, 16)"
      :disabled="!!off"
      @update:model-value="set('starts', $event)"
    />
    <label :for="`${id}-ends`">Ends</label>
    <WhenField
      :id="`${id}-ends`"
      :model-value="now.ends?.slice(0, 16) ?? ''"
      :disabled="!!off"
      @update:model-value="set('ends', $event)"
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
