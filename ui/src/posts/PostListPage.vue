<script setup lang="ts">
// Posts of one client or of all of mine, narrowed, and chosen to do one thing with several.
import { Button, Checkbox, Input } from 'ant-design-vue'
import ComingShape from '@/parts/ComingShape.vue'
import { useInfiniteQuery, useQuery } from '@tanstack/vue-query'
import { watchDebounced } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useChosen } from '@/agency/me'
import { api, ok, unread, type Schemas } from '@/api/client'
import { planned, wallAt } from '@/api/time'
import { STAGES, counted, titled } from '@/api/words'
import { useInAddress } from '@/parts/address'
import ChannelLogos from '@/parts/ChannelLogos.vue'
import SignoffStrip from '@/parts/SignoffStrip.vue'
import KeysHelp from '@/parts/KeysHelp.vue'
import { useKeys } from '@/parts/keys'
import { walkRows } from '@/parts/rows'
import SeveralBar from '@/plan/bulk/SeveralBar.vue'
import { useChoices } from '@/plan/calendar/filter'
import { usePicking } from '@/plan/bulk/picking'
import DiscardedList from './DiscardedList.vue'
import NewPost from './NewPost.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'

const { id, workspace, workspaces, me } = useChosen()
const inStage = useInAddress('stage')
const stage = computed({
  get: () => (inStage.value in STAGES ? (inStage.value as Schemas['Stage']) : undefined),
  set: (value) => (inStage.value = value ?? ''),
})
const words = useInAddress('words')
const typed = ref(words.value)
const set = useInAddress('set')
watchDebounced(typed, (now) => (words.value = now), { debounce: 250 })
const inDiscarded = useInAddress('discarded')
const discarded = computed({
  get: () => inDiscarded.value !== '',
  set: (yes) => (inDiscarded.value = yes ? 'yes' : ''),
})
const everything = ref(false)
const { data: here } = useQuery({
  queryKey: ['channels', id],
  queryFn: () => ok(api.GET('/api/w/{workspace}/channels', { params: { path: { workspace: id.value! } } })),
  enabled: computed(() => !!id.value),
})
const sets = computed(() => (id.value ? (here.value?.sets ?? []) : []))
const channels = computed(() => sets.value.find((one) => one.id === set.value)?.channel_ids.join(',') || undefined)
const { data, error, isPending, hasNextPage, fetchNextPage, isFetchingNextPage } = useInfiniteQuery({
  queryKey: ['posts', id, stage, words, channels, everything],
  queryFn: ({ pageParam }) =>
    ok(
      api.GET('/api/posts', {
        params: {
          query: {
            workspace: id.value,
            stage: stage.value,
            before: pageParam,
            words: words.value || undefined,
            channels: channels.value,
            switched_off: everything.value ? undefined : ('hidden' as const),
          },
        },
      }),
    ),
  initialPageParam: undefined as string | undefined,
  getNextPageParam: (last) => last.next ?? undefined,
})
const off = computed(() => data.value?.pages[0]?.switched_off ?? 0)
const posts = computed(() => data.value?.pages.flatMap((page) => page.posts) ?? [])
const facts = computed(() => Object.fromEntries(workspaces.value.map((one) => [one.id, one])))
const names = computed(() => Object.fromEntries(workspaces.value.map((one) => [one.id, one.name])))
const stages = Object.entries(STAGES) as [Schemas['Stage'], string][]

// several at once
const { picked, pick, clear } = usePicking(id)
const { data: choices } = useChoices(id)
type Row = (typeof posts.value)[number]
const wallOf = (post: Row) => {
  const zone = facts.value[post.workspace_id]?.zone
  return post.at && zone ? wallAt(post.at, zone) : undefined
}
const turn = (post: Row) => pick(post.workspace_id, post.id, wallOf(post))
function turnHere() {
  const here = document.activeElement?.closest<HTMLElement>('[data-post]')?.dataset.post
  const post = posts.value.find((one) => one.id === here)
  if (post) turn(post)
}
const turnAll = () => posts.value.filter((post) => !picked.value.has(post.id)).forEach(turn)
const today = computed(() =>
  (me.value ? wallAt(me.value.now, workspace.value?.zone ?? me.value.zone) : '').slice(0, 10),
)

useKeys({ ArrowDown: () => walkRows(1), ArrowUp: () => walkRows(-1), X: turnHere, A: turnAll })
</script>

<template>
  <main class="posts">
    <div class="head">
      <h1>Posts</h1>
      <span class="quiet"
        >{{ workspace ? workspace.name : 'of all my clients'
        }}{{ discarded ? ': what was discarded' : ', newest first' }}</span
      >
      <span v-if="!discarded" class="filter">
        <label for="stage">Stage</label>
        <ChoiceField
          id="stage"
          v-model="stage"
          :options="[
            { value: undefined, label: 'every stage' },
            ...stages.map(([value, label]) => ({ value: value as typeof stage, label })),
          ]"
        />
      </span>
      <span v-if="sets.length > 0 && !discarded" class="filter">
        <label for="set">Set</label>
        <ChoiceField
          id="set"
          v-model="set"
          :options="[{ value: '', label: 'every channel' }, ...sets.map((one) => ({ value: one.id, label: one.name }))]"
        />
      </span>
      <label class="filter find"
        >Find
        <Input
          v-model:value="typed"
          type="search"
          placeholder="words in subject or copy"
          aria-label="Find posts by words"
      /></label>
      <span class="fill" />
      <button type="button" class="link-button" @click="discarded = !discarded">
        {{ discarded ? 'Back to the posts' : 'What was discarded' }}
      </button>
      <NewPost />
    </div>
    <DiscardedList v-if="discarded" :client="id" :words="words" :names="names" />
    <template v-else>
      <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
      <p v-if="off > 0 && !everything" class="quiet">
        {{ counted(off, 'channel is', 'channels are') }} switched off in your views.
        <button type="button" class="link-button" @click="everything = true">Show everything</button>
      </p>
      <ComingShape v-if="isPending" label="Fetching the posts" :lines="10" />
      <ul class="list" :class="{ one: workspace }" :aria-busy="isPending">
        <li
          v-for="post in posts"
          :key="post.id"
          :class="[`stage-${post.stage}`, { chosen: picked.has(post.id) }]"
          :data-post="post.id"
        >
          <Checkbox
            class="choose"
            :checked="picked.has(post.id)"
            :aria-label="`Choose ${titled(post.subject)}`"
            @change="turn(post)"
          />
          <router-link data-row :to="{ name: 'post', params: { workspace: post.workspace_id, post: post.id } }">
            <span class="stage">{{ STAGES[post.stage] }}</span>
            <b
              >{{ titled(post.subject)
              }}<span v-if="post.inner_name" class="quiet inner"> {{ post.inner_name }}</span></b
            >
            <span v-if="!workspace" class="quiet client">{{ facts[post.workspace_id]?.name }}</span>
            <ChannelLogos :channels="post.channels" />
            <SignoffStrip :strip="post.strip" :now="me?.now" />
            <span class="quiet when">{{
              post.at && facts[post.workspace_id] ? planned(post.at, facts[post.workspace_id]!.zone) : 'no time yet'
            }}</span>
          </router-link>
        </li>
        <li v-if="!isPending && posts.length === 0" class="none">
          {{
            words
              ? 'No post has these words.'
              : stage
                ? 'No post stands there now.'
                : 'No posts yet. Make the first one: write once, adapt for each channel, ask, release.'
          }}
        </li>
      </ul>
      <Button v-if="hasNextPage" :loading="isFetchingNextPage" @click="fetchNextPage()">Show older posts</Button>
    </template>
    <SeveralBar
      v-if="picked.size > 0"
      :chosen="picked"
      :labels="choices?.labels ?? []"
      :campaigns="choices?.campaigns ?? []"
      :people="choices?.people ?? []"
      :today="today"
      @clear="clear"
    />
    <KeysHelp
      :keys="[
        ['↓ ↑', 'next and previous row'],
        ['X', 'choose the row, for one thing with several'],
        ['A', 'choose all that are shown'],
        ['Enter', 'open'],
        ['N', 'new post'],
        ['/', 'find, or do'],
        ['C', 'choose a client by typing'],
      ]"
    />
  </main>
</template>

<style scoped>
.posts {
  padding: 14px 20px 40px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  margin-bottom: 12px;
}
h1 {
  font-size: 20px;
  font-weight: 750;
}
.fill {
  flex: 1;
}
.filter {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  color: var(--ink-2);
}
.list {
  border-top: 2px solid var(--ink);
  margin-bottom: 14px;
}
.list li {
  display: flex;
  align-items: center;
  border-bottom: 1px solid var(--rule);
}
.choose {
  flex: none;
  padding: 8px;
}
.chosen {
  background: var(--well);
}
.list a {
  flex: 1;
  min-width: 0;
  display: grid;
  grid-template-columns: 118px minmax(150px, 1fr) 160px 110px 112px 252px;
  gap: 12px;
  align-items: center;
  min-height: 40px;
  padding: 0 8px;
  text-decoration: none;
  border-left: 4px solid var(--stage);
}
.one a {
  grid-template-columns: 118px minmax(150px, 1fr) 160px 150px 180px;
}
.list a:hover {
  background: var(--sheet);
}
.list b {
  font-weight: 600;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.stage {
  color: var(--stage);
  font-weight: 600;
}
.when {
  text-align: right;
  white-space: nowrap;
}
.none {
  padding: 16px 8px;
  color: var(--ink-2);
}
@media (max-width: 900px) {
  .list a,
  .one a {
    grid-template-columns: minmax(0, 1fr) auto;
    padding: 8px;
    row-gap: 2px;
  }
  .list a > * {
    min-width: 0;
    flex-wrap: wrap;
    white-space: normal;
  }
}
</style>
