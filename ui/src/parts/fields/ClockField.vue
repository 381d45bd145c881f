<script setup lang="ts">
// An hour of the day as the reader writes it: 09:30 inside.
import { TimePicker } from 'ant-design-vue'
import { ref } from 'vue'
import { HOURS_TYPED, clockFormat, pickerLocale } from './picker'
import { readTyped } from './typed'
import { pointerRests, popupOf } from './popup'

const value = defineModel<string>({ required: true })
const props = defineProps<{
  id?: string
  label: string
  disabled?: boolean
  /** It ends something: midnight is the end of its day. */
  end?: boolean
}>()
const put = (hour: string) => (value.value = props.end && hour === '00:00' ? '24:00' : hour)
const root = ref<HTMLElement>()
/** What stands in the field counts, however it came there. */
function typed(event: Event) {
  if (!(event.target instanceof HTMLInputElement)) return
  const found = readTyped(event.target.value, HOURS_TYPED, 'HH:mm')
  if (found && found !== value.value) put(found)
}
</script>

<template>
  <span ref="root" class="clock" @keydown.capture="pointerRests" @keydown.enter.capture="typed" @focusout="typed">
    <TimePicker
      :id="id"
      :value="value === '24:00' ? '00:00' : value"
      :aria-label="label"
      :disabled="disabled"
      :allow-clear="false"
      :format="clockFormat()"
      :locale="pickerLocale()"
      :minute-step="5"
      value-format="HH:mm"
      :get-popup-container="() => popupOf(root)"
      @update:value="put($event as string)"
    />
  </span>
</template>

<style scoped>
.clock {
  position: relative;
  display: inline-block;
  width: 110px;
}
</style>
