<script setup lang="ts">
// A newer file in the place of a medium: which posts take it, what that ends, and what stays as it is.
import { Button, message } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { sentence, unread } from '@/api/client'
import { counted } from '@/api/words'
import ComingShape from '@/parts/ComingShape.vue'
import DialogBox from '@/parts/DialogBox.vue'
import VersionPosts from './VersionPosts.vue'
import { costOf, replace } from '@/media/editing/edit'
import type { Medium } from '@/media/library/library'

const props = defineProps<{ workspace: string; medium: Pick<Medium, 'id' | 'name'>; file: File; now: string }>()
const emit = defineEmits<{ close: []; made: [id: string] }>()
const queries = useQueryClient()
const { data: posts, error } = useQuery({
  queryKey: ['media', props.workspace, 'cost', [props.medium.id]],
  queryFn: () => costOf(props.workspace, props.medium.id),
})
const chosen = ref<string[]>([])
const busy = ref(false)
const problem = ref('')
async function keep() {
  busy.value = true
  problem.value = ''
  try {
    const made = await replace(props.workspace, props.medium.id, props.file, chosen.value)
    void message.success(
      made.posts > 0 ? `It is there, and ${counted(made.posts, 'post holds', 'posts hold')} it.` : 'It is there.',
    )
    await queries.invalidateQueries({ queryKey: ['media', props.workspace] })
    emit('made', made.id)
  } catch (caught) {
    problem.value = sentence(caught)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <DialogBox :width="560" :title="`A newer version of ${medium.name}`" @close="emit('close')">
    <p class="quiet">{{ file.name }} takes its place in the media. What is out stays as it is.</p>
    <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
    <ComingShape v-if="!posts && !error" label="Looking where it is" :lines="3" />
    <VersionPosts v-if="posts" v-model="chosen" :posts="posts" :workspace="workspace" :now="now" />
    <p v-if="problem" role="alert" class="late">{{ problem }}</p>
    <p class="acts">
      <Button type="primary" :loading="busy" :disabled="!posts" @click="keep">Put it in its place</Button>
      <Button @click="emit('close')">Cancel</Button>
    </p>
  </DialogBox>
</template>

<style scoped>
.acts {
  display: flex;
  gap: 10px;
  margin-top: 12px;
}
</style>
