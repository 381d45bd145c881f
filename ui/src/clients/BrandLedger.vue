<script setup lang="ts">
// The brand sheet beside the post while it is written: what a freelancer needs at a glance, folded until wanted.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, ok } from '@/api/client'

const props = defineProps<{ workspace: string }>()
const KEY = 'brand-open'
const open = ref(localStorage.getItem(KEY) === 'yes')
const { data } = useQuery({
  queryKey: ['brand', props.workspace],
  queryFn: () => ok(api.GET('/api/w/{workspace}/brand', { params: { path: { workspace: props.workspace } } })),
  enabled: open,
})
const value = <T,>(part: 'colours' | 'voice' | 'do' | 'dont' | 'links' | 'hashtags') =>
  computed(() => (data.value?.parts[part].value ?? []) as T)
const colours = value<{ name: string; hex: string }[]>('colours')
const voice = value<string>('voice')
const dos = value<string>('do')
const donts = value<string>('dont')
const links = value<{ title: string; address: string }[]>('links')
const tags = value<{ name: string; tags: string[] }[]>('hashtags')
const empty = computed(
  () =>
    data.value &&
    colours.value.length +
      voice.value.length +
      dos.value.length +
      donts.value.length +
      links.value.length +
      tags.value.length +
      data.value.files.length ===
      0,
)
function turn() {
  open.value = !open.value
  localStorage.setItem(KEY, open.value ? 'yes' : 'no')
}
</script>

<template>
  <section aria-label="Brand sheet">
    <h3>
      <button type="button" class="link-button" :aria-expanded="open" @click="turn">Brand sheet</button>
      <router-link v-if="open" class="quiet" :to="{ name: 'brand', params: { workspace } }">whole</router-link>
    </h3>
    <template v-if="open && data">
      <p v-if="empty" class="quiet">Nothing is written on it yet.</p>
      <ul v-if="colours.length > 0" class="swatches">
        <li v-for="one in colours" :key="one.hex" :title="`${one.name} ${one.hex}`">
          <svg width="24" height="24" role="img" :aria-label="`${one.name || 'colour'} ${one.hex}`">
            <rect width="24" height="24" :fill="one.hex" :style="{ stroke: 'var(--rule)' }" />
          </svg>
        </li>
      </ul>
      <p v-if="voice" class="words">{{ voice }}</p>
      <p v-if="dos" class="words"><b>Do</b> {{ dos }}</p>
      <p v-if="donts" class="words"><b>Don’t</b> {{ donts }}</p>
      <p v-for="one in tags" :key="one.name" class="words">
        <b>{{ one.name }}</b> {{ one.tags.map((tag) => `#${tag}`).join(' ') }}
      </p>
      <p v-for="one in links" :key="one.address">
        <a :href="one.address" target="_blank" rel="noreferrer noopener">{{ one.title || one.address }}</a>
      </p>
      <p v-for="file in data.files" :key="file.id">
        <a :href="`/api/w/${workspace}/brand-files/${file.id}`" download>{{ file.name }}</a>
      </p>
    </template>
  </section>
</template>

<style scoped>
.swatches {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin-bottom: 6px;
}
.words {
  white-space: pre-line;
  padding: 2px 0;
  overflow-wrap: anywhere;
}
</style>
