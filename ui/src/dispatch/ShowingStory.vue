<script setup lang="ts">
// One showing: what happened at the network, what went out on whose yes, and what a person can decide about trouble.
import { Button, message } from 'ant-design-vue'
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { api, ok, sentence, unread } from '@/api/client'
import ItIsThere from './ItIsThere.vue'
import SignoffStrip from '@/parts/SignoffStrip.vue'
import { exactly } from '@/api/time'
import ActButton from '@/parts/ActButton.vue'
import SidePanel from '@/parts/SidePanel.vue'

const props = defineProps<{ workspace: string; showing: string }>()
const emit = defineEmits<{ close: [] }>()
const queries = useQueryClient()
const path = { workspace: props.workspace, showing: props.showing }
const { data: story, error } = useQuery({
  queryKey: ['showing', props.showing],
  queryFn: () => ok(api.GET('/api/w/{workspace}/showings/{showing}', { params: { path } })),
})
const settle = useMutation({
  mutationFn: ({ saw, address }: { saw: 'there' | 'not_there' | 'fine'; address?: string }) =>
    ok(
      api.POST('/api/w/{workspace}/showings/{showing}/settle', {
        params: { path },
        body: { saw, address },
      }),
    ),
  onError: (problem) => void message.error(sentence(problem), 8),
  onSettled: () => {
    void queries.invalidateQueries({ queryKey: ['showing', props.showing] })
    void queries.invalidateQueries({ queryKey: ['dispatch'] })
  },
})
const EVENTS: Record<string, string> = {
  picture: 'picture sent',
  sending: 'checked, sending',
  sent: 'out, with its address',
  found: 'found there by its id',
  later: 'not yet',
  unclear: 'no clear reply',
  again: 'sending again',
  given_back: 'not begun, given back',
  fault: 'could not be sent yet',
  look_failed: 'could not look',
  not_there_yet: 'looked',
  seen_same: 'looked: it shows as approved',
  seen_differs: 'looked: it differs',
  seen_cannot_tell: 'looked: cannot tell',
  trouble: 'trouble',
  seen_by_person: 'seen there by a person',
  left_as_it_is: 'left as it is by',
  not_there: 'asked: not there',
  cannot_ask: 'could not be asked',
  confirmed_send: 'may go, says',
  confirmed_take_back: 'release cancelled by',
  confirmed_out: 'is out, says',
}
</script>

<template>
  <SidePanel label="Showing" :width="360" @close="emit('close')">
    <p v-if="error" role="alert">{{ unread(error) }}</p>
    <template v-if="story">
      <div class="top">
        <b v-if="story.trouble" class="late" role="alert">{{ story.trouble }}</b>
        <b v-else>{{
          story.unconfirmed
            ? 'It waits until somebody says that it may still go out.'
            : story.state === 'out'
              ? 'It is out.'
              : story.state === 'planned'
                ? 'It goes out at its time.'
                : 'It is being sent.'
        }}</b>
        <Button size="small" aria-label="Close" @click="emit('close')">Close</Button>
      </div>
      <div v-if="story.state === 'trouble'" class="acts">
        <template v-if="story.address">
          <ActButton :may="story.can.settle" @click="settle.mutate({ saw: 'fine' })">Leave it as it is there</ActButton>
        </template>
        <template v-if="!story.address">
          <ActButton type="primary" :may="story.can.settle" @click="settle.mutate({ saw: 'not_there' })"
            >I looked: it is not there</ActButton
          >
          <ItIsThere :may="story.can.settle" @there="settle.mutate({ saw: 'there', address: $event })" />
        </template>
      </div>
      <h2>
        What went out <span class="quiet">{{ story.revision ? `revision ${story.revision}` : '' }}</span>
      </h2>
      <p v-if="story.text" class="copy">{{ story.text }}</p>
      <dl>
        <dt>pictures</dt>
        <dd>{{ story.pictures }}</dd>
        <dt>yes</dt>
        <dd><SignoffStrip :strip="story.strip" /></dd>
        <dt>digest</dt>
        <dd class="digest">
          {{
            story.fingerprint
              ? `${story.fingerprint.slice(0, 4)} ${story.fingerprint.slice(4, 8)} … ${story.fingerprint.slice(-4)}`
              : 'none'
          }}
        </dd>
        <dt>address</dt>
        <dd>
          <a v-if="story.address" :href="story.address" target="_blank" rel="noreferrer">{{
            story.address
          }}</a><template v-else>none yet</template>
        </dd>
      </dl>
      <h2>Attempts</h2>
      <ol>
        <li v-for="(one, index) in story.attempts" :key="index">
          <b>{{ exactly(one.at) }}</b>
          <span :class="{ late: one.event === 'trouble' }"
            >{{ EVENTS[one.event] ?? one.event }}<span class="quiet note">{{ one.note }}</span></span
          >
        </li>
        <li v-if="story.attempts.length === 0" class="quiet">None yet.</li>
      </ol>
    </template>
  </SidePanel>
</template>

<style scoped>
.top {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  align-items: start;
  margin-bottom: 10px;
}
.acts {
  display: grid;
  gap: 8px;
  justify-items: start;
  margin-bottom: 10px;
}
h2 {
  display: flex;
  justify-content: space-between;
  font-size: 13px;
  font-weight: 600;
  padding: 10px 0 4px;
  border-bottom: 1px solid var(--rule);
  margin-bottom: 6px;
}
h2 span {
  font-weight: 450;
}
dl {
  display: grid;
  grid-template-columns: 70px 1fr;
  gap: 5px;
  margin-top: 8px;
}
dt {
  color: var(--ink-2);
}
li {
  display: grid;
  grid-template-columns: 70px 1fr;
  gap: 6px;
  padding: 6px 0;
  border-bottom: 1px solid var(--hairline);
}
.note {
  display: block;
  font-size: 12px;
}
</style>
