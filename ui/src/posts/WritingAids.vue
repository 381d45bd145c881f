<script setup lang="ts">
// Plain aids beside a text: hashtag sets out of the brand sheet, mentions, emoji, special characters, find and replace.
import { useQuery } from '@tanstack/vue-query'
import { Button, Input } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { api, ok, sentence } from '@/api/client'
import { found as emojiFound, loadEmoji, type Emoji } from './emoji'
import { useBook, useSaveMention } from './mentions'

const props = defineProps<{
  workspace: string
  off?: string
  text: string
  hashtags?: { count: number; most: number | null }
  id: string
}>()
const emit = defineEmits<{ insert: [words: string, apart: boolean]; replace: [] }>()
type Panel = 'hashtags' | 'mentions' | 'emoji' | 'signs'
const open = ref<Panel>()
const { data: brand } = useQuery({
  queryKey: ['brand', props.workspace],
  queryFn: () => ok(api.GET('/api/w/{workspace}/brand', { params: { path: { workspace: props.workspace } } })),
  enabled: computed(() => open.value === 'hashtags'),
})
const sets = computed(() => (brand.value?.parts.hashtags.value ?? []) as { name: string; tags: string[] }[])
const there = computed(
  () => new Set((props.text.match(/#[\p{L}\p{M}\p{N}_]+/gu) ?? []).map((tag) => tag.slice(1).toLowerCase())),
)
function addSet(tags: string[]) {
  const fresh = tags.filter((tag) => !there.value.has(tag.toLowerCase()))
  if (fresh.length > 0) emit('insert', fresh.map((tag) => `#${tag}`).join(' '), true)
}

const book = useBook(props.workspace)
const saveMention = useSaveMention(props.workspace)
const name = ref('')
const spellings = ref<Record<string, string>>({})
const editing = ref(false)
const wrong = ref('')
function edit(entry?: { name: string; spellings: Record<string, string> }) {
  name.value = entry?.name ?? ''
  spellings.value = { ...(entry?.spellings ?? {}) }
  editing.value = true
}
async function keep() {
  wrong.value = ''
  try {
    await saveMention(name.value, spellings.value)
    editing.value = false
  } catch (error) {
    wrong.value = sentence(error)
  }
}

const SIGNS =
  '– — … • · “ ” ‘ ’ « » ° ′ ″ × ÷ ± ½ ¼ ¾ € £ ¢ ¥ § ¶ © ® ™ † ‡ № ← → ↑ ↓ ✓ ★ ♪ à á â ã ä å æ ç è é ê ë ì í î ï ñ ò ó ô õ ö ø ù ú û ü ß ÿ'.split(
    ' ',
  )
const emoji = ref<Emoji[]>([])
const sought = ref('')
const shownEmoji = computed(() => emojiFound(emoji.value, sought.value))
async function turn(panel: Panel) {
  open.value = open.value === panel ? undefined : panel
  if (open.value === 'emoji' && emoji.value.length === 0) emoji.value = await loadEmoji()
}
defineExpose({ mentions: () => (open.value = 'mentions') })
</script>

<template>
  <div v-if="!off" class="aids">
    <div class="bar" role="toolbar" aria-label="Writing aids">
      <button
        type="button"
        :aria-expanded="open === 'hashtags'"
        :aria-controls="`${id}-aid`"
        :title="hashtags?.most ? `At most ${hashtags.most} are taken` : undefined"
        @click="turn('hashtags')"
      >
        hashtags<span v-if="hashtags && hashtags.count > 0" class="quiet"
          >&nbsp;{{ hashtags.count
          }}{{ hashtags.most && hashtags.count > hashtags.most ? ` of ${hashtags.most}` : '' }}</span
        >
      </button>
      <button type="button" :aria-expanded="open === 'mentions'" :aria-controls="`${id}-aid`" @click="turn('mentions')">
        mentions
      </button>
      <button type="button" :aria-expanded="open === 'emoji'" :aria-controls="`${id}-aid`" @click="turn('emoji')">
        emoji
      </button>
      <button type="button" :aria-expanded="open === 'signs'" :aria-controls="`${id}-aid`" @click="turn('signs')">
        symbols
      </button>
      <button type="button" @click="emit('replace')">find</button>
    </div>
    <div v-if="open" :id="`${id}-aid`" class="panel">
      <template v-if="open === 'hashtags'">
        <p v-if="sets.length === 0" class="quiet">
          No sets yet.
          <router-link :to="{ name: 'brand', params: { workspace } }">Write them on the brand sheet</router-link>
        </p>
        <p v-for="set in sets" :key="set.name">
          <button type="button" class="link-button" @click="addSet(set.tags)">{{ set.name }}</button>
          <span v-for="tag in set.tags" :key="tag">
            <button
              type="button"
              class="tag"
              :disabled="there.has(tag.toLowerCase())"
              :title="there.has(tag.toLowerCase()) ? 'It is there already' : undefined"
              @click="emit('insert', `#${tag}`, true)"
            >
              #{{ tag }}
            </button>
          </span>
        </p>
      </template>
      <template v-else-if="open === 'mentions'">
        <p v-for="entry in editing ? [] : (book.data.value?.mentions ?? [])" :key="entry.id" class="entry">
          <button type="button" class="link-button" @click="emit('insert', `@[${entry.name}]`, true)">
            {{ entry.name }}
          </button>
          <span class="quiet">{{
            Object.entries(entry.spellings)
              .map(([network, spelling]) => `${network} ${spelling}`)
              .join(' · ') || 'no spelling yet'
          }}</span>
          <button type="button" class="link-button" :aria-label="`Spell ${entry.name}`" @click="edit(entry)">
            spell
          </button>
        </p>
        <button v-if="!editing" type="button" class="link-button" @click="edit()">somebody new</button>
        <form v-else class="small-form" @submit.prevent="keep">
          <label :for="`${id}-who`">Name</label>
          <Input :id="`${id}-who`" v-model:value="name" placeholder="Harbour Museum" />
          <template v-for="network in book.data.value?.networks ?? []" :key="network">
            <label :for="`${id}-${network}`">{{ network }}</label>
            <Input :id="`${id}-${network}`" v-model:value="spellings[network]" placeholder="@harbour.museum" />
          </template>
          <p v-if="wrong" class="late" role="alert">{{ wrong }}</p>
          <p class="acts">
            <Button html-type="submit" type="primary" size="small" :disabled="name.trim() === ''">Save</Button>
            <Button size="small" @click="editing = false">Cancel</Button>
          </p>
        </form>
      </template>
      <template v-else-if="open === 'emoji'">
        <Input
          v-model:value="sought"
          aria-label="Find an emoji by its name"
          placeholder="boat, fog, clock"
          class="seek"
        />
        <div class="grid">
          <button
            v-for="one in shownEmoji"
            :key="one.unicode"
            type="button"
            class="sign"
            :aria-label="one.label"
            :title="one.label"
            @click="emit('insert', one.unicode, false)"
          >
            {{ one.unicode }}
          </button>
        </div>
      </template>
      <div v-else class="grid">
        <button
          v-for="(sign, index) in SIGNS"
          :key="index"
          type="button"
          class="sign"
          :aria-label="`Symbol ${sign}`"
          @click="emit('insert', sign, false)"
        >
          {{ sign }}
        </button>
      </div>
    </div>
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
}
.bar button {
  font: inherit;
  font-size: 12px;
  min-height: 24px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--ink-2);
  cursor: pointer;
}
.bar button:hover,
.bar [aria-expanded='true'] {
  color: var(--ink);
  text-decoration: underline;
  text-underline-offset: 3px;
}
.panel {
  margin: 2px 0 8px;
  padding: 8px;
  max-height: 220px;
  overflow: auto;
  border: 1px solid var(--rule);
  background: var(--ground);
}
.panel p {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 8px;
  align-items: baseline;
}
.tag {
  font: inherit;
  min-height: 24px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--ink);
  cursor: pointer;
}
.tag:disabled {
  color: var(--ink-2);
  text-decoration: line-through;
  cursor: default;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(28px, 1fr));
}
.sign {
  font: 16px/1 var(--sans);
  min-height: 28px;
  padding: 0;
  border: 0;
  border-radius: 3px;
  background: none;
  color: var(--ink);
  cursor: pointer;
}
.sign:hover {
  background: var(--well);
}
.seek {
  width: 100%;
  margin-bottom: 4px;
}
</style>
