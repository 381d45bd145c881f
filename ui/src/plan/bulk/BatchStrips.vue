<script setup lang="ts">
// Under the masthead, on every page: what goes on by itself.
import { later } from '@/parts/later'
import { useBatches } from './batches'

const BatchStrip = later(() => import('./BatchStrip.vue'))
const batches = useBatches()
</script>

<template>
  <BatchStrip v-for="batch in batches" :key="batch.id" :batch="batch" />
</template>
