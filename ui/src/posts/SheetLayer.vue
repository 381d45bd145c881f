<script setup lang="ts">
// A post's sheet over the page that it was opened from, which keeps its place below.
import { Button } from 'ant-design-vue'
import { defineAsyncComponent, nextTick, onBeforeUnmount, ref } from 'vue'
import { useEscape } from '@/parts/escape'
import { provideLayer } from '@/parts/keys'
import { later } from '@/parts/later'

const props = defineProps<{ workspace: string; post: string }>()
const emit = defineEmits<{ close: [] }>()
const Drawer = defineAsyncComponent(() => import('ant-design-vue/es/drawer'))
const PostSheetPage = later(() => import('./PostSheetPage.vue'))
const root = ref<HTMLElement>()
const came = document.activeElement instanceof HTMLElement ? document.activeElement : undefined
const titled = document.title
provideLayer(() => root.value)

onBeforeUnmount(() => {
  document.title = titled
  // the row may have been drawn anew meanwhile
  const row = came?.isConnected ? came : document.querySelector<HTMLElement>(`a[href$="/posts/${props.post}"]`)
  if (row && row !== document.body) void nextTick(() => row.focus({ preventScroll: true }))
})
/** Out of a field first, out of the sheet then; what is open over the sheet closes before it. */
const there = ref(true)
useEscape(there, (event) => {
  const field = event.target instanceof Element && event.target.closest('input, textarea, [contenteditable]')
  if (field) root.value?.focus({ preventScroll: true })
  else emit('close')
})
</script>

<template>
  <Drawer
    open
    root-class-name="sheet-layer"
    placement="right"
    width="min(1240px, 96vw)"
    :keyboard="false"
    :autofocus="false"
    :closable="false"
    :push="false"
    :title="undefined"
    :body-style="{ padding: 0, overflow: 'hidden' }"
    @after-open-change="(open: boolean) => open && root?.focus({ preventScroll: true })"
    @close="emit('close')"
  >
    <div ref="root" tabindex="-1" class="layer" role="dialog" aria-modal="true" aria-label="Post">
      <p class="ways">
        <Button size="small" @click="emit('close')">Back to the plan <kbd>Esc</kbd></Button>
        <router-link :to="{ name: 'post', params: { workspace, post } }">Open as a page</router-link>
      </p>
      <PostSheetPage :key="post" over :workspace="workspace" :post="post" @gone="emit('close')" />
    </div>
  </Drawer>
</template>

<style scoped>
.layer {
  outline: none;
  --sheet-height: calc(100vh - 41px);
}
kbd {
  margin-left: 6px;
  padding: 0 4px;
  border: 1px solid currentcolor;
  border-radius: 3px;
  font: 600 12px/1.3 var(--sans);
}
.ways {
  display: flex;
  gap: 16px;
  align-items: center;
  height: 40px;
  margin: 0;
  padding: 0 20px;
  border-bottom: 1px solid var(--rule);
}
</style>
