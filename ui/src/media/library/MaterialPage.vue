<script setup lang="ts">
// A client's media: narrowed, found, looked at, sorted; new ones come in by dropping, pasting or choosing them.
import { Input, message } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { useEventListener, useIntersectionObserver, watchDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useChosen } from '@/agency/me'
import { api, ok, sentence, unread } from '@/api/client'
import { counted } from '@/api/words'
import ActButton from '@/parts/ActButton.vue'
import ClientLogo from '@/parts/ClientLogo.vue'
import ComingShape from '@/parts/ComingShape.vue'
import KeysHelp from '@/parts/KeysHelp.vue'
import { useInAddress, useTogetherInAddress } from '@/parts/address'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import UploadButton from '@/parts/fields/UploadButton.vue'
import { useKeys } from '@/parts/keys'
import { later } from '@/parts/later'
import { walkRows } from '@/parts/rows'
import MaterialBar from './MaterialBar.vue'
import MediaGrid from './MediaGrid.vue'
import MediaRail from './MediaRail.vue'
import MediumPanel from './MediumPanel.vue'
import UploadTray from '@/media/uploads/UploadTray.vue'
import { ACCEPTED, NARROWED, useFolders, useLibrary, type Medium } from './library'
import { draftWith } from './into-post'
import { send } from '@/media/uploads/uploads'

const PullPicture = later(() => import('@/media/uploads/PullPicture.vue'))
const MediaEditor = later(() => import('@/media/editing/MediaEditor.vue'))
const router = useRouter()
const queries = useQueryClient()
const { id, workspace, workspaces, choose, me } = useChosen()
const { values: narrowed, set: narrow } = useTogetherInAddress(NARROWED)
const shown = useInAddress('file')
const typed = ref(narrowed.value.words)
watchDebounced(typed, (words) => narrow({ words }), { debounce: 250 })
const { data: here, error: failed } = useFolders(id)
const { data, error, isPending, hasNextPage, fetchNextPage, isFetchingNextPage } = useLibrary(id, narrowed)
const media = computed(() => data.value?.pages.flatMap((page) => page.media) ?? [])
const off = computed(() => (here.value?.can.add_media?.ok ? undefined : here.value?.can.add_media?.why))

// the next page comes before its place is reached
const foot = ref<HTMLElement>()
useIntersectionObserver(
  foot,
  ([seen]) => seen?.isIntersecting && hasNextPage.value && !isFetchingNextPage.value && void fetchNextPage(),
  { rootMargin: '1200px' },
)

async function add(files: Iterable<File>) {
  if (!id.value) return
  if (off.value) return void message.error(off.value, 9)
  await send(id.value, files, ['', 'none'].includes(narrowed.value.folder) ? null : narrowed.value.folder)
  await queries.invalidateQueries({ queryKey: ['media', id.value] })
}
useEventListener(document, 'paste', (event) => {
  const files = event.clipboardData?.files
  if (files && files.length > 0) void add([...files])
})

// several at once
const chosen = ref(new Set<string>())
watch(id, () => (chosen.value = new Set()))
function turn(one: string) {
  const next = new Set(chosen.value)
  if (!next.delete(one)) next.add(one)
  chosen.value = next
}
const pulling = ref(false)
const pictures = computed(() => media.value.filter((one) => chosen.value.has(one.id) && one.kind === 'picture'))
// as they were when the editor opened: newer versions take their places in the list while they are made
const editing = ref<Medium[]>()
function edited() {
  editing.value = undefined
  chosen.value = new Set()
}
const into = ref<string>()
async function sort(folder: string | undefined) {
  into.value = undefined
  if (folder === undefined) return
  try {
    const body = { media_ids: [...chosen.value], folder_id: folder || null }
    const { files } = await ok(
      api.POST('/api/w/{workspace}/media-sorting', { params: { path: { workspace: id.value! } }, body }),
    )
    void message.success(`${counted(files, 'file is', 'files are')} there now.`)
    chosen.value = new Set()
    await queries.invalidateQueries({ queryKey: ['media', id.value] })
  } catch (problem) {
    void message.error(sentence(problem), 9)
  }
}
async function post(ids: string[]) {
  try {
    const made = await draftWith(id.value!, ids)
    await router.push({ name: 'post', params: { workspace: id.value!, post: made } })
  } catch (problem) {
    void message.error(sentence(problem), 9)
  }
}
const onPage = () => document.activeElement?.closest<HTMLElement>('[data-media]')?.dataset.media
useKeys({
  ArrowDown: () => walkRows(1),
  ArrowRight: () => walkRows(1),
  ArrowUp: () => walkRows(-1),
  ArrowLeft: () => walkRows(-1),
  X: () => {
    const one = onPage()
    if (one) turn(one)
  },
})
</script>

<template>
  <MaterialBar>
    <ActButton v-if="id" size="small" :off="off" @click="pulling = true">From a page …</ActButton>
    <UploadButton v-if="id" label="Add files to the media" :accept="ACCEPTED" multiple :off="off" @files="add"
      >Add files</UploadButton
    >
  </MaterialBar>
  <main class="material" @dragover.prevent @drop.prevent="add(($event as DragEvent).dataTransfer?.files ?? [])">
    <template v-if="!id">
      <p class="quiet">Media belong to one client each. Whose?</p>
      <ul class="whose">
        <li v-for="one in workspaces" :key="one.id">
          <button type="button" data-row @click="choose(one.id)">
            <ClientLogo v-bind="one" :size="20" /> {{ one.name }}
          </button>
        </li>
      </ul>
    </template>
    <template v-else>
      <div class="page-head">
        <span v-if="here" class="quiet">{{ here.all }} in {{ workspace?.name }}</span>
        <Input
          v-model:value="typed"
          type="search"
          class="find"
          placeholder="name, description, label, what is written on it"
          aria-label="Find media by words"
        />
        <label for="media-order" class="quiet">in order</label>
        <ChoiceField
          id="media-order"
          :model-value="narrowed.order || 'newest'"
          :options="[
            { value: 'newest', label: 'newest first' },
            { value: 'name', label: 'by name' },
            { value: 'largest', label: 'largest first' },
          ]"
          @update:model-value="narrow({ order: $event === 'newest' ? '' : $event })"
        />
      </div>
      <p v-if="error || failed" role="alert" class="late">{{ unread(error ?? failed) }}</p>
      <UploadTray :workspace="id" />
      <div class="columns">
        <MediaRail v-if="here" :workspace="id" :here="here" :narrowed="narrowed" @narrow="narrow" />
        <section class="main" aria-label="Files" :aria-busy="isPending">
          <p v-if="chosen.size > 0" class="chosen" role="status">
            <b>{{ counted(chosen.size, 'file', 'files') }} chosen</b>
            <ChoiceField
              id="into"
              v-model="into"
              label="Put them into a folder"
              :disabled="!!off"
              :options="[
                { value: undefined, label: 'put into …' },
                { value: '', label: 'no folder' },
                ...(here?.folders.map((one) => ({ value: one.id, label: one.name })) ?? []),
              ]"
              @update:model-value="sort"
            />
            <ActButton size="small" :off="off" @click="post([...chosen])">Make a post of them</ActButton>
            <ActButton
              size="small"
              :off="off ?? (pictures.length < chosen.size ? 'Only pictures are edited.' : undefined)"
              @click="editing = pictures"
              >Edit them together …</ActButton
            >
            <button type="button" class="link-button" @click="chosen = new Set()">choose none</button>
          </p>
          <ComingShape v-if="isPending" label="Fetching the media" :lines="8" />
          <MediaGrid
            :workspace="id"
            :media="media"
            :shown="shown || undefined"
            :chosen="chosen"
            choosing="Choose"
            @show="shown = shown === $event ? '' : $event"
            @choose="turn"
          />
          <p v-if="!isPending && media.length === 0" class="none">
            {{
              here?.all === 0
                ? 'No file yet. Drop some here, paste one, or add them by the button: pictures, videos and PDF.'
                : 'Nothing is found like this.'
            }}
          </p>
          <p ref="foot" class="quiet">{{ isFetchingNextPage ? 'More are coming …' : '' }}</p>
        </section>
        <MediumPanel
          v-if="shown && here && me"
          :key="shown"
          :workspace="id"
          :medium="shown"
          :here="here"
          :now="me.now"
          @close="shown = ''"
          @show="shown = $event"
          @post="post([shown])"
        />
      </div>
    </template>
    <PullPicture
      v-if="pulling && id"
      :workspace="id"
      @close="pulling = false"
      @made="((shown = $event), (pulling = false))"
    />
    <MediaEditor
      v-if="editing && id && me"
      :workspace="id"
      :media="editing"
      :now="me.now"
      @close="editing = undefined"
      @made="edited"
    />
    <KeysHelp
      :keys="[
        ['→ ←', 'next and previous file'],
        ['Enter', 'look at it'],
        ['X', 'choose it'],
      ]"
    />
  </main>
</template>

<style scoped>
.material {
  padding: 14px 20px 40px;
}
.find {
  flex: 0 1 300px;
}
.columns {
  display: flex;
  gap: 18px;
  align-items: flex-start;
}
.main {
  flex: 1;
  min-width: 0;
  padding-top: 10px;
  border-top: 2px solid var(--ink);
}
.chosen {
  position: sticky;
  top: 0;
  z-index: 2;
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  margin-bottom: 10px;
  padding: 6px 10px;
  background: var(--sheet);
  border-left: 3px solid var(--client);
}
.none {
  padding: 30px 8px;
  color: var(--ink-2);
}
.whose button {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 36px;
  border: 0;
  background: none;
  cursor: pointer;
}
@media (max-width: 700px) {
  .columns {
    flex-wrap: wrap;
  }
  .main {
    flex-basis: 100%;
  }
}
</style>
