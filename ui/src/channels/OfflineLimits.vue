<script setup lang="ts">
// What an offline channel takes: its mark, and how much of everything.
import { LENGTHS } from '@/api/lengths'
import { Checkbox, Input, InputNumber } from 'ant-design-vue'
import FormField from '@/parts/FormField.vue'

defineProps<{ at: (field: string) => string | undefined; named?: boolean }>()
const limits = defineModel<{
  name?: string
  initials: string
  limit: number
  pictures: number
  picture_needed: boolean
}>({
  required: true,
})
</script>

<template>
  <FormField v-if="named" id="o-name" label="Name" :wrong="at('name')"
    ><Input id="o-name" v-model:value="limits.name" :maxlength="LENGTHS.name"
  /></FormField>
  <FormField id="o-initials" label="Mark" :wrong="at('initials')" hint="One to three letters."
    ><Input id="o-initials" v-model:value="limits.initials" :maxlength="3"
  /></FormField>
  <FormField id="o-limit" label="Characters at most" :wrong="at('limit')"
    ><InputNumber id="o-limit" v-model:value="limits.limit" :min="1"
  /></FormField>
  <FormField id="o-pictures" label="Pictures at most" :wrong="at('pictures')"
    ><InputNumber id="o-pictures" v-model:value="limits.pictures" :min="0" :max="20"
  /></FormField>
  <Checkbox v-model:checked="limits.picture_needed">a picture is needed</Checkbox>
</template>
