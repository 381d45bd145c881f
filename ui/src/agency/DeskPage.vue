<script setup lang="ts">
import { Button, message } from 'ant-design-vue'
import ComingShape from '@/parts/ComingShape.vue'
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ok, sentence, unread, type Schemas } from '@/api/client'
import { age, briefThere, heading } from '@/api/time'
import { counted, list, titled } from '@/api/words'
import ChannelLogo from '@/parts/ChannelLogo.vue'
import ChannelLogos from '@/parts/ChannelLogos.vue'
import SignoffStrip from '@/parts/SignoffStrip.vue'
import ActButton from '@/parts/ActButton.vue'
import KeysHelp from '@/parts/KeysHelp.vue'
import { useKeys } from '@/parts/keys'
import { later } from '@/parts/later'
import { walkRows } from '@/parts/rows'
import { offerUndo } from '@/parts/undo'
import { useAlarm } from '@/dispatch/alarm'
import './desk.css'
import DeskAlarms from './DeskAlarms.vue'
import DeskAskRows from './DeskAskRows.vue'
import DeskOthers from './DeskOthers.vue'
import DeskRows from './DeskRows.vue'
import { useDesk } from './desk'
import { useChosen } from './me'
import NewPost from '@/posts/NewPost.vue'
import DeskViews from '@/plan/calendar/DeskViews.vue'
import { attempt } from '@/parts/problem'

const AskSeveralDialog = later(() => import('@/signoff/asks/AskSeveralDialog.vue'))
const router = useRouter()
const queries = useQueryClient()
const { id, workspaces } = useChosen()
const { data: desk, error, isPending, waiting, open: openWhole } = useDesk(id)
const { data: alarm } = useAlarm(id)

const names = computed(() => Object.fromEntries(workspaces.value.map((one) => [one.id, one.name])))
const clients = computed(() => Object.fromEntries(workspaces.value.map((one) => [one.id, one])))
const zones = computed(() => Object.fromEntries(workspaces.value.map((one) => [one.id, one.zone])))
// of what can be released, what the reader may release
const releases = computed(() =>
  Object.fromEntries(workspaces.value.map((one) => [one.id, one.can.release?.ok === true])),
)
const mine = computed(() => desk.value?.can_release.filter((post) => releases.value[post.workspace_id]) ?? [])

function open(workspace: string, post: string) {
  return { name: 'post', params: { workspace, post } }
}
function when(at: string | null | undefined, workspace: string) {
  return at && desk.value ? briefThere(at, desk.value.now, zones.value[workspace] ?? 'UTC') : 'no time yet'
}

const release = useMutation({
  mutationFn: async (posts: Schemas['PostRow'][]) => {
    const clients = [...new Set(posts.map((post) => post.workspace_id))]
    const done = clients.map(async (workspace) => {
      const ids = posts.filter((post) => post.workspace_id === workspace).map((post) => post.id)
      const { released, left } = await ok(
        api.POST('/api/w/{workspace}/releases', { params: { path: { workspace } }, body: { post_ids: ids } }),
      )
      return { left, released, posts: released.map((post) => ({ workspace, post })) }
    })
    return Promise.all(done)
  },
  onSuccess: (done) => {
    const count = done.flatMap((one) => one.released).length
    const left = done.flatMap((one) => one.left)
    if (count > 0)
      offerUndo(
        count === 1 ? 'Released; it goes out at its time.' : `${count} posts released; each goes out at its time.`,
        () => attempt(() => takeBack.mutateAsync(done.flatMap((one) => one.posts))),
      )
    for (const one of left.slice(0, 3))
      void message.error(`${titled(one.subject)}: ${one.sentence} ${one.way_on ?? ''}`, 8)
  },
  onError: (problem) => void message.error(sentence(problem), 8),
  onSettled: () => void queries.invalidateQueries({ queryKey: ['desk'] }),
})

const mayAsk = computed(() => Object.fromEntries(workspaces.value.map((one) => [one.id, one.can.ask])))
const takeBack = useMutation({
  mutationFn: (posts: { workspace: string; post: string }[]) =>
    Promise.all(
      posts.map((path) => ok(api.POST('/api/w/{workspace}/posts/{post}/take-back', { params: { path }, body: {} }))),
    ),
  onSettled: () => void queries.invalidateQueries({ queryKey: ['desk'] }),
})

// what is asked for from here: one post, or all whose next step nobody was asked for
type Row = Schemas['PostRow']
const wanting = (row: Row) => row.strip.filter((stamp) => stamp.state === 'change').flatMap((stamp) => stamp.who)
const asking = ref<Map<string, { workspace: string }>>()
const ask = (posts: Row[]) => (asking.value = new Map(posts.map((one) => [one.id, { workspace: one.workspace_id }])))
const askable = computed(() => (desk.value?.to_ask ?? []).filter((one) => mayAsk.value[one.workspace_id]?.ok))
// A asks for the row that has the focus, else for all that can be asked
function askHere() {
  const at = document.activeElement?.closest<HTMLElement>('[data-ask]')?.dataset.ask
  const all = desk.value
  const rows = all ? [...all.for_nobody, ...all.to_ask, ...all.opened, ...all.came_back] : []
  const found = rows.filter((one) => one.id === at)
  const posts = found.length > 0 ? found : askable.value
  if (posts.length > 0) ask(posts)
}

useKeys({
  ArrowDown: () => walkRows(1),
  ArrowUp: () => walkRows(-1),
  D: () => void router.push({ name: 'dispatch' }),
  A: askHere,
})
</script>

<template>
  <main class="desk">
    <div class="head">
      <h1>{{ desk ? heading(desk.now) : 'Desk' }}</h1>
      <template v-if="desk">
        <span v-if="waiting > 0" class="yours">{{ counted(waiting, 'waits', 'wait') }} for you</span>
        <span v-else class="quiet">Nothing waits for you</span>
        <span class="quiet">
          {{ counted(desk.counts.waits_for_others, 'waits', 'wait') }} for others<template
            v-if="desk.counts.late_with_others > 0"
            >,
            <b class="late"
              >{{ desk.counts.late_with_others }} past
              {{ desk.counts.late_with_others === 1 ? 'its' : 'their' }} time</b
            ></template
          >
          · {{ desk.counts.can_release }} can be released · {{ desk.counts.trouble }} in trouble
        </span>
      </template>
      <span class="fill" />
      <router-link :to="{ name: 'figures', query: id ? { client: id } : {} }">Figures</router-link>
      <NewPost />
    </div>
    <DeskAlarms v-if="desk" :alarm="alarm" :desk="desk" :clients="clients" />
    <DeskViews :workspace="id" :names="names" />
    <p v-if="error" class="alarm" role="alert">{{ unread(error) }}</p>
    <div v-if="isPending" class="columns">
      <ComingShape v-for="n in 3" :key="n" label="Fetching the Desk" :lines="8" />
    </div>

    <div v-if="desk" class="columns">
      <section aria-labelledby="yours" class="mine">
        <h2 id="yours">
          Waiting for you <span class="number">{{ waiting }}</span>
        </h2>
        <DeskRows
          :id="(one) => one.post.id"
          v-slot="{ row }"
          :rows="desk.asked"
          :count="desk.counts.asked"
          :names="names"
          @whole="openWhole('asked')"
        >
          <router-link data-row :to="open(row.workspace_id, row.post.id)">
            <span class="line"
              ><b>Read: {{ titled(row.post.subject) }}</b
              ><SignoffStrip :strip="row.post.strip"
            /></span>
            <span class="line quiet"
              ><span
                >{{ names[row.workspace_id] }} · asked by {{ row.asked_by }} {{ age(row.asked_at, desk.now) }} ago</span
              ><b :class="{ late: row.late }">by {{ when(row.due_at, row.workspace_id) }}</b></span
            >
          </router-link>
        </DeskRows>
        <DeskRows
          :id="(one) => one.id"
          v-slot="{ row }"
          :rows="desk.tasks"
          :count="desk.counts.tasks"
          :names="names"
          @whole="openWhole('tasks')"
        >
          <router-link data-row :to="open(row.workspace_id, row.post_id)">
            <span class="line"
              ><b>Make: {{ row.title }}</b
              ><span class="quiet">task</span></span
            >
            <span class="line quiet"
              ><span>{{ names[row.workspace_id] }} · {{ titled(row.subject) }}</span
              ><b :class="{ late: row.late }">by {{ when(row.due_at, row.workspace_id) }}</b></span
            >
          </router-link>
        </DeskRows>
        <DeskRows
          :id="(one) => one.showing_id"
          v-slot="{ row }"
          :rows="desk.by_hand"
          :count="desk.counts.by_hand"
          :names="names"
          @whole="openWhole('by_hand')"
        >
          <router-link
            data-row
            :to="{ name: 'by-hand', params: { workspace: row.workspace_id, showing: row.showing_id } }"
          >
            <span class="line"
              ><b>Publish by hand: {{ titled(row.subject) }}</b
              ><ChannelLogo :network="row.network" :initials="row.initials" :name="row.channel"
            /></span>
            <span class="line quiet"
              ><span>{{ names[row.workspace_id] }} · {{ row.channel }}</span
              ><b>{{ row.state === 'taken_up' ? 'you are publishing it' : 'now' }}</b></span
            >
          </router-link>
        </DeskRows>
        <DeskAskRows
          :rows="desk.for_nobody"
          :count="desk.counts.for_nobody"
          :names="names"
          what="Waits for nobody"
          :why="() => 'nobody asked can answer'"
          :may="mayAsk"
          :when="when"
          @ask="ask([$event])"
          @whole="openWhole('for_nobody')"
        />
        <DeskAskRows
          :rows="desk.to_ask"
          :count="desk.counts.to_ask"
          :names="names"
          what="Ask next"
          :why="() => 'not asked yet'"
          :may="mayAsk"
          :when="when"
          @ask="ask([$event])"
          @whole="openWhole('to_ask')"
        />
        <p v-if="askable.length > 1" class="all">
          <ActButton size="small" shortcut="A" @click="ask(askable)">Ask for these {{ askable.length }} …</ActButton>
        </p>
        <DeskAskRows
          :rows="desk.opened"
          :count="desk.counts.opened"
          :names="names"
          what="Ask again"
          :why="() => 'unlocked to change it'"
          :may="mayAsk"
          :when="when"
          @ask="ask([$event])"
          @whole="openWhole('opened')"
        />
        <DeskAskRows
          :rows="desk.came_back"
          :count="desk.counts.came_back"
          :names="names"
          what="Came back"
          :why="(row) => `change wanted by ${list(wanting(row))}`"
          :may="mayAsk"
          :when="when"
          @ask="ask([$event])"
          @whole="openWhole('came_back')"
        />
        <p v-if="waiting === 0" class="none">
          You are done: nothing waits for you. What others still have to answer stands beside this.
        </p>
      </section>

      <DeskOthers
        :desk="desk"
        :names="names"
        :may="mayAsk"
        :several="!id && workspaces.length > 1"
        :when="when"
        @whole="openWhole('waits_for_others')"
      />

      <section aria-labelledby="release">
        <h2 id="release">
          Can be released <span class="number">{{ desk.counts.can_release }}</span>
          <ActButton
            v-if="mine.length > 0"
            type="primary"
            size="small"
            :loading="release.isPending.value"
            shortcut="L"
            @click="release.mutate(mine)"
            >{{
              mine.length === 1
                ? 'Release'
                : `Release ${mine.length === desk.counts.can_release ? 'all' : 'these'} ${mine.length}`
            }}</ActButton
          >
          <span v-else-if="desk.can_release.length > 0" class="by-others"
            >by somebody else; your role does not release</span
          >
        </h2>
        <DeskRows
          :id="(one) => one.id"
          :rows="desk.can_release"
          :count="desk.counts.can_release"
          :names="names"
          @whole="openWhole('can_release')"
        >
          <template #default="{ row }">
            <span class="with-act">
              <router-link data-row :to="open(row.workspace_id, row.id)">
                <span class="line"
                  ><b>{{ titled(row.subject) }}</b
                  ><ChannelLogos :channels="row.channels"
                /></span>
                <span class="line quiet"
                  ><span>{{ names[row.workspace_id] }}</span
                  ><b>{{ when(row.at, row.workspace_id) }}</b></span
                >
              </router-link>
              <Button
                v-if="releases[row.workspace_id] && mine.length > 1"
                size="small"
                :aria-label="`Release ${titled(row.subject)}`"
                :disabled="release.isPending.value"
                @click="release.mutate([row])"
                >Release</Button
              >
            </span>
          </template>
          <template #none><li class="none">Posts that have all their yeses appear here.</li></template>
        </DeskRows>
        <h2 class="second">Next out</h2>
        <ul>
          <li v-for="one in desk.next_out" :key="one.showing_id" class="row">
            <router-link data-row :to="open(one.workspace_id, one.post_id)">
              <span class="line"
                ><b>{{ titled(one.subject) }}</b
                ><ChannelLogo :network="one.network" :initials="one.initials" :name="one.channel"
              /></span>
              <span class="line quiet"
                ><span
                  >{{ names[one.workspace_id] }}<template v-if="one.stage === 'held'">, <b>held</b></template></span
                ><b>{{ when(one.at, one.workspace_id) }}</b></span
              >
            </router-link>
          </li>
          <li v-if="desk.next_out.length === 0" class="none">Nothing is released at the moment.</li>
        </ul>
        <template v-if="desk.counts.trouble > 0">
          <h2 class="second trouble">
            Trouble <span class="number">{{ desk.counts.trouble }}</span>
          </h2>
          <DeskRows
            :id="(one) => one.showing_id"
            v-slot="{ row }"
            :rows="desk.trouble"
            :count="desk.counts.trouble"
            :names="names"
            @whole="openWhole('trouble')"
          >
            <router-link
              data-row
              :to="{
                name: 'dispatch',
                query: { ...(id ? { client: id } : {}), showing: row.showing_id, of: row.workspace_id },
              }"
            >
              <span class="line"
                ><span class="marks"
                  ><ChannelLogo :network="row.network" :initials="row.initials" :name="row.channel" />
                  <b>{{ titled(row.subject) }}</b></span
                ></span
              >
              <span class="line late">{{ row.trouble }}</span>
            </router-link>
          </DeskRows>
        </template>
      </section>
    </div>
    <AskSeveralDialog v-if="asking" :posts="asking" @close="asking = undefined" />
    <KeysHelp
      :keys="[
        ['↓ ↑', 'next and previous row'],
        ['Enter', 'open'],
        ['N', 'new post'],
        ['L', 'release what can be released'],
        ['A', 'ask for the row, or for all whose next step can be asked'],
        ['/', 'find, or do'],
        ['C', 'choose a client by typing'],
      ]"
    />
  </main>
</template>

<style scoped>
.by-others {
  margin-left: 8px;
  font-size: 13px;
  font-weight: 450;
  color: var(--ink-2);
}
.desk {
  padding: 14px 20px 40px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
  margin-bottom: 14px;
}
h1 {
  font-size: 20px;
  font-weight: 750;
}
.yours {
  background: var(--mark);
  padding: 2px 8px;
  font-weight: 600;
}
.fill {
  flex: 1;
}
.alarm {
  background: var(--sheet);
  border-left: 4px solid var(--trouble);
  padding: 8px 12px;
  margin-bottom: 12px;
  font-weight: 600;
}
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(320px, 100%), 1fr));
  gap: 20px;
  align-items: start;
}
.all {
  padding: 6px 0;
}
</style>
