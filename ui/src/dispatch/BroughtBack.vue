<script setup lang="ts">
// A database that was brought back from a backup: what it does not know, and what waits for somebody to say whether
// it may still go out.
import { Button, message } from 'ant-design-vue'
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, ok, sentence, type Schemas } from '@/api/client'
import { brief } from '@/api/time'
import SendAll from './SendAll.vue'
import UnconfirmedRow from './UnconfirmedRow.vue'
import ActButton from '@/parts/ActButton.vue'

type Row = Schemas['UnconfirmedRow']
type Answer = 'send' | 'take_back' | 'out'
const props = defineProps<{
  log: Pick<Schemas['DispatchLog'], 'now' | 'returned' | 'unconfirmed'>
  clients: Record<string, Pick<Schemas['MyClient'], 'name' | 'zone' | 'can'>>
  owner: boolean
}>()
const queries = useQueryClient()

const groups = computed(() => {
  const found = new Map<string, Row[]>()
  for (const row of props.log.unconfirmed.rows)
    found.set(row.workspace_id, [...(found.get(row.workspace_id) ?? []), row])
  return [...found].map(([id, rows]) => ({
    id,
    rows,
    name: props.clients[id]?.name ?? '',
    can: props.clients[id]?.can.settle,
  }))
})
// what a person publishes by hand is nothing that we send
const sent = (rows: Row[]) => rows.filter((row) => row.state === 'planned' && !row.late)

const deciding = useMutation({
  mutationFn: ({
    workspace,
    rows,
    answer,
    address,
  }: {
    workspace: string
    rows: Row[]
    answer: Answer
    address?: string
  }) =>
    ok(
      api.POST('/api/w/{workspace}/showings/confirm', {
        params: { path: { workspace } },
        body: { showing_ids: rows.map((row) => row.id), answer, address },
      }),
    ),
  onSuccess: ({ left }) => {
    sending.value = undefined
    if (left[0]) void message.warning(`${left.length} not confirmed: ${left[0].sentence} ${left[0].way_on ?? ''}`, 8)
  },
  onError: (problem) => void message.error(sentence(problem), 8),
  onSettled: refetch,
})
const busy = computed(() => deciding.isPending.value)
const goOn = useMutation({
  mutationFn: () => ok(api.POST('/api/agency/go-on')),
  onError: (problem) => void message.error(sentence(problem), 8),
  onSettled: refetch,
})
function refetch() {
  void queries.invalidateQueries({ queryKey: ['dispatch'] })
  void queries.invalidateQueries({ queryKey: ['alarm'] })
}

// the group that is about to be sent whole
const sending = ref<(typeof groups.value)[number]>()
function decide(rows: Row[], answer: Answer, address?: string) {
  deciding.mutate({ workspace: rows[0]!.workspace_id, rows, answer, address })
}
function shut() {
  sending.value = undefined
}
</script>

<template>
  <section v-if="log.returned" class="back" aria-label="The database was brought back">
    <p>
      <b>{{ log.returned.why }}</b>
      <template v-if="log.returned.known_until">
        It knows what was done until {{ brief(log.returned.known_until, log.now) }}; what was done later is not in
        it.</template
      >
    </p>
    <div v-if="!log.returned.looked_at" class="look">
      <p>
        Nothing is sent until an owner has looked. What went out since is found at its network by itself<template
          v-if="log.returned.asking > 0"
          >; {{ log.returned.asking }} still to be asked</template
        >. What was released for the first time since is not in the database at all: look at the networks before you
        release anything planned for the time in between.
      </p>
      <Button type="primary" :disabled="!owner" :loading="goOn.isPending.value" @click="goOn.mutate()"
        >I have looked: go on sending</Button
      >
      <span v-if="!owner" class="quiet">An owner of the agency says this.</span>
    </div>
    <template v-if="log.unconfirmed.count > 0">
      <h2>
        May these still go out? <span class="number">{{ log.unconfirmed.count }}</span>
      </h2>
      <p class="quiet">
        Released when the backup was made, and not seen at their networks. Each may have been cancelled or changed
        since, or be out where nobody can ask.
        <template v-if="log.unconfirmed.count > log.unconfirmed.rows.length"
          >The first {{ log.unconfirmed.rows.length }} are shown.</template
        >
      </p>
      <div v-for="group in groups" :key="group.id" role="group" :aria-label="group.name">
        <div class="client">
          <h3>{{ group.name }}</h3>
          <template v-if="group.rows.length > 1">
            <ActButton v-if="sent(group.rows).length > 1" size="small" :may="group.can" @click="sending = group"
              >Send all {{ sent(group.rows).length }} …</ActButton
            >
            <ActButton size="small" :may="group.can" @click="decide(group.rows, 'take_back')"
              >Cancel all {{ group.rows.length }} releases</ActButton
            >
          </template>
        </div>
        <ul>
          <UnconfirmedRow
            v-for="row in group.rows"
            :key="row.id"
            :row="row"
            :now="log.now"
            :zone="clients[row.workspace_id]?.zone ?? 'UTC'"
            :can="group.can"
            @decide="(answer, address) => decide([row], answer, address)"
          />
        </ul>
      </div>
    </template>
    <SendAll
      v-if="sending"
      :client="sending.name"
      :rows="sent(sending.rows)"
      :busy="busy"
      @send="(rows) => decide(rows, 'send')"
      @close="shut"
    />
  </section>
</template>

<style scoped>
.back {
  padding: 10px 12px 12px;
  margin-bottom: 12px;
  background: var(--sheet);
  border-left: 4px solid var(--trouble);
}
.look {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.look p {
  flex: 1 1 420px;
  max-width: 78ch;
}
p {
  margin: 0 0 6px;
}
h2 {
  font-size: 14px;
  font-weight: 650;
  margin-top: 10px;
}
h3 {
  font-size: 13px;
  font-weight: 650;
}
.client {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 8px 0 4px;
  border-bottom: 1px solid var(--ink);
}
.client h3 {
  margin-right: auto;
}
</style>
