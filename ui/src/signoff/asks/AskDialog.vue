<script setup lang="ts">
// Asks for a yes: says who will be asked, for which channels, by when, and who reads the message.
import { Button, Checkbox, Textarea } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { api, ok } from '@/api/client'
import { planned } from '@/api/time'
import { list } from '@/api/words'
import { useAct, type Sheet } from '@/posts/sheet'
import DialogBox from '@/parts/DialogBox.vue'
import { useKept } from '@/parts/kept'
import ChoiceField from '@/parts/fields/ChoiceField.vue'

const props = defineProps<{ sheet: Sheet; open: boolean; offer: Sheet['next_ask'] }>()
const emit = defineEmits<{ close: [] }>()
// As it stands now: the sheet may have been fetched again while the dialog is open.
const ask = computed(
  () => [props.sheet.next_ask, ...props.sheet.other_asks].find((one) => one?.step_id === props.offer?.step_id) ?? null,
)
// kept until it is sent: Esc loses nothing
const message = useKept(`ask:${props.sheet.id}`, { words: '' })
const due = ref<string>()
/** By the client's working hours, as the core counts them; what the route allows is chosen. */
const dues = computed(() =>
  (ask.value?.dues ?? []).map((one) => ({
    value: one.at === ask.value!.due_at ? undefined : one.at,
    label: `${planned(one.at, props.sheet.zone)} · ${one.hours} working ${one.hours === 1 ? 'hour' : 'hours'}`,
  })),
)
const only = ref<string[]>([])
/** Why a channel waits, by its id. */
const faults = computed(() => Object.fromEntries((ask.value?.channels ?? []).map((one) => [one.id, one.off])))
watch(
  () => [props.open, ask.value?.channels, Object.keys(faults.value).join()] as const,
  () => {
    only.value = ask.value?.channels.map((one) => one.id).filter((id) => !faults.value[id]) ?? []
  },
  { immediate: true },
)
/** Sets of which something can be asked. */
const sets = computed(() =>
  props.sheet.sets
    .map((set) => ({
      ...set,
      channel_ids: set.channel_ids.filter(
        (id) => !faults.value[id] && ask.value?.channels.some((one) => one.id === id),
      ),
    }))
    .filter((set) => set.channel_ids.length > 0),
)
function toggle(id: string) {
  only.value = only.value.includes(id) ? only.value.filter((one) => one !== id) : [...only.value, id]
}

const send = useAct<undefined>(
  props.sheet.id,
  () => {
    const base = ask.value!
    return ok(
      api.POST('/api/w/{workspace}/asks', {
        params: { path: { workspace: props.sheet.workspace_id } },
        body: {
          step_id: base.step_id,
          post_ids: [props.sheet.id],
          message: message.value.words,
          due_at: due.value,
          channel_ids: only.value.length === base.channels.length ? undefined : only.value,
        },
      }),
    )
  },
  () => {
    message.clear()
    emit('close')
  },
)
</script>

<template>
  <DialogBox
    :open="open"
    :title="ask ? `Ask ${list(ask.people)} for a yes` : 'Ask'"
    :closable="false"
    :width="460"
    @close="emit('close')"
  >
    <template v-if="ask">
      <p v-if="!ask.required" class="quiet">
        An advisory step: nothing waits for it, and what is said there stops nothing.
      </p>
      <p>
        “{{ ask.name }}” on {{ list(ask.channels.filter((one) => only.includes(one.id)).map((one) => one.name)) }},
        exactly as it stands now.
        {{
          ask.side === 'client'
            ? 'Each gets a mail with a private link; no account is needed.'
            : 'It appears on their Desk at once.'
        }}
      </p>
      <div v-if="ask.channels.length > 1" class="which">
        <Checkbox
          v-for="one in ask.channels"
          :key="one.id"
          :disabled="!!faults[one.id]"
          :checked="only.includes(one.id)"
          @change="toggle(one.id)"
          >{{ one.name }} <span v-if="faults[one.id]" class="quiet">waits: {{ faults[one.id] }}</span></Checkbox
        >
        <button v-for="set in sets" :key="set.id" type="button" class="link-button" @click="only = set.channel_ids">
          only {{ set.name }}
        </button>
      </div>
      <label for="ask-due">Answer by</label>
      <ChoiceField id="ask-due" v-model="due" :options="dues" />
      <label for="ask-words"
        >A message (read by {{ ask.side === 'client' ? 'the client' : 'the agency side only' }})</label
      >
      <Textarea
        id="ask-words"
        v-model:value="message.value.words"
        :rows="3"
        @keydown.ctrl.enter="send.mutate(undefined)"
      />
      <div class="acts">
        <Button
          type="primary"
          :loading="send.isPending.value"
          :disabled="only.length === 0"
          @click="send.mutate(undefined)"
          >Send the ask</Button
        >
        <Button @click="emit('close')">Cancel</Button>
      </div>
    </template>
  </DialogBox>
</template>

<style scoped>
.which :deep(.ant-checkbox-wrapper) {
  align-items: center;
}
label:not(.ant-checkbox-wrapper) {
  display: block;
  margin: 12px 0 4px;
  font-weight: 600;
}
.which {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  margin-top: 8px;
}
.acts {
  display: flex;
  gap: 8px;
  margin-top: 14px;
}
</style>
