<script setup lang="ts">
// Everybody of a client, what their role gives them, and beside it: who may do what here, and why.
import { message } from 'ant-design-vue'
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ok, sentence, unread, type Schemas } from '@/api/client'
import { useMe } from '@/agency/me'
import { brief, calendarDay, month } from '@/api/time'
import KeysHelp from '@/parts/KeysHelp.vue'
import PersonFace from '@/parts/PersonFace.vue'
import ShareSquare from '@/parts/ShareSquare.vue'
import { useKeys } from '@/parts/keys'
import { walkRows } from '@/parts/rows'
import MemberPanel from './MemberPanel.vue'
import ActButton from '@/parts/ActButton.vue'
import { later } from '@/parts/later'
import { counted } from '@/api/words'

const InviteDialog = later(() => import('./InviteDialog.vue'))

type Person = Schemas['ClientPeople']['people'][number]
const props = defineProps<{ workspace: string }>()
const route = useRoute()
const router = useRouter()
const queries = useQueryClient()
const path = { workspace: props.workspace }
const { data: me } = useMe()
const { data, error } = useQuery({
  queryKey: ['people', props.workspace],
  queryFn: () => ok(api.GET('/api/w/{workspace}/people', { params: { path } })),
})
const groups = ['see', 'write', 'answer', 'work', 'run', 'govern'] as const
const sides = [
  { side: 'agency', label: 'Agency side' },
  { side: 'client', label: 'Client side' },
] as const
const of = (side: string) => data.value?.people.filter((one) => one.side === side) ?? []
const invited = (side: string) => data.value?.invitations.filter((one) => one.side === side) ?? []
const chosen = computed(() => data.value?.people.find((one) => one.id === route.query.member))
const inviting = ref(false)
const now = computed(() => me.value?.now ?? new Date().toISOString())
const there = ref(false)
onMounted(() => (there.value = true))

function choose(person: Person) {
  void router.replace({ query: { ...route.query, member: person.id === chosen.value?.id ? undefined : person.id } })
}
function channels(ids: string[] | null) {
  if (ids === null) return 'all'
  const all = data.value?.channels ?? []
  const names = all.filter((one) => ids.includes(one.id)).map((one) => one.name)
  const missing = all.filter((one) => !ids.includes(one.id)).map((one) => one.name)
  return missing.length === 1 && names.length > 1 ? `all but ${missing[0]}` : names.join(', ') || 'none'
}
function beside(one: Person) {
  if (one.me) return 'you'
  if (one.away_until) return `away until ${calendarDay(one.away_until)}`
  if (one.tasks > 0) return `${counted(one.tasks, 'task', 'tasks')}`
  return one.seen_at
    ? `seen ${brief(one.seen_at, now.value)}`
    : one.side === 'client'
      ? 'answers by link'
      : 'has not signed in yet'
}
const act = (run: (id: string) => Promise<unknown>, words: string) =>
  useMutation({
    mutationFn: run,
    onSuccess: () => void message.success(words),
    onError: (problem) => void message.error(sentence(problem), 8),
    onSettled: () => void queries.invalidateQueries({ queryKey: ['people', props.workspace] }),
  })
const again = act(
  (invitation) =>
    ok(api.POST('/api/w/{workspace}/invitations/{invitation}/again', { params: { path: { ...path, invitation } } })),
  'Sent again; the older link works no more.',
)
const revoke = act(
  (invitation) =>
    ok(api.POST('/api/w/{workspace}/invitations/{invitation}/revoke', { params: { path: { ...path, invitation } } })),
  'Cancelled; its link works no more.',
)

useKeys({
  ArrowDown: () => walkRows(1),
  ArrowUp: () => walkRows(-1),
})
</script>

<template>
  <div class="people" :class="{ open: chosen }">
    <Teleport v-if="there && data" to="#client-acts">
      <ActButton type="primary" :may="data.can.invite" shortcut="I" opens @click="inviting = true">Invite</ActButton>
    </Teleport>
    <main class="page">
      <p v-if="error" role="alert">{{ unread(error) }}</p>
      <table v-if="data" class="list" tabindex="0">
        <template v-for="group in sides" :key="group.side">
          <thead>
            <tr>
              <th scope="col">{{ group.label }}, {{ of(group.side).length }}</th>
              <th scope="col">Role here</th>
              <th scope="col">Channels</th>
              <th v-for="one in groups" :key="one" scope="col" class="square">{{ one }}</th>
              <th scope="col"><span class="hidden">State</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in of(group.side)" :key="one.id" :class="{ chosen: chosen?.id === one.id }">
              <td>
                <button type="button" class="who" data-row :aria-expanded="chosen?.id === one.id" @click="choose(one)">
                  <PersonFace :name="one.name" :side="one.side" :person-id="one.person_id" :picture="one.picture" />
                  <span
                    ><b>{{ one.name }}</b
                    ><span class="quiet">{{
                      one.title || (one.until ? `until ${calendarDay(one.until)}` : `since ${month(one.since, now)}`)
                    }}</span></span
                  >
                </button>
              </td>
              <td>{{ one.role }}</td>
              <td>{{ channels(one.channel_ids ?? null) }}</td>
              <td v-for="name in groups" :key="name" class="square">
                <ShareSquare :share="one.shares[name] ?? 'none'" :group="name" />
              </td>
              <td class="state quiet">{{ beside(one) }}</td>
            </tr>
            <tr v-for="one in invited(group.side)" :key="one.id" class="pending">
              <td>
                <span class="who"
                  ><svg width="28" height="28" viewBox="0 0 28 28" aria-hidden="true">
                    <circle
                      cx="14"
                      cy="14"
                      r="13"
                      fill="none"
                      :style="{ stroke: 'var(--ink-faint)' }"
                      stroke-dasharray="3 3"
                    /></svg
                  ><span
                    ><b>{{ one.email }}</b
                    ><span class="quiet">invited {{ brief(one.invited_at, now) }} by {{ one.invited_by }}</span></span
                  ></span
                >
              </td>
              <td>{{ one.role }}</td>
              <td>{{ channels(one.channel_ids ?? null) }}</td>
              <td :colspan="6" class="quiet">
                {{ one.over ? 'the link has expired' : `pending until ${brief(one.expires_at, now)}` }}
              </td>
              <td class="state">
                <button
                  type="button"
                  class="link-button"
                  :aria-label="`Resend the invitation to ${one.email}`"
                  @click="again.mutate(one.id)"
                >
                  Resend</button
                >{{ ' ' }}
                <button
                  type="button"
                  class="link-button"
                  :aria-label="`Cancel the invitation of ${one.email}`"
                  @click="revoke.mutate(one.id)"
                >
                  Cancel invitation
                </button>
              </td>
            </tr>
            <tr v-if="of(group.side).length + invited(group.side).length === 0">
              <td colspan="10" class="quiet">
                Nobody of this side yet. Invite them by mail; they are pending until they accept.
              </td>
            </tr>
          </tbody>
        </template>
      </table>
    </main>
    <MemberPanel
      v-if="chosen && data"
      :key="chosen.id"
      :workspace="workspace"
      :person="chosen"
      :here="data"
      @close="choose(chosen)"
    />
    <InviteDialog v-if="data" :workspace="workspace" :here="data" :open="inviting" @close="inviting = false" />
    <KeysHelp
      :keys="[
        ['↓ ↑', 'next and previous person'],
        ['Enter', 'what they may do, and why'],
        ['I', 'invite'],
      ]"
    />
  </div>
</template>

<style scoped>
.people {
  display: flex;
  align-items: flex-start;
}
.page {
  flex: 1;
  min-width: 0;
}
thead:not(:first-of-type) th {
  padding-top: 18px;
}
.square {
  width: 48px;
  text-align: center;
  padding-right: 0;
}
.who {
  display: flex;
  gap: 9px;
  align-items: center;
  padding: 0;
  border: 0;
  background: none;
  text-align: left;
  cursor: pointer;
}
span.who {
  cursor: default;
}
.who b,
.who .quiet {
  display: block;
  line-height: 1.3;
}
.who b {
  font-weight: 600;
}
.chosen td {
  background: var(--sheet);
}
.chosen td:first-child {
  box-shadow: inset 3px 0 var(--ink);
  padding-left: 8px;
}
.state {
  text-align: right;
  padding-right: 0;
  white-space: nowrap;
}
.pending b {
  font-weight: 450;
}
kbd {
  font: 600 12px/1 var(--sans);
  border: 1px solid currentcolor;
  border-radius: 3px;
  padding: 0 4px;
  margin-left: 4px;
}
@media (max-width: 1000px) {
  .people {
    flex-direction: column;
  }
  .page {
    width: 100%;
    overflow-x: auto;
  }
}
</style>
