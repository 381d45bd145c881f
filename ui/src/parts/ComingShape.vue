<script setup lang="ts">
// The shape of what is being fetched, by its lines.
import { Skeleton } from 'ant-design-vue'

defineProps<{ label: string; lines?: number }>()
</script>

<template>
  <div role="status" aria-busy="true" :aria-label="label">
    <Skeleton active :title="false" :paragraph="{ rows: lines ?? 6, width: '100%' }" />
  </div>
</template>
