<script setup lang="ts">
// A film made into another one: from where to where it goes, whether it is heard; and the picture by which it is shown.
// The original stays. What is made takes a while, and comes by itself.
import { Button, Checkbox, message, Radio, RadioGroup, Slider } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, ok, sentence } from '@/api/client'
import ActButton from '@/parts/ActButton.vue'
import DialogBox from '@/parts/DialogBox.vue'
import VersionPosts from './VersionPosts.vue'
import { costOf, filmEdit, moment } from './edit'
import { original, preview, type Medium } from './library'

const props = defineProps<{ workspace: string; film: Medium; now: string }>()
const emit = defineEmits<{ close: [] }>()
const queries = useQueryClient()
const length = computed(() => props.film.duration_ms ?? 0)
const span = ref<[number, number]>([0, length.value])
const mute = ref(false)
const seen = ref<HTMLVideoElement>()
const at = ref(0)
const problem = ref('')
const edit = computed(() => filmEdit(span.value, mute.value, length.value))
const changed = computed(() => Object.keys(edit.value).length > 0)

/** What is moved is what is seen. */
function move(next: number | [number, number]) {
  const [from, to] = next as [number, number]
  look(from !== span.value[0] ? from : to)
  span.value = [from, to]
}
function look(to: number) {
  if (seen.value) seen.value.currentTime = to / 1_000
}
function begins() {
  if (at.value < span.value[1]) span.value = [at.value, span.value[1]]
}
function ends() {
  if (at.value > span.value[0]) span.value = [span.value[0], at.value]
}

const path = computed(() => ({ workspace: props.workspace, media: props.film.id }))
const covering = ref(false)
async function cover() {
  covering.value = true
  problem.value = ''
  try {
    await ok(
      api.PUT('/api/w/{workspace}/media/{media}/cover', {
        params: { path: path.value },
        body: { at: Math.min(at.value, length.value) },
      }),
    )
    void message.success('It is shown by this picture from now on.')
    await queries.invalidateQueries({ queryKey: ['media', props.workspace] })
  } catch (caught) {
    problem.value = sentence(caught)
  } finally {
    covering.value = false
  }
}

const kept = ref<'version' | 'copy'>('version')
const chosen = ref<string[]>([])
const { data: posts } = useQuery({
  queryKey: ['media', props.workspace, 'cost', [props.film.id]],
  queryFn: () => costOf(props.workspace, props.film.id),
})
const busy = ref(false)
async function keep() {
  busy.value = true
  problem.value = ''
  try {
    const how = kept.value === 'copy' ? { copy: true } : { post_ids: chosen.value }
    await ok(
      api.POST('/api/w/{workspace}/media/{media}/film-edits', {
        params: { path: path.value },
        body: { edit: edit.value, ...how },
      }),
    )
    void message.success('It is being made, and comes by itself.')
    await queries.invalidateQueries({ queryKey: ['media', props.workspace] })
    emit('close')
  } catch (caught) {
    problem.value = sentence(caught)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <DialogBox :width="1000" :title="`Edit ${film.name}`" @close="emit('close')">
    <div class="editor">
      <div>
        <video
          ref="seen"
          :src="original(workspace, film.id)"
          :poster="preview(workspace, film.id, film.cover_ms)"
          :aria-label="film.description || film.name"
          :muted="mute"
          controls
          preload="metadata"
          @timeupdate="at = Math.round(seen!.currentTime * 1_000)"
        />
        <p class="row">
          <span class="quiet">At {{ moment(at) }}</span>
          <Button size="small" @click="begins">It begins here</Button>
          <Button size="small" @click="ends">It ends here</Button>
          <Button size="small" :loading="covering" @click="cover">Show it by this picture</Button>
        </p>
      </div>
      <div class="steps">
        <h3>From where to where</h3>
        <Slider
          range
          :value="span"
          :min="0"
          :max="length"
          :step="100"
          :tip-formatter="(ms?: number) => moment(ms ?? 0)"
          :aria-label-group-for-handles="['It begins, in milliseconds', 'It ends, in milliseconds']"
          @update:value="move($event as [number, number])"
        />
        <p class="row">
          <b>{{ moment(span[0]) }}</b> to <b>{{ moment(span[1]) }}</b>
          <span class="quiet">{{ moment(span[1] - span[0]) }} of {{ moment(length) }}</span>
          <button v-if="changed" type="button" class="link-button" @click="((span = [0, length]), (mute = false))">
            Begin anew
          </button>
        </p>
        <Checkbox v-model:checked="mute">Without sound</Checkbox>
        <h3>Kept as</h3>
        <RadioGroup v-model:value="kept" class="stacked" aria-label="Kept as">
          <Radio value="version">its newer version</Radio>
          <Radio value="copy">a film of its own</Radio>
        </RadioGroup>
        <VersionPosts
          v-if="kept === 'version' && posts"
          v-model="chosen"
          :posts="posts"
          :workspace="workspace"
          :now="now"
        />
        <p v-if="problem" role="alert" class="late">{{ problem }}</p>
        <p class="row">
          <ActButton type="primary" :loading="busy" :off="changed ? false : 'Change something first.'" @click="keep"
            >Make it</ActButton
          >
          <Button @click="emit('close')">Cancel</Button>
          <span class="quiet">The original stays.</span>
        </p>
      </div>
    </div>
  </DialogBox>
</template>

<style scoped>
.editor {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
  gap: 22px;
}
video {
  display: block;
  width: 100%;
  max-height: 58vh;
  background: var(--ink);
}
.steps {
  max-height: 72vh;
  padding-right: 6px;
  overflow: auto;
}
h3 {
  margin: 10px 0 4px;
  font-size: 14px;
  font-weight: 700;
}
h3:first-child {
  margin-top: 0;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 8px;
  align-items: center;
  margin: 6px 0;
}
@media (max-width: 760px) {
  .editor {
    grid-template-columns: 1fr;
  }
}
</style>
