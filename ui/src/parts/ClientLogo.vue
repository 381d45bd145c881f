<script setup lang="ts">
// A client's logo, or its initials where it has none, over the colour of its edge.
defineProps<{ id: string; initials: string; edge: string; picture?: boolean; size?: number }>()
</script>

<template>
  <svg class="client-logo" :width="size ?? 22" :height="size ?? 22" viewBox="0 0 22 22" aria-hidden="true">
    <rect width="22" height="22" rx="2" :style="{ fill: 'var(--sheet)', stroke: 'var(--edge)' }" />
    <image
      v-if="picture"
      :href="`/api/w/${id}/logo`"
      x="1"
      y="1"
      width="20"
      height="18"
      preserveAspectRatio="xMidYMid slice"
    />
    <text v-else x="11" y="13.5" text-anchor="middle" font-size="9" font-weight="700" :style="{ fill: 'var(--ink)' }">
      {{ initials }}
    </text>
    <rect y="18" width="22" height="4" rx="1" :fill="edge" />
  </svg>
</template>

<style scoped>
.client-logo {
  flex: none;
}
</style>
