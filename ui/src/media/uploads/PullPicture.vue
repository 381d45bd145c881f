<script setup lang="ts">
// The picture of a page, taken into the media by its address.
import { Button, Input } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { sentence } from '@/api/client'
import DialogBox from '@/parts/DialogBox.vue'
import FormField from '@/parts/FormField.vue'
import { readLink } from '@/posts/read-link'

const props = defineProps<{ workspace: string }>()
const emit = defineEmits<{ close: []; made: [id: string] }>()
const queries = useQueryClient()
const address = ref('')
const busy = ref(false)
const problem = ref('')
async function pull() {
  busy.value = true
  problem.value = ''
  try {
    const page = await readLink(props.workspace, address.value)
    if (!page.media_id) {
      problem.value = `“${page.title || address.value}” names no picture that could be taken.`
      return
    }
    await queries.invalidateQueries({ queryKey: ['media', props.workspace] })
    emit('made', page.media_id)
  } catch (error) {
    problem.value = error instanceof Error && !('problem' in error) ? error.message : sentence(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <DialogBox title="The picture of a page" :width="480" @close="emit('close')">
    <form @submit.prevent="pull">
      <FormField
        id="pull-address"
        label="Address of the page"
        hint="The picture that it names for links to it is taken."
        :wrong="problem || undefined"
      >
        <Input id="pull-address" v-model:value="address" inputmode="url" placeholder="https://" />
      </FormField>
      <p v-if="busy" class="quiet" role="status">The page is being read …</p>
      <Button type="primary" html-type="submit" :loading="busy" :disabled="address.trim() === ''">Take it</Button>
    </form>
  </DialogBox>
</template>
