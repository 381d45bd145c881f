<script setup lang="ts">
// The library over a post sheet, without leaving it: found by words, folder or kind, and chosen in the order in which
// they shall stand.
import { Button, Input } from 'ant-design-vue'
import { watchDebounced } from '@vueuse/core'
import { computed, ref } from 'vue'
import { unread } from '@/api/client'
import { counted } from '@/api/words'
import ComingShape from '@/parts/ComingShape.vue'
import DialogBox from '@/parts/DialogBox.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import MediaGrid from './MediaGrid.vue'
import { useFolders, useLibrary, type Medium, type Narrowed } from './library'

const props = withDefaults(defineProps<{ workspace: string; there: string[]; into?: string }>(), {
  into: 'post',
})
const emit = defineEmits<{ close: []; take: [media: Medium[]] }>()
const workspace = computed(() => props.workspace)
const narrowed = ref<Narrowed>({ folder: '', kind: '', look: '', label: '', words: '', order: '' })
const typed = ref('')
watchDebounced(typed, (words) => (narrowed.value = { ...narrowed.value, words }), { debounce: 250 })
const { data: here } = useFolders(workspace)
const { data, error, isPending, hasNextPage, fetchNextPage, isFetchingNextPage } = useLibrary(workspace, narrowed)
const media = computed(() => (data.value?.pages.flatMap((page) => page.media) ?? []).filter(notThere))
const notThere = (one: Medium) => !props.there.includes(one.id)
const chosen = ref<Medium[]>([])
const ids = computed(() => new Set(chosen.value.map((one) => one.id)))
function turn(id: string) {
  const one = media.value.find((each) => each.id === id)
  if (!one) return
  chosen.value = ids.value.has(id) ? chosen.value.filter((each) => each.id !== id) : [...chosen.value, one]
}
</script>

<template>
  <DialogBox title="From the client's media" :width="920" @close="emit('close')">
    <div class="head">
      <Input
        v-model:value="typed"
        type="search"
        placeholder="name, description, label"
        aria-label="Find media by words"
      />
      <ChoiceField
        id="picker-folder"
        v-model="narrowed.folder"
        label="Folder"
        :options="[
          { value: '', label: 'every folder' },
          ...(here?.folders.map((one) => ({ value: one.id, label: one.name })) ?? []),
        ]"
      />
      <ChoiceField
        id="picker-look"
        v-model="narrowed.look"
        label="Which"
        :options="[
          { value: '', label: 'all of them' },
          { value: 'unused', label: 'not used yet' },
        ]"
      />
    </div>
    <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
    <div class="files" :aria-busy="isPending">
      <ComingShape v-if="isPending" label="Fetching the media" :lines="6" />
      <MediaGrid
        :workspace="props.workspace"
        :media="media"
        :chosen="ids"
        choosing="Take"
        @show="turn"
        @choose="turn"
      />
      <p v-if="!isPending && media.length === 0" class="quiet">Nothing is found like this.</p>
      <Button v-if="hasNextPage" size="small" :loading="isFetchingNextPage" @click="fetchNextPage()"
        >More of them</Button
      >
    </div>
    <p class="foot">
      <span class="quiet">{{ chosen.map((one) => one.name).join(', ') }}</span>
      <Button @click="emit('close')">Leave it</Button>
      <Button type="primary" :disabled="chosen.length === 0" @click="emit('take', chosen)">{{
        chosen.length === 0 ? `Put into the ${into}` : `Put ${counted(chosen.length, 'file', 'files')} into the ${into}`
      }}</Button>
    </p>
  </DialogBox>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-bottom: 10px;
}
.head > :first-child {
  flex: 1 1 240px;
}
.files {
  max-height: 52vh;
  padding: 8px;
  overflow: auto;
  background: var(--page, var(--ground));
}
.foot {
  display: flex;
  gap: 10px;
  align-items: center;
  justify-content: flex-end;
  margin-top: 12px;
}
.foot .quiet {
  flex: 1;
}
</style>
