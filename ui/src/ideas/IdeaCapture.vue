<script setup lang="ts">
// A thought written down before it is gone: from any page, by a key. What is typed is kept in this browser until it is
// sent; more can be said of it later.
import { LENGTHS } from '@/api/lengths'
import { Button, Input, message, Textarea } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useChosen } from '@/agency/me'
import { api, ok, sentence } from '@/api/client'
import { ACCEPTED, thumb } from '@/media/library/library'
import DialogBox from '@/parts/DialogBox.vue'
import FormField from '@/parts/FormField.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import UploadButton from '@/parts/fields/UploadButton.vue'
import { useKept } from '@/parts/kept'
import { useProblem } from '@/parts/problem'
import { upload } from '@/posts/upload'

const emit = defineEmits<{ close: []; kept: [workspace: string, id: string] }>()
const { id, workspaces } = useChosen()
const queries = useQueryClient()
const kept = useKept('idea', { client: '', title: '', note: '', link: '', files: [] as string[] })
const form = kept.value
const client = computed({
  get: () => form.client || id.value || (workspaces.value.length === 1 ? workspaces.value[0]!.id : ''),
  set: (one) => {
    if (one !== form.client) form.files = [] // files are one client's
    form.client = one
  },
})
const { busy, at, beside, run } = useProblem()
const missing = ref('')
const sending = ref('')

async function add(files: Iterable<File>) {
  if (!client.value) return void (missing.value = 'Whose idea is it? Files belong to one client.')
  for (const file of files) {
    sending.value = file.name
    try {
      form.files.push(await upload(client.value, file))
    } catch (problem) {
      void message.error(problem instanceof Error ? problem.message : sentence(problem), 9)
    }
  }
  sending.value = ''
}
function pasted(event: ClipboardEvent) {
  const files = event.clipboardData?.files
  if (files && files.length > 0) void add([...files])
}

async function keep() {
  missing.value = client.value ? '' : 'Whose idea is it?'
  if (!client.value) return
  const workspace = client.value
  const body = { title: form.title, note: form.note, link: form.link || null, media_ids: form.files }
  const made = await run(() => ok(api.POST('/api/w/{workspace}/ideas', { params: { path: { workspace } }, body })))
  if (!made) return
  kept.forget()
  void queries.invalidateQueries({ queryKey: ['ideas', workspace] })
  void message.success('It is kept.')
  emit('kept', workspace, made.id)
  emit('close')
}
</script>

<template>
  <DialogBox title="An idea" :width="520" @close="emit('close')">
    <form @submit.prevent="keep" @paste="pasted" @keydown.ctrl.enter.prevent="keep" @keydown.meta.enter.prevent="keep">
      <FormField id="idea-title" label="In a few words" :wrong="at('title')">
        <Input id="idea-title" v-model:value="form.title" :maxlength="LENGTHS.idea_title" />
      </FormField>
      <FormField id="idea-note" label="More of it" :wrong="at('note')">
        <Textarea id="idea-note" v-model:value="form.note" :rows="4" />
      </FormField>
      <FormField id="idea-link" label="A link" :wrong="at('link')">
        <Input id="idea-link" v-model:value="form.link" inputmode="url" placeholder="none" />
      </FormField>
      <FormField v-if="!id" id="idea-client" label="Whose" :wrong="missing">
        <ChoiceField
          id="idea-client"
          v-model="client"
          :options="workspaces.map((one) => ({ value: one.id, label: one.name }))"
          placeholder="Choose a client"
        />
      </FormField>
      <p class="files">
        <img v-for="file in form.files" :key="file" :src="thumb(client, file)" alt="" />
        <UploadButton label="Add pictures to the idea" :accept="ACCEPTED" multiple size="small" @files="add"
          >Add pictures</UploadButton
        >
        <span v-if="sending" class="quiet" role="status">{{ sending }} is on its way …</span>
      </p>
      <p v-if="at('media_ids')" role="alert" class="wrong">{{ at('media_ids') }}</p>
      <p v-if="beside(['title', 'note', 'link', 'media_ids'])" role="alert" class="wrong">
        {{ beside(['title', 'note', 'link', 'media_ids']) }}
      </p>
      <div class="acts">
        <Button type="primary" html-type="submit" :loading="busy" :disabled="!!sending">Keep it</Button>
        <Button @click="emit('close')">Cancel</Button>
        <span class="quiet">Ctrl Enter keeps it, too.</span>
      </div>
    </form>
  </DialogBox>
</template>

<style scoped>
.files {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin-bottom: 14px;
}
.files img {
  width: 44px;
  height: 44px;
  object-fit: cover;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
</style>
