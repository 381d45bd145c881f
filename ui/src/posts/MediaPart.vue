<script setup lang="ts">
// The pictures of a post, in order, each with its description; uploaded with visible progress.
import { Button, message } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { api, ok, sentence, type Schemas } from '@/api/client'
import { useAct, type Sheet } from './sheet'
import DescriptionField from './DescriptionField.vue'

const props = defineProps<{ sheet: Sheet; parts: Schemas['Parts']; channel?: string; off?: string; descriptionsOff?: string }>()
const ids = computed(() => (props.parts.media.value as string[] | null) ?? [])
const descriptions = computed(() => (props.parts.descriptions.value as Record<string, string> | null) ?? {})
const progress = ref<number>()
const picker = ref<HTMLInputElement>()

function version(part: Schemas['Part']) {
  return `"${part.own ? part.version : 0}"`
}

const save = useAct<string[]>(props.sheet.id, (next) =>
  ok(
    api.PUT('/api/w/{workspace}/posts/{post}/parts/{part}', {
      params: { path: { workspace: props.sheet.workspace_id, post: props.sheet.id, part: 'media' }, query: { channel: props.channel }, header: { 'If-Match': version(props.parts.media) } },
      body: { value: next },
    }),
  ),
)

// Uploading tells how far it is, which fetch cannot.
function upload(file: File): Promise<string> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest()
    request.open('POST', `/api/w/${props.sheet.workspace_id}/media?name=${encodeURIComponent(file.name)}`)
    request.setRequestHeader('Content-Type', 'application/octet-stream')
    request.upload.onprogress = (event) => (progress.value = event.lengthComputable ? Math.round((event.loaded / event.total) * 100) : 0)
    request.onload = () => {
      const body = JSON.parse(request.responseText) as { id?: string; detail?: string; way_on?: string }
      if (request.status === 201 && body.id) resolve(body.id)
      else reject(new Error([body.detail, body.way_on].filter(Boolean).join(' ')))
    }
    request.onerror = () => reject(new Error('The connection broke off while uploading. Choose the file again.'))
    request.send(file)
  })
}

async function add(files: FileList | null) {
  if (!files) return
  const added: string[] = []
  for (const file of Array.from(files)) {
    progress.value = 0
    try {
      added.push(await upload(file))
    } catch (problem) {
      void message.error(`${file.name}: ${problem instanceof Error ? problem.message : sentence(problem)}`, 10)
    }
  }
  progress.value = undefined
  if (picker.value) picker.value.value = ''
  if (added.length > 0) save.mutate([...ids.value, ...added])
}

function move(index: number, by: number) {
  const next = [...ids.value]
  const [one] = next.splice(index, 1)
  if (one) next.splice(index + by, 0, one)
  save.mutate(next)
}
</script>

<template>
  <div class="media" @dragover.prevent @drop.prevent="off ? undefined : add(($event as DragEvent).dataTransfer?.files ?? null)">
    <figure v-for="(id, index) in ids" :key="id">
      <img :src="`/api/w/${sheet.workspace_id}/media/${id}/preview`" :alt="descriptions[id] || 'Picture without a description yet'" :width="sheet.media[id]?.width" :height="sheet.media[id]?.height" />
      <figcaption>
        <DescriptionField :sheet="sheet" :parts="parts" :channel="channel" :picture="id" :number="index + 1" :off="descriptionsOff" />
        <span v-if="!off" class="acts">
          <button v-if="index > 0" type="button" class="link-button" @click="move(index, -1)">earlier</button>
          <button v-if="index < ids.length - 1" type="button" class="link-button" @click="move(index, 1)">later</button>
          <button type="button" class="link-button" :aria-label="`Take picture ${index + 1} out`" @click="save.mutate(ids.filter((one) => one !== id))">take out</button>
        </span>
      </figcaption>
    </figure>
    <div v-if="progress !== undefined" class="progress" role="progressbar" :aria-valuenow="progress" aria-label="Uploading"><span :style="{ width: `${progress}%` }" /></div>
    <input ref="picker" class="hidden" type="file" accept="image/jpeg,image/png,image/webp" multiple aria-label="Add pictures" :disabled="!!off" tabindex="-1" @change="add(($event.target as HTMLInputElement).files)" />
    <Button size="small" :disabled="!!off" :title="off" :loading="progress !== undefined || save.isPending.value" @click="picker?.click()">{{ ids.length === 0 ? 'Add a picture' : 'Add another' }}</Button>
  </div>
</template>

<style scoped>
figure {
  margin-bottom: 8px;
}
img {
  display: block;
  width: 100%;
  height: auto;
  background: var(--well);
}
.acts {
  display: flex;
  gap: 10px;
}
.progress {
  height: 6px;
  margin-bottom: 6px;
  background: var(--well);
}
.progress span {
  display: block;
  height: 100%;
  background: var(--ink);
}
</style>
