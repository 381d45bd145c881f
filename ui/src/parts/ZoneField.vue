<script setup lang="ts">
// A time zone by typing: IANA names, as the browser knows them. What is not one is said by the server.
import FormField from './FormField.vue'
const value = defineModel<string>({ required: true })
defineProps<{ id: string; label: string; wrong?: string; hint?: string }>()
const zones = Intl.supportedValuesOf('timeZone')
</script>

<template>
  <FormField :id="id" :label="label" :wrong="wrong" :hint="hint">
    <input :id="id" v-model="value" type="text" :list="`${id}-zones`" autocomplete="off" spellcheck="false" />
    <datalist :id="`${id}-zones`"><option v-for="zone in zones" :key="zone" :value="zone" /></datalist>
  </FormField>
</template>
