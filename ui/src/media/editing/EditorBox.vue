<script setup lang="ts">
// Where a file is made into another one: what it looks like, the steps, and what becomes of it. It is its newer version,
// for the posts that take it, or a file of its own; the original stays either way.
import { Button, Radio, RadioGroup } from 'ant-design-vue'
import { useQuery } from '@tanstack/vue-query'
import { ref } from 'vue'
import ActButton from '@/parts/ActButton.vue'
import DialogBox from '@/parts/DialogBox.vue'
import VersionPosts from '@/media/versions/VersionPosts.vue'
import { costOf, type Kept } from './edit'

const props = defineProps<{
  title: string
  workspace: string
  /** ids of the files: all are made by the same steps */
  media: string[]
  /** the words for files of their own */
  own: string
  now: string
  changed: boolean
  busy: boolean
  /** how far it is */
  doing?: string
  problem: string
}>()
const emit = defineEmits<{ make: [how: Kept]; close: [] }>()
const kept = ref<'version' | 'copy'>('version')
const chosen = ref<string[]>([])
const { data: posts } = useQuery({
  queryKey: ['media', props.workspace, 'cost', props.media],
  queryFn: async () => (await Promise.all(props.media.map((id) => costOf(props.workspace, id)))).flat(),
})
</script>

<template>
  <DialogBox :width="1060" :title="title" @close="emit('close')">
    <div class="editor">
      <div class="seen"><slot name="seen" /></div>
      <div class="steps">
        <slot />
        <h3>Kept as</h3>
        <RadioGroup v-model:value="kept" class="stacked" aria-label="Kept as">
          <Radio value="version">its newer version</Radio>
          <Radio value="copy">{{ own }}</Radio>
        </RadioGroup>
        <VersionPosts
          v-if="kept === 'version' && posts"
          v-model="chosen"
          :posts="posts"
          :workspace="workspace"
          :now="now"
        />
        <p v-if="problem" role="alert" class="late">{{ problem }}</p>
        <p class="row">
          <ActButton
            type="primary"
            :loading="busy"
            :off="changed ? false : 'Change something first.'"
            @click="emit('make', kept === 'copy' ? { copy: true } : { post_ids: chosen })"
            >{{ (busy && doing) || 'Make it' }}</ActButton
          >
          <Button @click="emit('close')">Cancel</Button>
          <span class="quiet">The original stays.</span>
        </p>
      </div>
    </div>
  </DialogBox>
</template>

<style scoped>
.editor {
  display: grid;
  grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr);
  gap: 22px;
}
.steps {
  max-height: 72vh;
  padding-right: 6px;
  overflow: auto;
}
.steps :deep(h3) {
  margin: 10px 0 4px;
  font-size: 14px;
  font-weight: 700;
}
.steps :deep(h3:first-child) {
  margin-top: 0;
}
.editor :deep(.row) {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 8px;
  align-items: center;
  margin: 6px 0;
}
@media (max-width: 760px) {
  .editor {
    grid-template-columns: 1fr;
  }
}
</style>
