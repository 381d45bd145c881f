<script setup lang="ts">
// A client's ideas: found, put in order on a board or read in a list, each with what has become of it.
import { Button, Input, message, RadioButton, RadioGroup } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { useIntersectionObserver, watchDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useChosen } from '@/agency/me'
import { sentence, unread } from '@/api/client'
import MaterialBar from '@/media/library/MaterialBar.vue'
import ActButton from '@/parts/ActButton.vue'
import ClientLogo from '@/parts/ClientLogo.vue'
import ComingShape from '@/parts/ComingShape.vue'
import KeysHelp from '@/parts/KeysHelp.vue'
import { useInAddress, useTogetherInAddress } from '@/parts/address'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import { useKeys } from '@/parts/keys'
import { later } from '@/parts/later'
import { walkRows } from '@/parts/rows'
import { useChoices } from '@/plan/calendar/filter'
import IdeaBoard from './IdeaBoard.vue'
import IdeaList from './IdeaList.vue'
import IdeaPanel from './IdeaPanel.vue'
import {
  fetchMore,
  LOOKS,
  NARROWED,
  ORDERS,
  placed,
  useActs,
  useBoard,
  useIdeas,
  type Board,
  type Group,
  type Idea,
  type Look,
} from './ideas'

const IdeaCapture = later(() => import('./IdeaCapture.vue'))
const IdeaAddress = later(() => import('./IdeaAddress.vue'))
const queries = useQueryClient()
const { id, workspace, workspaces, choose, me } = useChosen()
const { values: narrowed, set: narrow } = useTogetherInAddress(NARROWED)
const shown = useInAddress('idea')
const typed = ref(narrowed.value.words)
watchDebounced(typed, (words) => narrow({ words }), { debounce: 250 })
const { data: board, error, isPending } = useBoard(id, narrowed)
const { data: choices } = useChoices(id)
const channels = computed(() => (choices.value?.channels ?? []).filter((one) => one.workspace_id === id.value))
const listed = computed(() => narrowed.value.view === 'list')
const { data: list, error: failed, hasNextPage, fetchNextPage, isFetchingNextPage } = useIdeas(id, narrowed, listed)
const ideas = computed(() => list.value?.pages.flatMap((page) => page.ideas) ?? [])
const acts = useActs(id)
const off = computed(() => (board.value?.can.order_ideas?.ok ? undefined : (board.value?.can.order_ideas?.why ?? '…')))

// what was fetched of groups beyond their first ideas, until the board is fetched again
const further = ref<Record<string, { ideas: Idea[]; next: string | null }>>({})
watch(board, () => (further.value = {}))
const groups = computed<Group[]>(() =>
  (board.value?.groups ?? []).map((one) => {
    const more = further.value[one.id ?? '']
    return more ? { ...one, first: [...one.first, ...more.ideas], next: more.next } : one
  }),
)
async function more(group: Group) {
  const key = group.id ?? ''
  const page = await told(() => fetchMore(id.value!, group, narrowed.value, group.next!))
  if (page)
    further.value = {
      ...further.value,
      [key]: { ideas: [...(further.value[key]?.ideas ?? []), ...page.ideas], next: page.next },
    }
}

async function told<T>(act: () => Promise<T>): Promise<T | undefined> {
  try {
    return await act()
  } catch (problem) {
    void message.error(sentence(problem), 9)
    return undefined
  }
}
function place(idea: string, group: string | null, before: string | null) {
  queries.setQueriesData<Board>({ queryKey: ['ideas', id.value, 'board'] }, (all) =>
    all ? placed(all, idea, group, before) : all,
  )
  void told(() => acts.place(idea, group, before))
}

const foot = ref<HTMLElement>()
useIntersectionObserver(
  foot,
  ([seen]) => seen?.isIntersecting && hasNextPage.value && !isFetchingNextPage.value && void fetchNextPage(),
  { rootMargin: '800px' },
)
const keeping = ref(false)
const addressing = ref(false)
useKeys({ J: () => walkRows(1), K: () => walkRows(-1) })
const counts = computed(() => board.value?.counts)
const looks = computed(() => [
  { value: '', label: `All${counts.value ? ` ${counts.value.all}` : ''}` },
  ...(Object.keys(LOOKS) as Look[])
    .filter((look) => look !== 'client' || board.value?.clients_give || (counts.value?.client ?? 0) > 0)
    .map((look) => ({ value: look as string, label: `${LOOKS[look]}${counts.value ? ` ${counts.value[look]}` : ''}` })),
])
</script>

<template>
  <MaterialBar>
    <ActButton v-if="id" type="primary" :may="board?.can.keep_idea" @click="keeping = true">Keep an idea</ActButton>
  </MaterialBar>
  <main class="ideas">
    <template v-if="!id">
      <p class="quiet">Ideas belong to one client each. Whose?</p>
      <ul class="whose">
        <li v-for="one in workspaces" :key="one.id">
          <button type="button" data-row @click="choose(one.id)">
            <ClientLogo v-bind="one" :size="20" /> {{ one.name }}
          </button>
        </li>
      </ul>
    </template>
    <template v-else>
      <div class="page-head">
        <Input
          v-model:value="typed"
          type="search"
          class="find"
          placeholder="words, keywords, audience"
          aria-label="Find ideas by words"
        />
        <ChoiceField
          id="ideas-look"
          label="Which"
          :model-value="narrowed.state"
          :options="looks"
          @update:model-value="narrow({ state: $event })"
        />
        <ChoiceField
          v-if="(board?.categories.length ?? 0) > 0"
          id="ideas-kind"
          label="Kind"
          :model-value="narrowed.category"
          :options="[
            { value: '', label: 'every kind' },
            ...board!.categories.map((one) => ({ value: one, label: one })),
          ]"
          @update:model-value="narrow({ category: $event })"
        />
        <RadioGroup
          :value="listed ? 'list' : 'board'"
          size="small"
          aria-label="View"
          @update:value="narrow({ view: $event === 'list' ? 'list' : '' })"
        >
          <RadioButton value="board">Board</RadioButton>
          <RadioButton value="list">List</RadioButton>
        </RadioGroup>
        <template v-if="listed">
          <label for="ideas-order" class="quiet">in order</label>
          <ChoiceField
            id="ideas-order"
            :model-value="narrowed.order || 'newest'"
            :options="Object.entries(ORDERS).map(([value, label]) => ({ value, label }))"
            @update:model-value="narrow({ order: $event === 'newest' ? '' : $event })"
          />
        </template>
        <span class="fill" />
        <button type="button" class="link-button" @click="addressing = true">Ideas by mail</button>
      </div>
      <p v-if="error || failed" role="alert" class="late">{{ unread(error ?? failed) }}</p>
      <div class="columns" :aria-busy="isPending">
        <ComingShape v-if="isPending" label="Fetching the ideas" :lines="8" />
        <template v-else-if="board">
          <div v-if="board.counts.all === 0 && !listed && groups.length === 1" class="none">
            <p>No idea yet. Keep one here by the button or the key E from any page, or mail it to your own address.</p>
            <Button @click="addressing = true">Ideas by mail</Button>
          </div>
          <IdeaBoard
            v-if="!listed"
            :workspace="id"
            :groups="groups"
            :channels="channels"
            :shown="shown || undefined"
            :off="off"
            @show="shown = shown === $event ? '' : $event"
            @place="place"
            @name="(name, group) => told(() => acts.name(name, group))"
            @order="told(() => acts.order($event))"
            @dissolve="told(() => acts.dissolve($event))"
            @more="more"
          />
          <section v-else class="listed" aria-label="Ideas">
            <IdeaList
              :ideas="ideas"
              :groups="groups"
              :channels="channels"
              :shown="shown || undefined"
              @show="shown = shown === $event ? '' : $event"
            />
            <p v-if="ideas.length === 0" class="quiet">Nothing is found like this.</p>
            <p ref="foot" class="quiet">{{ isFetchingNextPage ? 'More are coming …' : '' }}</p>
          </section>
        </template>
        <IdeaPanel
          v-if="shown && board && me"
          :key="shown"
          :workspace="id"
          :idea="shown"
          :groups="board.groups"
          :categories="board.categories"
          :channels="channels"
          :now="me.now"
          @close="shown = ''"
        />
      </div>
    </template>
    <KeysHelp
      :keys="[
        ['J K', 'next and previous idea'],
        ['↑ ↓ ← →', 'to the next idea, on the board'],
        ['Shift and arrows', 'move the idea, on the board'],
        ['E', 'keep an idea, from any page'],
      ]"
    />
    <IdeaCapture v-if="keeping" @close="keeping = false" @kept="(_, made) => (shown = made)" />
    <IdeaAddress v-if="addressing && id" :workspace="id" :client="workspace?.name ?? ''" @close="addressing = false" />
  </main>
</template>

<style scoped>
.ideas {
  padding: 14px 20px 40px;
}
.find {
  flex: 0 1 260px;
}
.columns {
  display: flex;
  gap: 18px;
  align-items: flex-start;
}
.listed {
  flex: 1;
  min-width: 0;
  overflow-x: auto;
}
.none {
  display: grid;
  flex: 0 1 320px;
  gap: 12px;
  justify-items: start;
  padding: 20px 8px;
  color: var(--ink-2);
}
.whose button {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 36px;
  border: 0;
  background: none;
  cursor: pointer;
}
</style>
