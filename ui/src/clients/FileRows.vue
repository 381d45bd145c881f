<script setup lang="ts">
// Files of a client that are only handed out: added, fetched and taken away.
import { message } from 'ant-design-vue'
import { ref } from 'vue'
import UploadButton from '@/parts/fields/UploadButton.vue'

const props = defineProps<{
  files: { id: string; name: string; bytes: number; by: string }[]
  /** where they lie: one is under its id */
  address: string
  may: boolean
}>()
const emit = defineEmits<{ changed: []; remove: [id: string] }>()

const sending = ref(false)
async function add(files: File[]) {
  sending.value = true
  for (const file of files) {
    try {
      const reply = await fetch(`${props.address}?name=${encodeURIComponent(file.name)}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/octet-stream' },
        body: file,
      })
      if (reply.ok) continue
      const problem = (await reply.json()) as { detail: string; way_on?: string }
      void message.error(`${file.name}: ${[problem.detail, problem.way_on].filter(Boolean).join(' ')}`, 9)
    } catch {
      void message.error(`${file.name}: there is no connection. Add it again once there is one.`, 9)
    }
  }
  sending.value = false
  emit('changed')
}
function size(bytes: number) {
  return bytes < 1_000_000 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`
}
</script>

<template>
  <ul class="rows">
    <li v-for="file in files" :key="file.id">
      <a :href="`${address}/${file.id}`" download>{{ file.name }}</a>
      <span class="quiet">{{ size(file.bytes) }} · {{ file.by }}</span>
      <button
        v-if="may"
        type="button"
        class="link-button"
        :aria-label="`Remove ${file.name}`"
        @click="emit('remove', file.id)"
      >
        Remove
      </button>
    </li>
    <li v-if="files.length === 0" class="quiet">No files yet.</li>
  </ul>
  <UploadButton v-if="may" label="Add files" multiple :busy="sending" @files="add">Add files</UploadButton>
</template>

<style scoped>
.rows li {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 4px 0;
  border-bottom: 1px solid var(--hairline);
}
.rows {
  margin-bottom: 8px;
}
.rows .link-button {
  white-space: nowrap;
}
</style>
