<script setup lang="ts">
// A day and an hour as the wall shows them somewhere: 2026-10-14T09:30 inside, '' for none.
import { DatePicker } from 'ant-design-vue'
import { ref } from 'vue'
import { DAYS_TYPED, HOURS_TYPED, clockFormat, dayFormat, pickerLocale } from './picker'
import { readTyped } from './typed'
import { pointerRests, popupOf, sideOf } from './popup'

defineProps<{ id: string; label?: string; disabled?: boolean }>()
const value = defineModel<string>({ required: true })
const root = ref<HTMLElement>()
const side = ref<'bottomRight' | 'topRight'>('bottomRight')
const aim = () => (side.value = sideOf(root.value))
/** What stands in the field counts, however it came there. */
function typed(event: Event) {
  if (!(event.target instanceof HTMLInputElement)) return
  const found = readTyped(
    event.target.value,
    DAYS_TYPED.flatMap((day) => HOURS_TYPED.map((hour) => `${day} ${hour}`)),
    'YYYY-MM-DDTHH:mm',
  )
  if (found !== undefined && found !== value.value) value.value = found
}
</script>

<template>
  <span
    ref="root"
    class="when"
    @keydown.capture="pointerRests"
    @focusin="aim"
    @mousedown.capture="aim"
    @keydown.enter.capture="typed"
    @focusout="typed"
  >
    <DatePicker
      :id="id"
      :value="value || undefined"
      :aria-label="label"
      :disabled="disabled"
      :format="`${dayFormat()} ${clockFormat()}`"
      :locale="pickerLocale()"
      :show-time="{ format: clockFormat(), minuteStep: 5 }"
      value-format="YYYY-MM-DDTHH:mm"
      :placement="side"
      :get-popup-container="() => popupOf(root)"
      @update:value="value = ($event as string | null) ?? ''"
    />
  </span>
</template>

<style scoped>
.when {
  position: relative;
  display: block;
}
.when > :deep(.ant-picker) {
  width: 100%;
}
</style>
