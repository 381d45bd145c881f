<script setup lang="ts">
// The dialogs of a post's sheet, of which one is open at a time.
import { later } from '@/parts/later'
import type { Dialog } from './dialogs'
import type { Sheet } from './sheet'

const AskDialog = later(() => import('@/signoff/asks/AskDialog.vue'))
const CopyDialog = later(() => import('./CopyDialog.vue'))
const FindReplace = later(() => import('./FindReplace.vue'))
const OpenDialog = later(() => import('./OpenDialog.vue'))

defineProps<{ sheet: Sheet; open?: Dialog }>()
const emit = defineEmits<{ close: [] }>()
</script>

<template>
  <AskDialog v-if="open?.dialog === 'ask'" :sheet="sheet" open :offer="open.offer" @close="emit('close')" />
  <OpenDialog v-else-if="open?.dialog === 'unlock'" :sheet="sheet" open @close="emit('close')" />
  <CopyDialog v-else-if="open?.dialog === 'copy'" :sheet="sheet" @close="emit('close')" />
  <FindReplace v-else-if="open?.dialog === 'replace'" :sheet="sheet" @close="emit('close')" />
</template>
