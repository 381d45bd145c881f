<script setup lang="ts">
// One medium: what it looks like, what is said of it wherever it is used, and where it is.
import { Input, Textarea } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref, toRef } from 'vue'
import { api, ok, unread, seen } from '@/api/client'
import { brief } from '@/api/time'
import { titled } from '@/api/words'
import ActButton from '@/parts/ActButton.vue'
import ComingShape from '@/parts/ComingShape.vue'
import PanelName from '@/parts/PanelName.vue'
import SidePanel from '@/parts/SidePanel.vue'
import SignoffStrip from '@/parts/SignoffStrip.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import ChoicesField from '@/parts/fields/ChoicesField.vue'
import DayField from '@/parts/fields/DayField.vue'
import UploadButton from '@/parts/fields/UploadButton.vue'
import { later } from '@/parts/later'
import { useSaid } from '@/parts/said'
import WordBoxes from './WordBoxes.vue'
import type { Box } from './boxes'
import { measures, original, placed, preview, standing, useMedium, weight, type Folders } from './library'

const MediaEditor = later(() => import('@/media/editing/MediaEditor.vue'))
const FilmEditor = later(() => import('@/media/editing/FilmEditor.vue'))
const NewerVersion = later(() => import('@/media/versions/NewerVersion.vue'))
const props = defineProps<{ workspace: string; medium: string; here: Folders; now: string }>()
const emit = defineEmits<{ close: []; show: [id: string]; post: [] }>()
const queries = useQueryClient()
const { data: one, error } = useMedium(toRef(props, 'workspace'), toRef(props, 'medium'))
const off = computed(() => (one.value?.can.add_media?.ok ? undefined : (one.value?.can.add_media?.why ?? '…')))
const labels = computed({
  get: () => one.value?.label_ids ?? [],
  set: (ids) => void save({ labels: props.here.labels.filter((label) => ids.includes(label.id)).map((l) => l.name) }),
})
const folder = computed({
  get: () => one.value?.folder_id ?? '',
  set: (id) => void save({ folder_id: id || null }),
})
const until = computed({
  get: () => one.value?.usable_until ?? '',
  set: (day) => void save({ usable_until: day || null }),
})

interface Body {
  name?: string
  description?: string
  written?: string
  usable_note?: string
  usable_until?: string | null
  folder_id?: string | null
  labels?: string[]
  boxes?: Box[]
}
const { typed, wrong, value, save, left } = useSaid<'name' | 'description' | 'written' | 'usable_note', Body>(
  () => props.medium,
  one,
  async ({ version, ...body }) => {
    const path = { workspace: props.workspace, media: props.medium }
    try {
      return await ok(api.PATCH('/api/w/{workspace}/media/{media}', { params: { path, header: seen(version) }, body }))
    } finally {
      void queries.invalidateQueries({ queryKey: ['media', props.workspace] })
    }
  },
)
const problem = computed(() => Object.values(wrong).find(Boolean))
const editing = ref(false)
const newer = ref<File>()
function made(id: string) {
  editing.value = false
  newer.value = undefined
  emit('show', id)
}
const posted = (at: string | null) => (at ? brief(at, props.now) : 'no time yet')
</script>

<template>
  <SidePanel :label="one?.name ?? 'File'" :width="372" @close="emit('close')">
    <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
    <ComingShape v-if="!one && !error" label="Fetching the file" :lines="8" />
    <template v-if="one">
      <PanelName
        label="Name of the file"
        :name="value('name')"
        :off="off"
        @type="typed.name = $event"
        @leave="left('name')"
        @close="emit('close')"
      />
      <WordBoxes
        v-if="one.kind === 'picture'"
        :src="preview(workspace, one.id)"
        :alt="one.description || 'Not described yet'"
        :boxes="one.boxes as Box[]"
        :guess="one.guess as Box[]"
        :off="off"
        @change="save({ boxes: $event })"
      />
      <img
        v-else
        class="seen"
        :src="preview(workspace, one.id, one.cover_ms)"
        :alt="one.description || 'Not described yet'"
      />
      <p v-if="one.small" class="quiet">It looks soft on one of the channels, which asks for more pixels.</p>
      <p v-if="one.wordy" class="late">Words cover more than a fifth of it. A picture is read better with fewer.</p>
      <p v-if="problem" role="alert" class="late">{{ problem }}</p>
      <p class="quiet">
        {{ measures(one) }}<template v-if="one.frame_rate"> · {{ one.frame_rate }} fps</template> ·
        {{ weight(one.bytes) }} · {{ one.added_by ?? 'somebody' }}, {{ brief(one.added_at, now) }}
      </p>
      <p v-if="!off" class="quiet">
        <a :href="original(workspace, one.id)" download>The file as it came</a>
        <template v-if="one.place"
          >, taken at <b>{{ placed(one.place) }}</b>; what is sent does not say so</template
        >
      </p>
      <div class="fields">
        <label for="medium-description">Description, for people who cannot see it</label>
        <Textarea
          id="medium-description"
          :value="value('description')"
          :readonly="!!off"
          :rows="3"
          placeholder="Written once, offered in every post"
          @update:value="typed.description = $event"
          @blur="left('description')"
        />
        <label for="medium-written">What is written on it</label>
        <Input
          id="medium-written"
          :value="value('written')"
          :readonly="!!off"
          placeholder="Words to find it by"
          @update:value="typed.written = $event"
          @blur="left('written')"
          @press-enter="($event.target as HTMLElement).blur()"
        />
        <label for="medium-folder">Folder</label>
        <ChoiceField
          id="medium-folder"
          v-model="folder"
          :disabled="!!off"
          :options="[{ value: '', label: 'in none' }, ...here.folders.map((f) => ({ value: f.id, label: f.name }))]"
        />
        <template v-if="here.labels.length > 0 && !off">
          <label for="medium-labels">Labels</label>
          <ChoicesField
            id="medium-labels"
            v-model="labels"
            label="Labels"
            :options="here.labels.map((label) => ({ value: label.id, label: label.name }))"
            placeholder="none"
          />
        </template>
        <label for="medium-until">May be used until</label>
        <DayField id="medium-until" v-model="until" :disabled="!!off" />
        <label for="medium-note">Whose right, and how it was given</label>
        <Input
          id="medium-note"
          :value="value('usable_note')"
          :readonly="!!off"
          placeholder="who is on it, who said yes"
          @update:value="typed.usable_note = $event"
          @blur="left('usable_note')"
          @press-enter="($event.target as HTMLElement).blur()"
        />
      </div>
      <p v-if="standing(one).loud" class="late">
        {{ one.usable === 'ended' ? 'It may not be used any more.' : 'The right to use it ends soon.' }}
      </p>
      <h3>Used in</h3>
      <ul class="used">
        <li v-for="post in one.posts" :key="post.id">
          <router-link :to="{ name: 'post', params: { workspace: post.workspace_id, post: post.id } }">
            <span dir="auto">{{ titled(post.subject) }}</span>
            <span class="quiet">{{ post.stage === 'out' ? 'out' : '' }} {{ posted(post.at) }}</span>
            <SignoffStrip :strip="post.strip" :now="now" />
          </router-link>
        </li>
        <li v-if="one.posts.length === 0" class="quiet">no post yet</li>
      </ul>
      <template v-if="one.near.length > 0">
        <h3>Nearly the same</h3>
        <ul class="used">
          <li v-for="other in one.near" :key="other.id">
            <button type="button" class="link-button" @click="emit('show', other.id)">{{ other.name }}</button>
            <span class="quiet">{{ other.width }} × {{ other.height }}</span>
          </li>
        </ul>
      </template>
      <template v-if="one.versions.length > 1">
        <h3>Versions</h3>
        <ul class="used">
          <li v-for="each in one.versions" :key="each.id">
            <b v-if="each.id === one.id">{{ each.number }}</b>
            <button v-else type="button" class="link-button" @click="emit('show', each.id)">{{ each.number }}</button>
            <span class="quiet"
              >{{ each.edited ? 'edited by' : 'by' }} {{ each.by ?? 'somebody' }}, {{ brief(each.at, now) }}</span
            >
          </li>
        </ul>
      </template>
      <p v-for="each in one.making" :key="each.id" :class="each.wrong ? 'late' : 'quiet'">
        <template v-if="each.wrong">The film of {{ brief(each.at, now) }} was not made: {{ each.wrong }}</template>
        <template v-else>A film is being made of it, for {{ each.by ?? 'somebody' }} …</template>
      </p>
      <p v-if="one.replaced_by" class="quiet">
        A newer version has taken its place.
        <button type="button" class="link-button" @click="emit('show', one.versions[0]!.id)">Look at the newest</button>
      </p>
      <p class="do">
        <ActButton type="primary" :off="off" @click="emit('post')">Make a post of it</ActButton>
        <template v-if="!one.replaced_by">
          <ActButton v-if="one.kind !== 'document'" :off="off" @click="editing = true">Edit …</ActButton>
          <UploadButton
            :label="`A newer version of ${one.name}`"
            :accept="one.mime"
            :off="off"
            @files="newer = $event[0]"
            >A newer version …</UploadButton
          >
        </template>
      </p>
      <FilmEditor
        v-if="editing && one.kind === 'video'"
        :workspace="workspace"
        :film="one"
        :now="now"
        @close="editing = false"
      />
      <MediaEditor
        v-else-if="editing"
        :workspace="workspace"
        :media="[one]"
        :now="now"
        @close="editing = false"
        @made="made"
      />
      <NewerVersion
        v-if="newer"
        :workspace="workspace"
        :medium="one"
        :file="newer"
        :now="now"
        @close="newer = undefined"
        @made="made"
      />
    </template>
  </SidePanel>
</template>

<style scoped>
.seen {
  display: block;
  width: 100%;
  height: auto;
  background: var(--well);
}
.fields {
  display: grid;
  gap: 2px;
}
.fields label {
  margin-top: 8px;
  color: var(--ink-2);
}
h3 {
  margin-top: 16px;
  font-size: 13px;
  border-bottom: 1px solid var(--rule);
}
.used a,
.used li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  align-items: center;
  min-height: 30px;
}
.used a {
  flex: 1;
  text-decoration: none;
}
.used a > span:first-child {
  flex: 1;
  font-weight: 600;
}
.used li {
  border-bottom: 1px solid var(--rule);
}
.do {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding: 16px 0 24px;
}
</style>
