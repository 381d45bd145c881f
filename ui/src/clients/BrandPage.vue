<script setup lang="ts">
// The brand sheet: what a new freelancer reads first.
import { Button, Input, Textarea, message } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, ok, sentence, unread, type Schemas } from '@/api/client'
import { WHITE } from '@/parts/plain-colours'
import BrandPart from './BrandPart.vue'
import ContrastTable from './ContrastTable.vue'
import { useBrandPart } from './brand'
import BrandLinks from './BrandLinks.vue'
import FileRows from './FileRows.vue'

const props = defineProps<{ workspace: string }>()
const queries = useQueryClient()
const path = { workspace: props.workspace }
const { data, error } = useQuery({
  queryKey: ['brand', props.workspace],
  queryFn: () => ok(api.GET('/api/w/{workspace}/brand', { params: { path } })),
})
const part = (name: keyof Schemas['BrandSheet']['parts']) => computed(() => data.value?.parts[name])
const may = computed(() => data.value?.can.change_settings?.ok === true)

const colours = useBrandPart<{ name: string; hex: string }[]>(props.workspace, 'colours', part('colours'), [])
const voice = useBrandPart<string>(props.workspace, 'voice', part('voice'), '')
const dos = useBrandPart<string>(props.workspace, 'do', part('do'), '')
const donts = useBrandPart<string>(props.workspace, 'dont', part('dont'), '')
const links = useBrandPart<{ title: string; address: string }[]>(props.workspace, 'links', part('links'), [])
const tags = useBrandPart<{ name: string; tags: string[] }[]>(props.workspace, 'hashtags', part('hashtags'), [])

const again = () => void queries.invalidateQueries({ queryKey: ['brand', props.workspace] })
async function remove(file: string) {
  try {
    await ok(api.DELETE('/api/w/{workspace}/brand-files/{file}', { params: { path: { ...path, file } } }))
  } catch (problem) {
    void message.error(sentence(problem), 8)
  }
  void queries.invalidateQueries({ queryKey: ['brand', props.workspace] })
}
const shown = (hex: string) => (/^#?[0-9a-f]{6}$/i.test(hex) ? (hex.startsWith('#') ? hex : `#${hex}`) : WHITE)
</script>

<template>
  <main class="page">
    <p v-if="error" role="alert">{{ unread(error) }}</p>
    <div v-if="data" class="sheet-grid">
      <div>
        <BrandPart title="Colours" hint="hex, shown as swatches" :may="may" :part="colours">
          <ul class="swatches">
            <li v-for="(one, index) in colours.value" :key="index">
              <svg width="100%" height="54" :aria-label="`${one.name || 'colour'} ${one.hex}`" role="img">
                <rect width="100%" height="54" :fill="shown(one.hex)" :style="{ stroke: 'var(--rule)' }" />
              </svg>
              <template v-if="may">
                <Input v-model:value="one.name" placeholder="name" :aria-label="`Name of colour ${index + 1}`" />
                <Input
                  v-model:value="one.hex"
                  :aria-label="`Hex of colour ${index + 1}`"
                  :maxlength="7"
                  class="digest"
                />
                <button
                  type="button"
                  class="link-button"
                  :aria-label="`Remove ${one.name || one.hex}`"
                  @click="colours.value.splice(index, 1)"
                >
                  Remove
                </button>
              </template>
              <template v-else
                ><b>{{ one.name }}</b
                ><span class="digest">{{ one.hex }}</span></template
              >
            </li>
          </ul>
          <Button v-if="may" size="small" @click="colours.value.push({ name: '', hex: '#' })">Add a colour</Button>
          <p v-else-if="colours.value.length === 0" class="quiet">No colours yet.</p>
        </BrandPart>
        <section v-if="data.contrasts.length > 0" class="block" aria-label="Contrast">
          <div class="block-head">
            <h2>Contrast against each other</h2>
            <span class="quiet">WCAG 2.2: 4.5 for text, 3 for large text and marks</span>
          </div>
          <ContrastTable
            :contrasts="data.contrasts"
            :colours="(data.parts.colours.value as unknown as { name: string; hex: string }[]) ?? []"
          />
        </section>
        <BrandPart title="Hashtag sets" hint="chosen together when writing" :may="may" :part="tags">
          <ul class="rows">
            <li v-for="(one, index) in tags.value" :key="index">
              <template v-if="may">
                <Input
                  v-model:value="one.name"
                  placeholder="name"
                  :aria-label="`Name of set ${index + 1}`"
                  class="short"
                />
                <Input
                  :value="one.tags.map((tag) => `#${tag}`).join(' ')"
                  :aria-label="`Hashtags of set ${index + 1}`"
                  placeholder="#tags, with spaces"
                  @change="
                    one.tags = ($event.target as HTMLInputElement).value
                      .split(/[\s,]+/)
                      .map((tag) => tag.replace(/^#/, ''))
                      .filter(Boolean)
                  "
                />
                <button type="button" class="link-button" @click="tags.value.splice(index, 1)">Remove</button>
              </template>
              <template v-else
                ><b>{{ one.name }}</b>
                <span class="copy">{{ one.tags.map((tag) => `#${tag}`).join(' ') }}</span></template
              >
            </li>
          </ul>
          <Button v-if="may" size="small" @click="tags.value.push({ name: '', tags: [] })">Add a set</Button>
          <p v-else-if="tags.value.length === 0" class="quiet">No hashtag sets yet.</p>
        </BrandPart>
      </div>
      <div>
        <BrandPart title="Voice" hint="how this client speaks" :may="may" :part="voice">
          <Textarea
            v-if="may"
            v-model:value="voice.value"
            :rows="5"
            aria-label="Voice"
            class="copy"
            @keydown.ctrl.enter="voice.save"
          />
          <p v-else class="copy">{{ voice.value || 'Nothing is written yet.' }}</p>
        </BrandPart>
        <div class="pair">
          <BrandPart title="Do" :may="may" :part="dos">
            <Textarea v-if="may" v-model:value="dos.value" :rows="6" aria-label="Do" class="copy" />
            <p v-else class="copy">{{ dos.value || 'Nothing is written yet.' }}</p>
          </BrandPart>
          <BrandPart title="Don’t" :may="may" :part="donts">
            <Textarea v-if="may" v-model:value="donts.value" :rows="6" aria-label="Don’t" class="copy" />
            <p v-else class="copy">{{ donts.value || 'Nothing is written yet.' }}</p>
          </BrandPart>
        </div>
        <BrandPart title="Useful links" :may="may" :part="links">
          <BrandLinks v-model="links.value" :may="may" />
        </BrandPart>
        <section class="block" aria-label="Files">
          <div class="block-head">
            <h2>Files</h2>
            <span class="quiet">fonts, guidelines, logos; handed out as downloads only</span>
          </div>
          <FileRows
            :files="data.files"
            :address="`/api/w/${workspace}/brand-files`"
            :may="may"
            @changed="again"
            @remove="remove"
          />
        </section>
      </div>
    </div>
  </main>
</template>

<style scoped>
.sheet-grid {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 20px;
  align-items: start;
}
.swatches {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(108px, 1fr));
  gap: 10px;
  margin: 8px 0;
}
.swatches li {
  display: grid;
  gap: 3px;
  align-content: start;
}
@media (max-width: 900px) {
  .sheet-grid {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
