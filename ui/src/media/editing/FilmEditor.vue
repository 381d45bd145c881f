<script setup lang="ts">
// A film made into another one: from where to where it goes, whether it is heard; and the picture by which it is shown.
// The original stays. What is made takes a while, and comes by itself.
import { Button, Checkbox, message, Slider } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, ok, sentence } from '@/api/client'
import EditorBox from './EditorBox.vue'
import { filmEdit, moment, type Kept } from './edit'
import { original, preview, type Medium } from '@/media/library/library'

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

const busy = ref(false)
async function keep(how: Kept) {
  busy.value = true
  problem.value = ''
  try {
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
  <EditorBox
    :title="`Edit ${film.name}`"
    :workspace="workspace"
    :media="[film.id]"
    own="a film of its own"
    :now="now"
    :changed="changed"
    :busy="busy"
    :problem="problem"
    @make="keep"
    @close="emit('close')"
  >
    <template #seen>
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
    </template>
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
  </EditorBox>
</template>

<style scoped>
video {
  display: block;
  width: 100%;
  max-height: 58vh;
  background: var(--ink);
}
</style>
