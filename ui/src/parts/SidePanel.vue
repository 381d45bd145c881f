<script setup lang="ts">
// What belongs to a chosen row. Beside the list where there is room; over it, as the library's drawer, where it would
// stand below the list and out of sight. The focus goes into the drawer and back to the row.
import { useMediaQuery } from '@vueuse/core'
import { defineAsyncComponent, nextTick, onBeforeUnmount, ref, watch } from 'vue'

withDefaults(defineProps<{ label: string; width?: number }>(), { width: 380 })
const emit = defineEmits<{ close: [] }>()
const Drawer = defineAsyncComponent(() => import('ant-design-vue/es/drawer'))
const wide = useMediaQuery('(min-width: 1001px)')
const inside = ref<HTMLElement>()
const came = document.activeElement instanceof HTMLElement ? document.activeElement : undefined

watch(inside, (box) => box?.focus({ preventScroll: true }))
onBeforeUnmount(() => {
  if (!wide.value && came?.isConnected) void nextTick(() => came.focus({ preventScroll: true }))
})
</script>

<template>
  <aside v-if="wide" class="beside" :aria-label="label" :style="{ flexBasis: `${width}px` }"><slot /></aside>
  <Drawer
    v-else
    open
    root-class-name="side-drawer"
    placement="right"
    :title="label"
    :width="`min(${width}px, 100vw)`"
    :push="false"
    @close="emit('close')"
  >
    <div ref="inside" tabindex="-1" class="over"><slot /></div>
  </Drawer>
</template>

<style scoped>
.beside {
  flex: 0 0 auto;
  align-self: stretch;
  min-height: calc(100vh - 100px);
  padding: 12px 18px 0;
  background: var(--sheet);
  border-left: 3px solid var(--ink);
  overflow-wrap: anywhere;
}
.over {
  outline: none;
  overflow-wrap: anywhere;
}
</style>
