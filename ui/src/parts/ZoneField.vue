<script setup lang="ts">
// A time zone by typing: IANA names, as the browser knows them. What is not one is said by the server.
import SuggestField from './fields/SuggestField.vue'
import FormField from './FormField.vue'
const value = defineModel<string>({ required: true })
defineProps<{ id: string; label: string; wrong?: string; hint?: string }>()
const zones = Intl.supportedValuesOf('timeZone')
</script>

<template>
  <FormField :id="id" :label="label" :wrong="wrong" :hint="hint">
    <SuggestField :id="id" v-model="value" :label="label" :known="zones" />
  </FormField>
</template>
