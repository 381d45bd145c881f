<script setup lang="ts">
// The link: its address, tracking tags, the card that is shown for it, and what becomes of the bare address in the
// text.
import { Button, Checkbox, Input, Textarea } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { sentence } from '@/api/client'
import { useChecks } from './checks'
import { useEditor, type EditorProps } from './editing'
import SaysState from './SaysState.vue'
import { readLink } from './read-link'
import { upload } from './upload'
import UploadButton from '@/parts/fields/UploadButton.vue'

const props = defineProps<EditorProps>()
interface Card {
  title: string
  words: string
  picture: string | null
}
interface Link {
  address: string
  tags: Record<string, string> | null
  card: Card | null
  bare: 'keep' | 'drop'
}
const NAMES = ['source', 'medium', 'campaign', 'term', 'content']
const { value, state, problem, theirs, change, choose, save, keepMine, takeTheirs, drop, where } =
  useEditor<Link | null>(props, 'link', null)
const checks = useChecks()
const id = computed(() => `link-${props.one?.channel.id ?? 'master'}`)
const now = computed<Link>(() => value.value ?? { address: '', tags: null, card: null, bare: 'keep' })
const shown = computed(() => (props.one ? [props.one] : props.sheet.adaptations.filter((one) => !one.parts.link.own)))
const finals = computed(() => {
  const found = new Map<string, string[]>()
  for (const one of shown.value) {
    const address = checks.of(one).link
    if (address) found.set(address, [...(found.get(address) ?? []), one.channel.name])
  }
  return [...found].map(([address, names]) => ({ address, names }))
})
const cards = computed(() => shown.value.some((one) => one.offers.link_card))
const tagging = ref(false)
const busy = ref(false)
const said = ref('')

function address(text: string) {
  change(text.trim() === '' ? null : { ...now.value, address: text })
}
function tag(name: string, text: string) {
  const tags = { ...(now.value.tags ?? {}), [name]: text }
  change({ ...now.value, tags })
}
function card(field: keyof Card, text: string) {
  change({ ...now.value, card: { ...(now.value.card ?? { title: '', words: '', picture: null }), [field]: text } })
}
async function ownPicture([file]: File[]) {
  if (!file) return
  busy.value = true
  said.value = ''
  try {
    choose({
      ...now.value,
      card: {
        ...(now.value.card ?? { title: '', words: '', picture: null }),
        picture: await upload(props.sheet.workspace_id, file),
      },
    })
  } catch (error) {
    said.value = error instanceof Error ? error.message : sentence(error)
  } finally {
    busy.value = false
  }
}
async function fetchCard() {
  busy.value = true
  said.value = ''
  try {
    const page = await readLink(props.sheet.workspace_id, now.value.address)
    choose({ ...now.value, card: { title: page.title, words: page.words, picture: page.media_id } })
    said.value =
      page.title === '' && page.words === '' ? 'The page says nothing of itself; write the card by hand.' : ''
  } catch (error) {
    said.value = error instanceof Error ? error.message : sentence(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="small-form">
    <label :for="id">Address{{ where }}</label>
    <Input
      :id="id"
      :value="now.address"
      :readonly="!!off"
      placeholder="https://"
      inputmode="url"
      @update:value="address"
      @blur="save()"
    />
    <template v-if="value">
      <p v-if="one?.tags_fixed" class="quiet">Its tracking tags are fixed since the first ask.</p>
      <button type="button" class="link-button" :aria-expanded="tagging" @click="tagging = !tagging">
        {{ now.tags ? 'its own tracking tags' : 'tracking tags' }}
      </button>
      <template v-if="tagging">
        <p class="quiet">Empty: as the client’s settings have it.</p>
        <template v-for="name in NAMES" :key="name">
          <label :for="`${id}-${name}`">{{ name }}</label>
          <Input
            :id="`${id}-${name}`"
            :value="now.tags?.[name] ?? ''"
            :readonly="!!off"
            :placeholder="one?.tags[name] ?? ''"
            @update:value="tag(name, $event)"
            @blur="save()"
          />
        </template>
        <button
          v-if="now.tags"
          type="button"
          class="link-button"
          :disabled="!!off"
          @click="choose({ ...now, tags: null })"
        >
          the client’s tags again
        </button>
      </template>
      <template v-if="cards">
        <Checkbox
          :checked="now.bare === 'drop'"
          :disabled="!!off"
          @change="choose({ ...now, bare: now.bare === 'drop' ? 'keep' : 'drop' })"
          >Take the bare address out of the text where a card shows</Checkbox
        >
        <div v-if="now.card" class="card">
          <img
            v-if="now.card.picture"
            :src="`/api/w/${sheet.workspace_id}/media/${now.card.picture}/preview`"
            alt="Picture of the link card"
          />
          <label :for="`${id}-title`">Title of the card</label>
          <Input
            :id="`${id}-title`"
            :value="now.card.title"
            :readonly="!!off"
            @update:value="card('title', $event)"
            @blur="save()"
          />
          <label :for="`${id}-words`">Words of the card</label>
          <Textarea
            :id="`${id}-words`"
            :value="now.card.words"
            :rows="2"
            :readonly="!!off"
            @update:value="card('words', $event)"
            @blur="save()"
          />
          <UploadButton
            v-if="sheet.can.add_media?.ok"
            :label="now.card.picture ? 'Another picture' : 'A picture'"
            accept="image/jpeg,image/png,image/webp,image/gif,image/avif"
            :off="off"
            :busy="busy"
            @files="ownPicture"
            >{{ now.card.picture ? 'Another picture' : 'A picture' }}</UploadButton
          >
          <button
            v-if="now.card.picture"
            type="button"
            class="link-button"
            :disabled="!!off"
            @click="choose({ ...now, card: { ...now.card, picture: null } })"
          >
            no picture
          </button>
          <button type="button" class="link-button" :disabled="!!off" @click="choose({ ...now, card: null })">
            leave the card to the page
          </button>
        </div>
        <Button size="small" :disabled="!!off" :loading="busy" @click="fetchCard">{{
          now.card ? 'Fetch it anew from the page' : 'Fetch the card from the page'
        }}</Button>
        <p v-if="said" class="late" role="status">{{ said }}</p>
      </template>
      <p v-if="finals.length === 1" class="final digest">{{ finals[0]!.address }}</p>
      <details v-else-if="finals.length > 1" class="final">
        <summary>The final address on each channel</summary>
        <p v-for="final in finals" :key="final.address">
          <b>{{ final.names.join(', ') }}</b> <span class="digest">{{ final.address }}</span>
        </p>
      </details>
    </template>
    <SaysState
      :state="state"
      :problem="problem"
      :by="theirs?.by"
      :theirs="theirs?.value"
      @mine="keepMine"
      @theirs="takeTheirs"
      @drop="drop"
    />
  </div>
</template>

<style scoped>
.final summary {
  min-height: 24px;
  cursor: pointer;
}
.final {
  overflow-wrap: anywhere;
}
.card {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 3px;
  justify-items: start;
  margin: 4px 0;
  padding: 8px;
  border: 1px solid var(--rule);
}
.card .picture {
  width: 100%;
  min-width: 0;
}
.card img {
  width: 100%;
  height: auto;
}
</style>
