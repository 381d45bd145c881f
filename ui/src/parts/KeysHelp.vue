<script setup lang="ts">
// `?` shows the keys of the page.
import { ref } from 'vue'
import { useKeys } from './keys'
import { later } from './later'

const KeysDialog = later(() => import('./KeysDialog.vue'))
defineProps<{ keys: [string, string][] }>()
const open = ref(false)
useKeys({ '?': () => (open.value = true) })
</script>

<template>
  <KeysDialog v-if="open" :keys="keys" @close="open = false" />
</template>
