<script setup lang="ts">
// A calendar day, the same in every zone, as the reader writes days: 2026-10-14 inside, '' for none.
import { DatePicker } from 'ant-design-vue'
import { ref } from 'vue'
import { DAYS_TYPED, dayFormat, pickerLocale } from './picker'
import { readTyped } from './typed'
import { pointerRests, popupOf } from './popup'

defineProps<{ id: string; label?: string; disabled?: boolean; required?: boolean }>()
const value = defineModel<string>({ required: true })
const root = ref<HTMLElement>()
/** What stands in the field counts, however it came there. */
function typed(event: Event) {
  if (!(event.target instanceof HTMLInputElement)) return
  const found = readTyped(event.target.value, DAYS_TYPED, 'YYYY-MM-DD')
  if (found !== undefined && found !== value.value) value.value = found
}
</script>

<template>
  <span ref="root" class="day" @keydown.capture="pointerRests" @keydown.enter.capture="typed" @focusout="typed">
    <DatePicker
      :id="id"
      :value="value || undefined"
      :aria-label="label"
      :disabled="disabled"
      :format="dayFormat()"
      :locale="pickerLocale()"
      value-format="YYYY-MM-DD"
      :get-popup-container="() => popupOf(root)"
      @update:value="value = ($event as string | null) ?? ''"
    />
  </span>
</template>

<style scoped>
.day {
  position: relative;
  display: inline-block;
}
</style>
