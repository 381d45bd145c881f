<script setup lang="ts">
// The pages of the material that posts are made from.
import { computed } from 'vue'
import { useChosen } from '@/agency/me'
import PageBar from '@/parts/PageBar.vue'

const { id } = useChosen()
const pages = computed(() =>
  (
    [
      ['material', 'Media'],
      ['ideas', 'Ideas'],
      ['feeds', 'Feeds'],
      ['partners', 'Partners'],
    ] as const
  ).map(([name, label]) => ({ name, label, to: { name, query: id.value ? { client: id.value } : {} } })),
)
</script>

<template>
  <PageBar name="Material" label="Material" :pages="pages"
    ><template #acts><slot /></template
  ></PageBar>
</template>
