<script setup lang="ts">
// Asks for a yes: says who will be asked, for which channels, by when, and who reads the message.
import { Button, Modal } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { api, ok } from '@/api/client'
import { planned } from '@/api/time'
import { list } from '@/api/words'
import { useAct, type Sheet } from '@/posts/sheet'

const props = defineProps<{ sheet: Sheet; open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const ask = computed(() => props.sheet.next_ask)
const words = ref('')
const choices = [2, 4, 8, 24, 48, 72]
const due = ref<number>()

const send = useAct<undefined>(
  props.sheet.id,
  () => {
    const base = ask.value!
    const due_at = due.value ? new Date(new Date(base.due_at).getTime() + (due.value - base.hours) * 3_600_000).toISOString() : undefined
    return ok(api.POST('/api/w/{workspace}/asks', { params: { path: { workspace: props.sheet.workspace_id } }, body: { step_id: base.step_id, post_ids: [props.sheet.id], message: words.value, due_at } }))
  },
  () => {
    words.value = ''
    emit('close')
  },
)
</script>

<template>
  <Modal transition-name="" mask-transition-name="" :open="open" :footer="null" :closable="false" width="460px" @cancel="emit('close')">
    <template v-if="ask">
      <h2>Ask {{ list(ask.people) }} for a yes</h2>
      <p>
        “{{ ask.name }}” on {{ list(ask.channels) }}, exactly as it stands now.
        {{ ask.side === 'client' ? 'Each gets a mail with a private link; no account is needed.' : 'It appears on their Desk at once.' }}
      </p>
      <label for="ask-due">Answer by</label>
      <select id="ask-due" v-model="due">
        <option :value="undefined">{{ planned(ask.due_at, sheet.zone) }}</option>
        <option v-for="one in choices" :key="one" :value="one">in {{ one }} hours</option>
      </select>
      <label for="ask-words">A message (read by {{ ask.side === 'client' ? 'the client' : 'the agency side only' }})</label>
      <textarea id="ask-words" v-model="words" rows="3" @keydown.ctrl.enter="send.mutate(undefined)" />
      <div class="acts">
        <Button type="primary" :loading="send.isPending.value" @click="send.mutate(undefined)">Send the ask</Button>
        <Button @click="emit('close')">Not yet</Button>
      </div>
    </template>
  </Modal>
</template>

<style scoped>
h2 {
  font-size: 18px;
  font-weight: 750;
  margin-bottom: 6px;
}
label {
  display: block;
  margin: 12px 0 4px;
  font-weight: 600;
}
select,
textarea {
  width: 100%;
  font: inherit;
  padding: 5px 8px;
  border: 1px solid #9ba09d;
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
}
.acts {
  display: flex;
  gap: 8px;
  margin-top: 14px;
}
</style>
