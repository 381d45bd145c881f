<script setup lang="ts">
// One release of which nobody knows whether it may still go out, with the three words for it.
import { Button, Input } from 'ant-design-vue'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { briefThere } from '@/api/time'
import { titled } from '@/api/words'
import ChannelLogo from '@/parts/ChannelLogo.vue'

const props = defineProps<{
  row: Schemas['UnconfirmedRow']
  now: string
  zone: string
  can?: { ok: boolean; why?: string }
}>()
const emit = defineEmits<{ decide: [answer: 'send' | 'take_back' | 'out', address?: string] }>()

const placing = ref(false)
const address = ref('')
const subject = computed(() => titled(props.row.subject))
const off = computed(() => !props.can?.ok)
const verb = computed(() => (props.row.state === 'by_hand' ? 'Publish' : 'Send'))
const alarming = computed(() => props.row.late || (!props.row.asking && props.row.network_said === 'cannot_ask'))
const said = computed(() => {
  if (props.row.late) return 'too late to send'
  if (props.row.state === 'by_hand') return 'published by hand: somebody may have'
  if (props.row.asking)
    return props.row.network_said ? 'its network does not answer; asked again' : 'its network is being asked'
  return props.row.network_said === 'not_there' ? 'not at its network' : 'its network cannot be asked: look there'
})
</script>

<template>
  <li>
    <b>{{ briefThere(row.at, now, zone) }}</b>
    <ChannelLogo :network="row.network" :initials="row.initials" :name="row.channel" />
    <router-link class="subject" :to="{ name: 'post', params: { workspace: row.workspace_id, post: row.post_id } }">{{
      subject
    }}</router-link>
    <span :class="alarming ? 'late' : 'quiet'">{{ said }}</span>
    <form v-if="placing" class="choices" @submit.prevent="emit('decide', 'out', address)">
      <Input
        v-model:value="address"
        size="small"
        :aria-label="`Address of ${subject} on ${row.channel}`"
        placeholder="https://"
        autofocus
      />
      <Button size="small" type="primary" html-type="submit" :disabled="address.trim() === ''">It is there</Button>
      <Button size="small" @click="placing = false">Cancel</Button>
    </form>
    <span v-else class="choices">
      <Button
        size="small"
        :disabled="off || row.late"
        :title="can?.why"
        :aria-label="`${verb} ${subject}`"
        @click="emit('decide', 'send')"
        >{{ verb }}</Button
      >
      <Button
        size="small"
        :disabled="off"
        :title="can?.why"
        :aria-label="`Cancel the release of ${subject}`"
        @click="emit('decide', 'take_back')"
        >Cancel the release</Button
      >
      <Button size="small" :disabled="off" :title="can?.why" :aria-label="`${subject} is out`" @click="placing = true"
        >It is out …</Button
      >
    </span>
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 96px 26px minmax(120px, 1fr) minmax(220px, auto) 300px;
  gap: 10px;
  align-items: center;
  min-height: 38px;
  border-bottom: 1px solid var(--rule);
}
.subject {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.choices {
  display: flex;
  gap: 6px;
  align-items: center;
  justify-content: flex-end;
}
@media (max-width: 900px) {
  li {
    grid-template-columns: 96px 26px 1fr;
    padding: 6px 0;
  }
  li > :nth-child(n + 4) {
    grid-column: 1 / -1;
    justify-content: flex-start;
  }
  .choices {
    flex-wrap: wrap;
  }
}
</style>
