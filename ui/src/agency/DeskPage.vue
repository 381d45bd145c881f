<script setup lang="ts">
import { Button, message } from 'ant-design-vue'
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { api, ok, sentence, unread, type Schemas } from '@/api/client'
import { age, brief, heading } from '@/api/time'
import { initials, list, titled } from '@/api/words'
import ChannelMark from '@/parts/ChannelMark.vue'
import ChannelMarks from '@/parts/ChannelMarks.vue'
import SignoffStrip from '@/parts/SignoffStrip.vue'
import ActButton from '@/parts/ActButton.vue'
import KeysHelp from '@/parts/KeysHelp.vue'
import { useKeys } from '@/parts/keys'
import { walkRows } from '@/parts/rows'
import { offerUndo } from '@/parts/undo'
import { useAlarm } from '@/dispatch/alarm'
import { useDesk } from './desk'
import { useChosen } from './me'
import NewPost from '@/posts/NewPost.vue'

const router = useRouter()
const SETUP: Record<string, string> = { days: 'settings', route: 'route', channel: 'channels', people: 'people' }
const queries = useQueryClient()
const { id, workspaces } = useChosen()
const { data: desk, error, isPending, waiting } = useDesk(id)
const { data: alarm } = useAlarm(id)

const names = computed(() => Object.fromEntries(workspaces.value.map((one) => [one.id, one.name])))
const zones = computed(() => Object.fromEntries(workspaces.value.map((one) => [one.id, one.zone])))
const others = computed(() => desk.value?.waits_for_others.reduce((sum, one) => sum + one.open, 0) ?? 0)
const late = computed(() => desk.value?.waits_for_others.reduce((sum, one) => sum + one.lines.filter((line) => line.late).length, 0) ?? 0)
// of what can be released, what the reader may release
const releases = computed(() => Object.fromEntries(workspaces.value.map((one) => [one.id, one.can.release?.ok === true])))
const mine = computed(() => desk.value?.can_release.filter((post) => releases.value[post.workspace_id]) ?? [])

function open(workspace: string, post: string) {
  return { name: 'post', params: { workspace, post } }
}
function when(at: string | null | undefined, workspace: string) {
  return at && desk.value ? brief(at, desk.value.now, zones.value[workspace]) : 'no time yet'
}

const release = useMutation({
  mutationFn: async (posts: Schemas['PostRow'][]) => {
    const clients = [...new Set(posts.map((post) => post.workspace_id))]
    const done = clients.map(async (workspace) => {
      const ids = posts.filter((post) => post.workspace_id === workspace).map((post) => post.id)
      const { released, left } = await ok(api.POST('/api/w/{workspace}/releases', { params: { path: { workspace } }, body: { post_ids: ids } }))
      return { left, released, posts: released.map((post) => ({ workspace, post })) }
    })
    return Promise.all(done)
  },
  onSuccess: (done) => {
    const count = done.flatMap((one) => one.released).length
    const left = done.flatMap((one) => one.left)
    if (count > 0) offerUndo(count === 1 ? 'Released; it goes out at its time.' : `${count} posts released; each goes out at its time.`, () => takeBack.mutate(done.flatMap((one) => one.posts)))
    for (const one of left.slice(0, 3)) void message.error(`${titled(one.subject)}: ${one.sentence} ${one.way_on ?? ''}`, 8)
  },
  onError: (problem) => void message.error(sentence(problem), 8),
  onSettled: () => void queries.invalidateQueries({ queryKey: ['desk'] }),
})

const takeBack = useMutation({
  mutationFn: (posts: { workspace: string; post: string }[]) => Promise.all(posts.map((path) => ok(api.POST('/api/w/{workspace}/posts/{post}/take-back', { params: { path }, body: {} })))),
  onError: (problem) => void message.error(sentence(problem), 8),
  onSettled: () => void queries.invalidateQueries({ queryKey: ['desk'] }),
})

useKeys({ ArrowDown: () => walkRows(1), ArrowUp: () => walkRows(-1), D: () => void router.push({ name: 'dispatch' }) })
</script>

<template>
  <main class="desk">
    <div class="head">
      <h1>{{ desk ? heading(desk.now) : 'Desk' }}</h1>
      <template v-if="desk">
        <span v-if="waiting > 0" class="yours">{{ waiting }} {{ waiting === 1 ? 'waits' : 'wait' }} for you</span>
        <span v-else class="quiet">Nothing waits for you</span>
        <span class="quiet">
          {{ others }} {{ others === 1 ? 'waits' : 'wait' }} for others<template v-if="late > 0"
            >, <b class="late">{{ late }} past {{ late === 1 ? 'its' : 'their' }} time</b></template
          >
          · {{ desk.can_release_count }} can be released · {{ desk.trouble.length }} in trouble
        </span>
      </template>
      <span class="fill" />
      <NewPost />
    </div>
    <p v-if="alarm" class="alarm" role="alert">{{ alarm }}</p>
    <p v-for="one in desk?.connections ?? []" :key="one.channel_id" class="alarm" :class="one.level" role="status">
      <ChannelMark :network="one.network" :initials="one.initials" />
      <span
        >{{ names[one.workspace_id] }}, {{ one.name }}: {{ one.sentence }}<template v-if="one.planned > 0"> {{ one.planned }} {{ one.planned === 1 ? 'post is' : 'posts are' }} planned there.</template></span
      >
      <router-link :to="{ name: 'channels', params: { workspace: one.workspace_id } }">Channels</router-link>
    </p>
    <p v-for="one in desk?.set_ups ?? []" :key="one.workspace_id" class="alarm set-up" role="status">
      <span>The set-up of {{ one.name }} is not done yet.</span> <router-link :to="{ name: SETUP[one.step] ?? 'settings', params: { workspace: one.workspace_id } }">Go on</router-link>
    </p>
    <p v-if="error" class="alarm" role="alert">{{ unread(error) }}</p>
    <div v-if="isPending" class="columns" aria-busy="true"><div v-for="n in 3" :key="n" class="ghost" /></div>

    <div v-if="desk" class="columns">
      <section aria-labelledby="yours">
        <h2 id="yours">
          Waiting for you <span class="number">{{ waiting }}</span>
        </h2>
        <ul>
          <li v-for="line in desk.asked" :key="`a${line.post.id}`" class="row mine">
            <router-link data-row :to="open(line.workspace_id, line.post.id)">
              <span class="line"
                ><b>Read: {{ titled(line.post.subject) }}</b
                ><SignoffStrip :strip="line.post.strip"
              /></span>
              <span class="line quiet"
                ><span>{{ names[line.workspace_id] }} · asked by {{ line.asked_by }} {{ age(line.asked_at, desk.now) }} ago</span><b :class="{ late: line.late }">by {{ when(line.due_at, line.workspace_id) }}</b></span
              >
            </router-link>
          </li>
          <li v-for="task in desk.tasks" :key="task.id" class="row mine">
            <router-link data-row :to="open(task.workspace_id, task.post_id)">
              <span class="line"
                ><b>Make: {{ task.title }}</b
                ><span class="quiet">task</span></span
              >
              <span class="line quiet"
                ><span>{{ names[task.workspace_id] }} · {{ titled(task.subject) }}</span
                ><b :class="{ late: task.late }">by {{ when(task.due_at, task.workspace_id) }}</b></span
              >
            </router-link>
          </li>
          <li v-for="one in desk.by_hand" :key="one.showing_id" class="row mine">
            <router-link data-row :to="{ name: 'by-hand', params: { workspace: one.workspace_id, showing: one.showing_id } }">
              <span class="line"
                ><b>Publish by hand: {{ titled(one.subject) }}</b
                ><ChannelMark :network="one.network" :initials="one.initials" :name="one.channel"
              /></span>
              <span class="line quiet"
                ><span>{{ names[one.workspace_id] }} · {{ one.channel }}</span
                ><b>{{ one.state === 'taken_up' ? 'you are publishing it' : 'now' }}</b></span
              >
            </router-link>
          </li>
          <li v-for="post in desk.opened" :key="`o${post.id}`" class="row mine">
            <router-link data-row :to="open(post.workspace_id, post.id)">
              <span class="line"
                ><b>Ask again: {{ titled(post.subject) }}</b
                ><SignoffStrip :strip="post.strip"
              /></span>
              <span class="line quiet"
                ><span>{{ names[post.workspace_id] }} · unlocked to change it</span><span>{{ when(post.at, post.workspace_id) }}</span></span
              >
            </router-link>
          </li>
          <li v-for="post in desk.came_back" :key="`c${post.id}`" class="row mine">
            <router-link data-row :to="open(post.workspace_id, post.id)">
              <span class="line"
                ><b>Came back: {{ titled(post.subject) }}</b
                ><SignoffStrip :strip="post.strip"
              /></span>
              <span class="line quiet"
                ><span>{{ names[post.workspace_id] }} · change wanted by {{ list(post.strip.filter((stamp) => stamp.state === 'change').flatMap((stamp) => stamp.who)) }}</span
                ><span>{{ when(post.at, post.workspace_id) }}</span></span
              >
            </router-link>
          </li>
          <li v-if="waiting === 0" class="none">You are done: nothing waits for you. What others still have to answer stands beside this.</li>
        </ul>
      </section>

      <section aria-labelledby="others">
        <h2 id="others">
          Waiting for others <span class="number">{{ others }}</span>
        </h2>
        <template v-for="group in desk.waits_for_others" :key="group.workspace_id + group.person">
          <div class="person">
            <span class="face" :class="group.side" aria-hidden="true">{{ initials(group.person) }}</span>
            <b>{{ group.person }}</b>
            <span class="quiet">{{ group.open }} open, asked {{ brief(group.lines[0]?.asked_at ?? desk.now, desk.now) }}</span>
          </div>
          <ul class="inset">
            <li v-for="line in group.lines" :key="line.post.id" class="row">
              <router-link data-row :to="open(line.workspace_id, line.post.id)">
                <span class="line"
                  ><span>{{ titled(line.post.subject) }}</span
                  ><SignoffStrip :strip="line.post.strip" :now="desk.now"
                /></span>
                <span class="line quiet"
                  ><span class="marks">{{ when(line.post.at, line.workspace_id) }} <ChannelMarks :channels="line.post.channels" /></span
                  ><b v-if="line.late" class="late">answer was due {{ when(line.due_at, line.workspace_id) }}</b
                  ><span v-else>by {{ when(line.due_at, line.workspace_id) }}</span></span
                >
              </router-link>
            </li>
          </ul>
        </template>
        <p v-if="others === 0" class="none">Nothing waits for anybody else.</p>
      </section>

      <section aria-labelledby="release">
        <h2 id="release">
          Can be released <span class="number">{{ desk.can_release_count }}</span>
          <ActButton v-if="mine.length > 0" type="primary" size="small" :loading="release.isPending.value" shortcut="L" @click="release.mutate(mine)">{{
            mine.length === 1 ? 'Release' : `Release all ${mine.length}`
          }}</ActButton>
          <span v-else-if="desk.can_release.length > 0" class="by-others">by somebody else; your role does not release</span>
        </h2>
        <ul>
          <li v-for="post in desk.can_release" :key="post.id" class="row with-act">
            <router-link data-row :to="open(post.workspace_id, post.id)" class="timed">
              <b>{{ when(post.at, post.workspace_id) }}</b>
              <ChannelMarks :channels="post.channels" />
              <span>{{ titled(post.subject) }}</span>
            </router-link>
            <Button v-if="releases[post.workspace_id] && mine.length > 1" size="small" :aria-label="`Release ${titled(post.subject)}`" :disabled="release.isPending.value" @click="release.mutate([post])">Release</Button>
          </li>
          <li v-if="desk.can_release.length === 0" class="none">Posts that have all their yeses appear here.</li>
        </ul>
        <h2 class="second">Next out</h2>
        <ul>
          <li v-for="one in desk.next_out" :key="one.showing_id" class="row">
            <router-link data-row :to="open(one.workspace_id, one.post_id)" class="timed">
              <b>{{ when(one.at, one.workspace_id) }}</b>
              <span class="marks"><ChannelMark :network="one.network" :initials="one.initials" :name="one.channel" /></span>
              <span>{{ titled(one.subject) }} <b v-if="one.stage === 'held'" class="quiet">held</b></span>
            </router-link>
          </li>
          <li v-if="desk.next_out.length === 0" class="none">Nothing is released at the moment.</li>
        </ul>
        <template v-if="desk.trouble.length > 0">
          <h2 class="second trouble">Trouble</h2>
          <ul>
            <li v-for="one in desk.trouble" :key="one.showing_id" class="row">
              <router-link data-row :to="{ name: 'dispatch', query: { ...(id ? { client: id } : {}), showing: one.showing_id, of: one.workspace_id } }">
                <span class="line"
                  ><span class="marks"
                    ><ChannelMark :network="one.network" :initials="one.initials" :name="one.channel" /> <b>{{ titled(one.subject) }}</b></span
                  ></span
                >
                <span class="line late">{{ one.trouble }}</span>
              </router-link>
            </li>
          </ul>
        </template>
      </section>
    </div>
    <KeysHelp
      :keys="[
        ['↓ ↑', 'next and previous row'],
        ['Enter', 'open'],
        ['N', 'new post'],
        ['L', 'release what can be released'],
        ['/', 'choose a client by typing'],
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
p.alarm {
  display: flex;
  gap: 10px;
  align-items: center;
}
.alarm.soon,
.alarm.rules {
  border-left-color: var(--change);
  font-weight: 450;
}
.alarm.set-up {
  border-left-color: var(--ink-2);
  font-weight: 450;
}
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(320px, 1fr));
  gap: 20px;
  align-items: start;
}
.ghost {
  height: 240px;
  background: repeating-linear-gradient(var(--ground) 0 44px, var(--hairline) 44px 45px);
  border-top: 2px solid var(--rule);
}
h2 {
  display: flex;
  align-items: center;
  min-height: 30px;
  font-size: 13px;
  font-weight: 600;
  border-bottom: 2px solid var(--ink);
  padding-bottom: 4px;
}
h2 button {
  margin-left: auto;
}
h2.second {
  margin-top: 14px;
  border-bottom-width: 1px;
}
h2.trouble {
  color: var(--trouble);
}
.row {
  border-bottom: 1px solid var(--rule);
}
.row a {
  display: block;
  padding: 6px 8px 6px 2px;
  text-decoration: none;
}
.row a:hover {
  background: var(--sheet);
}
.mine a {
  position: relative;
  padding-left: 12px;
}
.mine a::before {
  content: '';
  position: absolute;
  left: 0;
  top: 6px;
  bottom: 6px;
  width: 5px;
  background: var(--mark);
  border: 1px solid var(--mark-edge);
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  align-items: center;
}
.line > :first-child {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.line b,
.line .late {
  white-space: nowrap;
}
.line.late {
  white-space: normal;
}
.line.late,
.line > b:first-child {
  font-weight: 600;
}
.line > :last-child:not(:first-child) {
  flex: none;
}
.person {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 7px 0;
  border-bottom: 1px solid var(--rule);
}
.face {
  display: grid;
  place-items: center;
  width: 24px;
  height: 24px;
  border: 1.5px solid var(--internal);
  border-radius: 50%;
  font-size: 10px;
  font-weight: 600;
  color: var(--internal);
  background: var(--sheet);
}
.face.client {
  border-color: var(--client);
  color: var(--client);
}
.inset {
  padding-left: 12px;
}
.marks {
  display: inline-flex;
  gap: 5px;
  align-items: center;
}
.row a.timed {
  display: grid;
  grid-template-columns: 84px auto 1fr;
  gap: 8px;
  align-items: center;
  padding: 8px 2px;
}
.with-act {
  display: flex;
  gap: 8px;
  align-items: center;
}
.with-act a {
  flex: 1;
}
.none {
  padding: 10px 2px;
  color: var(--ink-2);
}
</style>
