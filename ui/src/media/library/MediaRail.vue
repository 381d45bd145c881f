<script setup lang="ts">
// What a client's media can be narrowed by: folders, kinds, labels, and what is worth a look.
import { LENGTHS } from '@/api/lengths'
import { Input } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, ok, sentence } from '@/api/client'
import ActButton from '@/parts/ActButton.vue'
import LabelChip from '@/parts/LabelChip.vue'
import { KINDS, LOOKS, type Folders, type Narrowed } from './library'

const props = defineProps<{ workspace: string; here: Folders; narrowed: Narrowed }>()
const emit = defineEmits<{ narrow: [to: Partial<Narrowed>] }>()
const queries = useQueryClient()
const naming = ref<string>() // a folder's id, or 'new'
const name = ref('')
const problem = ref('')

function begin(folder: string, called = '') {
  naming.value = folder
  name.value = called
  problem.value = ''
}
async function save() {
  const path = { workspace: props.workspace }
  const body = { name: name.value }
  try {
    if (naming.value === 'new') await ok(api.POST('/api/w/{workspace}/media-folders', { params: { path }, body }))
    else
      await ok(
        api.PATCH('/api/w/{workspace}/media-folders/{folder}', {
          params: { path: { ...path, folder: naming.value! } },
          body,
        }),
      )
    naming.value = undefined
    await queries.invalidateQueries({ queryKey: ['media', props.workspace] })
  } catch (said) {
    problem.value = sentence(said)
  }
}
async function remove(folder: string) {
  try {
    await ok(
      api.DELETE('/api/w/{workspace}/media-folders/{folder}', {
        params: { path: { workspace: props.workspace, folder } },
      }),
    )
    naming.value = undefined
    if (props.narrowed.folder === folder) emit('narrow', { folder: '' })
    await queries.invalidateQueries({ queryKey: ['media', props.workspace] })
  } catch (said) {
    problem.value = sentence(said)
  }
}
/** Chosen again, it is let go. */
const turn = (what: keyof Narrowed, to: string) => emit('narrow', { [what]: props.narrowed[what] === to ? '' : to })
</script>

<template>
  <nav class="rail" aria-label="Narrow the media">
    <h2>Folders</h2>
    <ul>
      <li>
        <button type="button" :aria-pressed="narrowed.folder === ''" @click="emit('narrow', { folder: '' })">
          <span>Everything</span><span class="number">{{ here.all }}</span>
        </button>
      </li>
      <li v-for="one in here.folders" :key="one.id">
        <form v-if="naming === one.id" @submit.prevent="save">
          <Input v-model:value="name" size="small" aria-label="Name of the folder" :maxlength="LENGTHS.name" />
          <span class="acts">
            <button type="submit" class="link-button">save</button>
            <button type="button" class="link-button" @click="remove(one.id)">take the folder away</button>
            <button type="button" class="link-button" @click="naming = undefined">leave it</button>
          </span>
          <p v-if="problem" role="alert" class="late">{{ problem }}</p>
        </form>
        <button v-else type="button" :aria-pressed="narrowed.folder === one.id" @click="turn('folder', one.id)">
          <span dir="auto">{{ one.name }}</span><span class="number">{{ one.files }}</span>
        </button>
        <ActButton
          v-if="naming !== one.id && narrowed.folder === one.id"
          link
          :may="here.can.add_media"
          @click="begin(one.id, one.name)"
          >change the folder</ActButton
        >
      </li>
      <li v-if="here.folders.length > 0">
        <button type="button" :aria-pressed="narrowed.folder === 'none'" @click="turn('folder', 'none')">
          <span>In no folder</span><span class="number">{{ here.loose }}</span>
        </button>
      </li>
      <li>
        <form v-if="naming === 'new'" @submit.prevent="save">
          <Input
            v-model:value="name"
            size="small"
            aria-label="Name of the new folder"
            :maxlength="LENGTHS.name"
            autofocus
          />
          <span class="acts">
            <button type="submit" class="link-button">make it</button>
            <button type="button" class="link-button" @click="naming = undefined">leave it</button>
          </span>
          <p v-if="problem" role="alert" class="late">{{ problem }}</p>
        </form>
        <ActButton v-else link :may="here.can.add_media" @click="begin('new')">New folder</ActButton>
      </li>
    </ul>
    <h2>Kind</h2>
    <ul>
      <li v-for="(label, kind) in KINDS" :key="kind">
        <button type="button" :aria-pressed="narrowed.kind === kind" @click="turn('kind', kind)">
          <span>{{ label }}</span><span class="number">{{ here.kinds[kind] ?? 0 }}</span>
        </button>
      </li>
    </ul>
    <h2>Look at</h2>
    <ul>
      <li v-for="(label, look) in LOOKS" :key="look">
        <button type="button" :aria-pressed="narrowed.look === look" @click="turn('look', look)">
          <span>{{ label }}</span><span class="number">{{ here.looks[look] ?? 0 }}</span>
        </button>
      </li>
    </ul>
    <template v-if="here.labels.length > 0">
      <h2>Labels</h2>
      <ul>
        <li v-for="one in here.labels" :key="one.id">
          <button type="button" :aria-pressed="narrowed.label === one.id" @click="turn('label', one.id)">
            <LabelChip :name="one.name" :colour="one.colour ?? ''" :initials="one.initials ?? ''" />
          </button>
        </li>
      </ul>
    </template>
  </nav>
</template>

<style scoped>
.rail {
  flex: 0 0 176px;
}
h2 {
  margin: 18px 0 2px;
  padding-bottom: 4px;
  border-bottom: 1px solid var(--rule);
  font-size: 13px;
}
h2:first-child {
  margin-top: 0;
}
li > button:not(.link-button) {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  width: 100%;
  min-height: 26px;
  padding: 2px 0 2px 6px;
  border: 0;
  border-left: 3px solid transparent;
  background: none;
  text-align: left;
  cursor: pointer;
}
li > button:hover {
  background: var(--sheet);
}
li > button[aria-pressed='true'] {
  border-left-color: var(--ink);
  font-weight: 700;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
}
@media (max-width: 700px) {
  .rail {
    flex-basis: 100%;
  }
}
</style>
