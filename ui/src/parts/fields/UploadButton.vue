<script setup lang="ts">
// Files by a button, by dropping them on it or by the keyboard. What becomes of them is told by whoever takes them.
import { Upload } from 'ant-design-vue'
import { onMounted, ref } from 'vue'
import ActButton from '@/parts/ActButton.vue'

const props = defineProps<{
  label: string
  accept?: string
  multiple?: boolean
  busy?: boolean
  off?: string
  /** How much of it has arrived, in percent. */
  progress?: number
}>()
const emit = defineEmits<{ files: [files: File[]] }>()
const root = ref<HTMLElement>()
onMounted(() => {
  const field = root.value?.querySelector<HTMLInputElement>('input[type=file]')
  field?.setAttribute('aria-label', props.label)
  field?.setAttribute('tabindex', '-1')
  // the library makes a button of what holds ours
  const around = root.value?.querySelector('.ant-upload[role=button]')
  around?.removeAttribute('role')
  around?.removeAttribute('tabindex')
})
// the library asks once for each file: the first time all are taken
function take(file: File, all: File[]) {
  if (file === all[0]) emit('files', [...all])
  return false
}
</script>

<template>
  <span ref="root" class="upload">
    <Upload
      :accept="accept"
      :multiple="multiple"
      :disabled="!!off || busy"
      :show-upload-list="false"
      :before-upload="(file: unknown, all: unknown[]) => take(file as File, all as File[])"
    >
      <ActButton size="small" :off="off" :loading="busy"><slot /></ActButton>
    </Upload>
    <span
      v-if="progress !== undefined"
      class="progress"
      role="progressbar"
      :aria-valuenow="progress"
      :aria-label="`Uploading, ${progress} percent`"
      ><span :style="{ width: `${progress}%` }"
    /></span>
  </span>
</template>

<style scoped>
.progress {
  display: block;
  height: 6px;
  margin-top: 6px;
  background: var(--well);
}
.progress span {
  display: block;
  height: 100%;
  background: var(--ink);
}
</style>
