<script setup lang="ts">
// Says something in one room: who reads it and when stands beside it before anything is sent. What was picked on a proof
// goes along, and other words for it can be suggested.
import { Button, Textarea } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { api, ok } from '@/api/client'
import { list } from '@/api/words'
import { draft } from '@/parts/drafts'
import ChoicesField from '@/parts/fields/ChoicesField.vue'
import UploadButton from '@/parts/fields/UploadButton.vue'
import { useAct, type Sheet } from '@/posts/sheet'
import { addFile } from './files'
import { placeWords, usePins } from './pins'

const props = defineProps<{ sheet: Sheet; room: 'house' | 'client'; client: string; now: string }>()
const box = draft(`talk:${props.sheet.id}:${props.room}`)
const words = ref(box.read() ?? '')
const { picked } = usePins()
const suggesting = ref(false)
const instead = ref('')
const tell = ref<string[]>([])
const files = ref<File[]>([])
watch(picked, (place) => {
  suggesting.value = false
  instead.value = place?.exact ?? ''
})
function keep(text: string) {
  words.value = text
  box.write(text)
}
const path = computed(() => ({ workspace: props.sheet.workspace_id, post: props.sheet.id }))
const ready = computed(
  () =>
    words.value.trim() !== '' || files.value.length > 0 || (suggesting.value && instead.value !== picked.value?.exact),
)
const say = useAct<undefined>(
  props.sheet.id,
  async () => {
    const file_ids = []
    for (const file of files.value) file_ids.push(await addFile(path.value, props.room, file))
    const { channel: _, ...pin } = picked.value ?? { channel: '', kind: 'words' as const, adaptation_id: '' }
    return ok(
      api.POST('/api/w/{workspace}/posts/{post}/remarks', {
        params: { path: path.value },
        body: {
          room: props.room,
          words: words.value,
          pin: picked.value ? pin : null,
          replacement: picked.value && suggesting.value ? instead.value : null,
          mentions: tell.value,
          file_ids,
        },
      }),
    )
  },
  () => {
    words.value = ''
    box.clear()
    picked.value = undefined
    tell.value = []
    files.value = []
  },
)
const first = (name: string) => name.split(' ')[0] ?? name
const people = computed(() =>
  (props.room === 'house'
    ? props.sheet.readers.house
    : [...props.sheet.readers.client, ...props.sheet.readers.house]
  ).map((one) => ({ value: one.id, label: one.name })),
)
const told = computed(() => {
  const named = tell.value.length > 0 ? 'Who is named is told at once. ' : ''
  if (props.room === 'house') return `${named}Only the agency side reads this; nobody of ${props.client} ever does.`
  const who = props.sheet.readers.client
  if (who.length === 0)
    return `${named}Nobody of ${props.client} was asked about this post yet; they read it once they are.`
  return `${named}${list(who.map((one) => first(one.name)))} and the agency read this${byMail(who)}`
})
// who of the client is mailed what is said here, and when; the others find it behind their link
function byMail(who: Sheet['readers']['client']) {
  const soon = Date.parse(props.now) + 15 * 60_000
  const at = (one: (typeof who)[number]) => (one.told_at === null ? undefined : Date.parse(one.told_at))
  const groups = [
    [who.filter((one) => (at(one) ?? Infinity) <= soon), 'by mail in ten minutes'],
    [who.filter((one) => (at(one) ?? 0) > soon), 'by mail later, as they wish it'],
    [who.filter((one) => at(one) === undefined), 'the next time they open their link'],
  ] as const
  const some = groups.filter(([people]) => people.length > 0)
  if (some.length === 1) return `, ${some[0]![1]}.`
  return `. ${some.map(([people, when]) => `${list(people.map((one) => first(one.name)))}: ${when}.`).join(' ')}`
}
const place = computed(() => {
  const one = picked.value
  if (!one) return ''
  if (one.kind === 'words') return `“${one.exact}” on ${one.channel}`
  return one.kind === 'spot' ? `a place of the picture on ${one.channel}` : `${placeWords(one)} on ${one.channel}`
})
</script>

<template>
  <form class="composer" :class="room" @submit.prevent="say.mutate(undefined)">
    <p v-if="place" class="place">
      About <bdi>{{ place }}</bdi>
      <button type="button" class="link-button" @click="picked = undefined">not about that</button>
    </p>
    <label class="hidden" :for="`say-${room}`">{{ room === 'house' ? 'House talk' : 'Client talk' }}</label>
    <Textarea
      :id="`say-${room}`"
      :value="words"
      :rows="2"
      :placeholder="room === 'house' ? 'Write to the agency side' : `Write to ${client}`"
      @update:value="keep"
      @keydown.ctrl.enter.prevent="ready && say.mutate(undefined)"
    />
    <template v-if="picked?.kind === 'words'">
      <button v-if="!suggesting" type="button" class="link-button" @click="suggesting = true">
        suggest other words for it
      </button>
      <template v-else>
        <label :for="`instead-${room}`">What should stand there</label>
        <Textarea :id="`instead-${room}`" v-model:value="instead" :rows="2" class="copy" />
      </template>
    </template>
    <template v-if="ready || tell.length > 0">
      <ChoicesField
        :id="`tell-${room}`"
        v-model="tell"
        label="Tell somebody"
        placeholder="tell somebody"
        :options="people"
      />
      <div class="row">
        <Button
          html-type="submit"
          size="small"
          :type="room === 'client' ? 'primary' : 'default'"
          :disabled="!ready"
          :loading="say.isPending.value"
          >{{ room === 'house' ? 'Send to the agency side' : `Send to ${client}` }}</Button
        >
        <UploadButton label="Add files" multiple @files="files = [...files, ...$event]">{{
          files.length > 0 ? list(files.map((file) => file.name)) : 'Add files'
        }}</UploadButton>
      </div>
    </template>
    <p class="quiet">{{ told }}</p>
  </form>
</template>

<style scoped>
.composer {
  display: grid;
  gap: 4px;
}
.client :deep(textarea) {
  border-color: var(--client);
}
.place {
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
  align-items: center;
  padding: 4px 8px;
  border: 1px solid var(--rule);
  background: var(--sheet);
}
.row {
  display: flex;
  gap: 6px;
  align-items: center;
}
</style>
