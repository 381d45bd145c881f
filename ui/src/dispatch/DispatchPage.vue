<script setup lang="ts">
// The dispatch log: in flight and next, trouble, out; one showing's story beside it.
import { Button, Textarea } from 'ant-design-vue'
import ComingShape from '@/parts/ComingShape.vue'
import { useInfiniteQuery, useMutation, useQueryClient } from '@tanstack/vue-query'
import { message } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useChosen } from '@/agency/me'
import { api, ok, sentence, unread, type Schemas } from '@/api/client'
import { bothClocks } from '@/api/time'
import { titled } from '@/api/words'
import ChannelLogo from '@/parts/ChannelLogo.vue'
import KeysHelp from '@/parts/KeysHelp.vue'
import { useKeys } from '@/parts/keys'
import { walkRows } from '@/parts/rows'
import { useAlarm } from './alarm'
import BroughtBack from './BroughtBack.vue'
import ShowingStory from './ShowingStory.vue'
import DialogBox from '@/parts/DialogBox.vue'
import ActButton from '@/parts/ActButton.vue'

type Row = Schemas['DispatchRow']
const route = useRoute()
const router = useRouter()
const queries = useQueryClient()
const { id, workspace, workspaces, me } = useChosen()
const { data: alarm } = useAlarm(id)
const { data, error, isPending, hasNextPage, fetchNextPage } = useInfiniteQuery({
  queryKey: ['dispatch', id],
  queryFn: ({ pageParam }) =>
    ok(api.GET('/api/dispatch', { params: { query: { workspace: id.value, before: pageParam } } })),
  initialPageParam: undefined as string | undefined,
  getNextPageParam: (last) => last.next ?? undefined,
  refetchInterval: 15_000,
})
const first = computed(() => data.value?.pages[0])
const out = computed(() => data.value?.pages.flatMap((page) => page.out) ?? [])
const names = computed(() => Object.fromEntries(workspaces.value.map((one) => [one.id, one])))
const chosen = computed(() =>
  route.query.showing && route.query.of
    ? { showing: String(route.query.showing), workspace: String(route.query.of) }
    : undefined,
)

function look(row: Row) {
  void router.replace({ query: { ...route.query, showing: row.id, of: row.workspace_id } })
}
function shut() {
  const { showing: _showing, of: _of, ...rest } = route.query
  void router.replace({ query: rest })
}
function when(row: Row) {
  return row.at && first.value
    ? bothClocks(row.at, first.value.now, names.value[row.workspace_id]?.zone ?? 'UTC')
    : ['']
}
const GOING: Record<string, string> = {
  planned: '',
  by_hand: 'by hand, now',
  sending: 'sending',
  unclear: 'asking the network',
}
const SEEN: Record<string, string> = { same: 'verified', differs: 'differs', cannot_tell: 'cannot tell' }

const holding = ref(false)
const reason = ref('')
const hold = useMutation({
  mutationFn: () =>
    ok(
      api.POST('/api/w/{workspace}/holds', {
        params: { path: { workspace: workspace.value!.id } },
        body: { reason: reason.value },
      }),
    ),
  onSuccess: () => {
    holding.value = false
    reason.value = ''
  },
  onError: (problem) => void message.error(sentence(problem), 8),
  onSettled: () => void queries.invalidateQueries({ queryKey: ['dispatch'] }),
})
const lift = useMutation({
  mutationFn: (one: { workspace_id: string; id: string }) =>
    ok(
      api.POST('/api/w/{workspace}/holds/{hold}/lift', {
        params: { path: { workspace: one.workspace_id, hold: one.id } },
      }),
    ),
  onError: (problem) => void message.error(sentence(problem), 8),
  onSettled: () => void queries.invalidateQueries({ queryKey: ['dispatch'] }),
})
useKeys({ ArrowDown: () => walkRows(1), ArrowUp: () => walkRows(-1), Escape: shut })
</script>

<template>
  <main class="dispatch">
    <div class="log">
      <div class="head">
        <h1>Dispatch</h1>
        <span v-if="first" class="quiet">
          {{ first.figures.out }} out in 40 days<template v-if="first.figures.median_late != null">
            · typical delay {{ first.figures.median_late }} s</template
          >
          · <b v-if="first.trouble.length > 0" class="late">{{ first.trouble.length }} in trouble</b
          ><template v-else>none in trouble</template>
        </span>
        <span class="fill" />
        <ActButton v-if="workspace" :may="workspace.can.hold" @click="holding = true"
          >Hold {{ workspace.name }} …</ActButton
        >
      </div>
      <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
      <BroughtBack v-if="first?.returned" :log="first" :clients="names" :owner="me?.owner === true" />
      <p v-else-if="alarm" role="alert" class="held">
        <b>{{ alarm }}</b>
      </p>
      <p v-for="one in first?.holds ?? []" :key="one.id" class="held">
        <b>{{ names[one.workspace_id]?.name }} is on hold{{ one.channel ? ` on ${one.channel}` : '' }}.</b>
        <bdi>{{ one.reason }}</bdi>
        <Button size="small" :disabled="!names[one.workspace_id]?.can.hold?.ok" @click="lift.mutate(one)"
          >Lift the hold</Button
        >
      </p>
      <template v-if="first">
        <section
          v-for="group in [
            {
              key: 'going',
              title: 'Next and in flight',
              rows: first.going,
              empty: 'Nothing is released at the moment. A cleared post is released from its sheet or from the Desk.',
            },
            { key: 'trouble', title: 'Trouble', rows: first.trouble, empty: '' },
            { key: 'out', title: 'Out', rows: out, empty: 'Nothing has gone out yet.' },
          ]"
          v-show="group.rows.length > 0 || group.empty"
          :key="group.key"
          :aria-label="group.title"
        >
          <h2 :class="group.key">
            {{ group.title }} <span class="number">{{ group.rows.length }}</span>
          </h2>
          <ul>
            <li v-for="row in group.rows" :key="row.id" :class="[group.key, { on: chosen?.showing === row.id }]">
              <button type="button" data-row @click="look(row)">
                <span
                  ><b>{{ when(row)[0] }}</b
                  ><span v-if="when(row)[1]" class="quiet yours">{{ ' ' }}{{ when(row)[1] }}</span></span
                >
                <span class="quiet name">{{ names[row.workspace_id]?.name }}</span>
                <ChannelLogo :network="row.network" :initials="row.initials" :name="row.channel" />
                <span class="subject">{{ titled(row.subject) }}</span>
                <span v-if="group.key === 'going'" class="quiet">{{
                  row.unconfirmed ? 'see above' : row.stage === 'held' ? 'held' : GOING[row.state]
                }}</span>
                <span v-else class="quiet">{{ row.late == null ? '' : `+${row.late} s` }}</span>
                <span v-if="group.key === 'out'" class="seen">{{ row.seen ? SEEN[row.seen] : 'out' }}</span>
                <span v-else-if="group.key === 'trouble'" class="late why">{{ row.trouble }}</span>
                <span v-else-if="row.fault" class="late why">{{ row.fault }}</span>
              </button>
              <router-link
                v-if="row.state === 'by_hand'"
                class="do"
                :to="{ name: 'by-hand', params: { workspace: row.workspace_id, showing: row.id } }"
                >{{ row.claimed_by ? `${row.claimed_by.split(' ')[0]} is publishing it` : 'publish it' }}</router-link
              >
              <a
                v-else-if="row.address?.startsWith('http')"
                :href="row.address"
                target="_blank"
                rel="noreferrer"
                :aria-label="`View ${titled(row.subject)} on ${row.channel}`"
                >View</a
              >
            </li>
            <li v-if="group.rows.length === 0" class="none">{{ group.empty }}</li>
          </ul>
        </section>
        <Button v-if="hasNextPage" @click="fetchNextPage()">Show older</Button>
      </template>
      <ComingShape v-else-if="isPending" label="Fetching the log" :lines="10" />
    </div>
    <ShowingStory
      v-if="chosen"
      :key="chosen.showing"
      :workspace="chosen.workspace"
      :showing="chosen.showing"
      @close="shut"
    />
    <DialogBox
      :open="holding"
      :title="`Hold everything of ${workspace?.name}`"
      :closable="false"
      :width="440"
      @close="holding = false"
    >
      <p>Nothing of this client goes out until the hold is lifted. Releases stay; yeses stay.</p>
      <label for="hold-reason">Reason (the agency side reads this)</label>
      <Textarea id="hold-reason" v-model:value="reason" :rows="2" />
      <Button
        type="primary"
        danger
        :disabled="reason.trim() === ''"
        :loading="hold.isPending.value"
        @click="hold.mutate()"
        >Hold it now</Button
      >
      <Button @click="holding = false">Cancel</Button>
    </DialogBox>
    <KeysHelp
      :keys="[
        ['↓ ↑', 'next and previous row'],
        ['Enter', 'look at it'],
        ['Esc', 'close what is beside'],
        ['/', 'find, or do'],
        ['C', 'choose a client by typing'],
      ]"
    />
  </main>
</template>

<style scoped>
.dispatch {
  display: flex;
  min-height: calc(100vh - 48px);
}
.log {
  flex: 1;
  min-width: 0;
  padding: 14px 20px 40px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  margin-bottom: 10px;
}
h1 {
  font-size: 20px;
  font-weight: 750;
}
.fill {
  flex: 1;
}
.held {
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 6px 10px;
  margin-bottom: 8px;
  background: repeating-linear-gradient(135deg, var(--well) 0 8px, var(--sheet) 8px 16px);
}
h2 {
  font-size: 13px;
  font-weight: 600;
  padding: 12px 0 4px;
  border-bottom: 2px solid var(--ink);
}
h2.trouble {
  color: var(--trouble);
}
li {
  display: flex;
  align-items: center;
  border-bottom: 1px solid var(--rule);
}
li.on {
  background: var(--sheet);
}
li.trouble {
  border-left: 4px solid var(--trouble);
}
li button {
  flex: 1;
  min-width: 0;
  display: grid;
  grid-template-columns: 138px 154px 26px minmax(120px, 1fr) 110px minmax(70px, auto);
  gap: 10px;
  align-items: center;
  min-height: 38px;
  padding: 4px 6px;
  text-align: left;
  background: none;
  border: 0;
  cursor: pointer;
}
li button:hover {
  background: var(--sheet);
}
li.trouble button {
  grid-template-columns: 138px 154px 26px minmax(120px, 1fr) 70px minmax(200px, 1.2fr);
}
.subject,
.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
li a {
  padding: 8px 6px;
}
.seen {
  font-weight: 600;
}
.none {
  padding: 10px 2px;
  color: var(--ink-2);
}
label {
  display: block;
  margin: 10px 0 4px;
  font-weight: 600;
}
.yours {
  display: block;
}
@media (max-width: 900px) {
  .dispatch {
    flex-direction: column;
  }
  li button,
  li.trouble button {
    grid-template-columns: auto 26px minmax(0, 1fr);
    gap: 4px 10px;
    padding-block: 6px;
  }
  li button > :nth-child(2) {
    grid-column: 1 / -1;
    grid-row: 2;
  }
  li button > :nth-child(n + 5) {
    grid-column: 1 / -1;
  }
  .held {
    flex-wrap: wrap;
  }
}
</style>
