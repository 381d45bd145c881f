<script setup lang="ts">
// A dialog of ours: still, named by its title, without a footer of its own. The focus goes in when it opens and back
// to where it was when it closes; Esc closes it wherever the focus is.
import { Modal } from 'ant-design-vue'
import { nextTick, onBeforeUnmount, ref, watch } from 'vue'
import { useEscape } from './escape'

const props = withDefaults(defineProps<{ open?: boolean; title: string; width: number; closable?: boolean }>(), {
  open: true,
  closable: true,
})
const emit = defineEmits<{ close: [] }>()
const inside = ref<HTMLElement>()
let came: HTMLElement | undefined

watch(
  () => props.open,
  (open) => (open ? void goIn() : goBack()),
  { immediate: true, flush: 'sync' },
)
onBeforeUnmount(goBack)
useEscape(
  () => props.open,
  () => emit('close'),
)

async function goIn() {
  came = document.activeElement instanceof HTMLElement ? document.activeElement : undefined
  // the library lays the dialog out one tick after it was told to open
  for (let tick = 0; tick < 5 && !inside.value; tick += 1) await nextTick()
  const box = inside.value
  if (!box || box.contains(document.activeElement)) return
  const first =
    box.querySelector<HTMLElement>('input:enabled, select:enabled, textarea:enabled') ??
    box.querySelector<HTMLElement>('button:enabled, a[href], [tabindex="0"]') ??
    box
  first.focus({ preventScroll: true })
}

function goBack() {
  const back = came
  came = undefined
  if (back?.isConnected && back !== document.body) void nextTick(() => back.focus({ preventScroll: true }))
}
</script>

<template>
  <Modal
    transition-name=""
    mask-transition-name=""
    :keyboard="false"
    :focus-trigger-after-close="false"
    :open="open"
    :title="title"
    :footer="null"
    :width="width"
    :closable="closable"
    @cancel="emit('close')"
  >
    <div ref="inside" tabindex="-1" class="inside"><slot /></div>
  </Modal>
</template>

<style scoped>
/* it only holds the focus until something in it can */
.inside {
  outline: none;
}
</style>
