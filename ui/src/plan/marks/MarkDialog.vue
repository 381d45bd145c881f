<script setup lang="ts">
// A pencil mark, in full: its word, the kind of content that is wanted, an hour; and the post that is made from it.
import { LENGTHS } from '@/api/lengths'
import { Button, Checkbox, Input, message } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ok, sentence, type Schemas } from '@/api/client'
import { calendarDay } from '@/api/time'
import ActButton from '@/parts/ActButton.vue'
import DialogBox from '@/parts/DialogBox.vue'
import FormField from '@/parts/FormField.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import ChoicesField from '@/parts/fields/ChoicesField.vue'
import ClockField from '@/parts/fields/ClockField.vue'
import type { Change, Said } from '@/plan/bulk/block'
import type { Mark } from './pencil'

type Can = Schemas['Can'][string]
const props = defineProps<{
  workspace: string
  /** the mark that stands there, or the day that gets one */
  mark?: Mark
  day: string
  channels: Schemas['PlanChannel'][]
  labels: Schemas['PlanChoices']['labels']
  mayWrite?: Can
}>()
const emit = defineEmits<{ apply: [change: Change]; close: [] }>()
const router = useRouter()
const queries = useQueryClient()
const on = ref<string[]>(props.mark ? [props.mark.channel_id] : props.channels.slice(0, 1).map((one) => one.id))
const word = ref(props.mark?.word ?? '')
const label = ref<string | null>(props.mark?.label_id ?? null)
const atHour = ref(!!props.mark?.clock)
const clock = ref(props.mark?.clock ?? '09:00')
const busy = ref(false)
const title = computed(() => {
  const when = calendarDay(props.day, { weekday: true })
  return props.mark ? `Pencil mark on ${props.mark.channel}, ${when}` : `Pencil marks for ${when}`
})
const kinds = computed(() => [
  { value: null, label: 'any kind' },
  ...props.labels.map((one) => ({ value: one.id, label: one.name })),
])

function save() {
  const said: Said = {
    word: word.value.trim(),
    label_id: label.value,
    idea_id: props.mark?.idea_id,
    clock: atHour.value ? clock.value : null,
  }
  emit('apply', { put: on.value.map((channel_id) => ({ ...said, day: props.day, channel_id })), erase: [] })
  emit('close')
}
function erase() {
  emit('apply', { put: [], erase: [{ day: props.day, channel_id: props.mark!.channel_id }] })
  emit('close')
}
async function write() {
  busy.value = true
  try {
    const { id } = await ok(
      api.POST('/api/w/{workspace}/plan/marks/write', {
        params: { path: { workspace: props.workspace } },
        body: { day: props.day, channel_id: props.mark!.channel_id },
      }),
    )
    await router.push({ name: 'post', params: { workspace: props.workspace, post: id } })
  } catch (problem) {
    void message.error(sentence(problem), 8)
    emit('close')
  } finally {
    busy.value = false
    void queries.invalidateQueries({ queryKey: ['plan'] })
  }
}
</script>

<template>
  <DialogBox :title="title" :width="400" @close="emit('close')">
    <form @submit.prevent="save">
      <FormField id="mark-word" label="A word on it" hint="It becomes the subject of the post.">
        <Input id="mark-word" v-model:value="word" :maxlength="LENGTHS.word" />
      </FormField>
      <FormField v-if="!mark" id="mark-channels" label="Channels">
        <ChoicesField
          id="mark-channels"
          v-model="on"
          label="Channels"
          :options="channels.map((one) => ({ value: one.id, label: one.name }))"
        />
      </FormField>
      <FormField v-if="labels.length > 0" id="mark-kind" label="Kind of content">
        <ChoiceField id="mark-kind" v-model="label" :options="kinds" />
      </FormField>
      <p class="hour">
        <Checkbox v-model:checked="atHour">At an hour</Checkbox>
        <ClockField v-if="atHour" v-model="clock" label="Hour" />
      </p>
      <div class="acts">
        <Button type="primary" html-type="submit" :disabled="on.length === 0">{{ mark ? 'Save' : 'Put it' }}</Button>
        <ActButton v-if="mark" :may="mayWrite" :loading="busy" @click="write">Make the post</ActButton>
        <Button v-if="mark" @click="erase">Erase</Button>
        <Button @click="emit('close')">Cancel</Button>
      </div>
    </form>
  </DialogBox>
</template>

<style scoped>
.hour {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 30px;
  margin: 0 0 12px;
}
</style>
