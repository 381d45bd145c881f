<script setup lang="ts">
// One line that finds posts, clients, people, labels, campaigns and files by any word, and does what a page can.
import { Input, message } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useRouter, type RouteLocationRaw } from 'vue-router'
import { api, ok, sentence, unread } from '@/api/client'
import { begun } from '@/api/fresh'
import { LENGTHS } from '@/api/lengths'
import { STAGES, titled } from '@/api/words'
import DialogBox from '@/parts/DialogBox.vue'
import { later } from '@/parts/later'
import type { Chosen } from '@/plan/bulk/several'
import { commands, type Command } from './commands'
import { useChosen } from './me'

const SeveralDialog = later(() => import('@/plan/bulk/SeveralDialog.vue'))
const props = defineProps<{ /** what was typed before it was there */ early: string }>()
const emit = defineEmits<{ ready: []; close: [] }>()
const router = useRouter()
const queries = useQueryClient()
const { id, workspaces, me } = useChosen()
const typed = ref(props.early)
const asked = refDebounced(typed, 150)
const today = computed(() => me.value?.now.slice(0, 10) ?? new Date().toISOString().slice(0, 10))
const { data, error, isFetching } = useQuery({
  queryKey: computed(() => ['find', asked.value.trim()]),
  queryFn: () => ok(api.GET('/api/find', { params: { query: { words: asked.value.trim() } } })),
  enabled: computed(() => asked.value.trim().length > 1),
  placeholderData: (before: unknown) => before as never,
})
const names = computed(() => Object.fromEntries(workspaces.value.map((one) => [one.id, one.name])))

interface Line {
  key: string
  group: string
  words: string
  beside?: string
  run: () => void
}
const go = (to: RouteLocationRaw) => {
  emit('close')
  void router.push(to)
}
const found = computed<Line[]>(() => {
  const hits = asked.value.trim().length > 1 ? data.value : undefined
  if (!hits) return []
  const of = (workspace: string) => names.value[workspace]
  const line = (group: string, key: string, words: string, beside: string | undefined, to: RouteLocationRaw): Line => ({
    key: `${group} ${key}`,
    group,
    words,
    beside,
    run: () => go(to),
  })
  return [
    ...hits.posts.map((one) =>
      line('Posts', one.id, titled(one.subject), [of(one.workspace_id), STAGES[one.stage]].filter(Boolean).join(', '), {
        name: 'post',
        params: { workspace: one.workspace_id, post: one.id },
      }),
    ),
    ...hits.discarded.map((one) =>
      line('Discarded', one.id, titled(one.subject), of(one.workspace_id), {
        name: 'post',
        params: { workspace: one.workspace_id, post: one.id },
      }),
    ),
    ...hits.campaigns.map((one) =>
      line('Campaigns', one.id, one.name, of(one.workspace_id), {
        name: 'campaign',
        params: { workspace: one.workspace_id, campaign: one.id },
      }),
    ),
    ...hits.labels.map((one) =>
      line('Labels', one.id, one.name, of(one.workspace_id), {
        name: 'plan',
        query: { client: one.workspace_id, view: 'list', span: '90', day: today.value, labels: one.id },
      }),
    ),
    ...hits.people.map((one) =>
      line(
        'People',
        one.id,
        one.name,
        [of(one.workspace_id), one.side === 'client' ? 'client’s side' : ''].filter(Boolean).join(', '),
        {
          name: 'people',
          params: { workspace: one.workspace_id },
          query: { member: one.membership_id },
        },
      ),
    ),
    ...hits.media.map((one) =>
      line('Files', one.id, one.name, `in “${titled(one.subject)}”`, {
        name: 'post',
        params: { workspace: one.workspace_id, post: one.post_id },
      }),
    ),
  ]
})
const does = computed<Line[]>(() =>
  commands(typed.value, { today: today.value, clients: workspaces.value, client: id.value })
    .slice(0, 8)
    .map((one) => ({ key: one.key, group: 'Do', words: one.words, beside: one.beside, run: () => void act(one) })),
)
const lines = computed(() => [...does.value, ...found.value])
const field = ref<{ focus: () => void }>()
onMounted(async () => {
  // the dialog is laid out a moment later
  for (let tick = 0; tick < 5 && !field.value; tick += 1) await nextTick()
  field.value?.focus()
  typed.value = props.early
  emit('ready')
})
const at = ref(0)
watch(typed, () => (at.value = 0))
function move(step: number) {
  at.value = (at.value + step + lines.value.length) % Math.max(1, lines.value.length)
  void nextTick(() => document.getElementById(`found-${at.value}`)?.scrollIntoView({ block: 'nearest' }))
}

async function act(one: Command) {
  try {
    if (one.kind === 'go') go(one.to)
    else if (one.kind === 'post') await begin(one.client)
    else await release(one.day, one.client)
  } catch (problem) {
    void message.error(sentence(problem), 8)
  }
}
async function begin(client: string) {
  const sheet = await ok(api.GET('/api/w/{workspace}/new-posts', { params: { path: { workspace: client } } }))
  begun(sheet.id)
  queries.setQueryData(['post', sheet.id], sheet)
  go({ name: 'post', params: { workspace: sheet.workspace_id, post: sheet.id }, query: { new: '' } })
}
// what is cleared for that day, shown before it is released
const releasing = ref<Chosen>()
async function release(day: string, workspace?: string) {
  const { rows } = await ok(
    api.GET('/api/plan/list', { params: { query: { from: day, to: day, stages: 'cleared', workspace } } }),
  )
  if (rows.length === 0) return void message.info('Nothing that is cleared waits for that day.')
  releasing.value = new Map(rows.map((row) => [row.post_id, { workspace: row.workspace_id, wall: row.wall }]))
}
</script>

<template>
  <SeveralDialog
    v-if="releasing"
    kind="release"
    :chosen="releasing"
    :names="[]"
    :people="[]"
    :today="today"
    @close="emit('close')"
  />
  <DialogBox v-else title="Find or do" :width="600" @close="emit('close')">
    <Input
      ref="field"
      v-model:value="typed"
      role="combobox"
      aria-label="Find or do"
      aria-controls="found"
      :aria-expanded="lines.length > 0"
      :aria-activedescendant="lines.length > 0 ? `found-${at}` : undefined"
      placeholder="A word, “new post for …”, “october”, “release today’s”"
      :maxlength="LENGTHS.search"
      @keydown.down.prevent="move(1)"
      @keydown.up.prevent="move(-1)"
      @keydown.enter.prevent="lines[at]?.run()"
    />
    <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
    <ul id="found" role="listbox" aria-label="What was found" class="found">
      <li
        v-for="(line, index) in lines"
        :id="`found-${index}`"
        :key="line.key"
        role="option"
        :aria-selected="index === at"
        :class="{ first: line.group !== lines[index - 1]?.group }"
        @mousemove="at = index"
        @mousedown.prevent="line.run()"
      >
        <span class="group">{{ line.group !== lines[index - 1]?.group ? line.group : '' }}</span>
        <b dir="auto">{{ line.words }}</b>
        <span v-if="line.beside" class="quiet" dir="auto">{{ line.beside }}</span>
      </li>
    </ul>
    <p v-if="typed.trim().length > 1 && lines.length === 0" class="quiet none" role="status">
      {{ isFetching || asked !== typed ? 'Looking …' : 'Nothing here has that in it.' }}
    </p>
  </DialogBox>
</template>

<style scoped>
.found {
  max-height: 56vh;
  margin-top: 10px;
  overflow-y: auto;
}
.found li {
  display: grid;
  grid-template-columns: 84px minmax(0, auto) minmax(0, 1fr);
  gap: 10px;
  align-items: baseline;
  min-height: 30px;
  padding: 5px 6px;
  cursor: pointer;
}
.found li.first {
  border-top: 1px solid var(--rule);
}
.found li[aria-selected='true'] {
  background: var(--well);
  outline: 2px solid var(--ink);
  outline-offset: -2px;
}
.group {
  color: var(--ink-2);
  font-size: 12px;
}
b,
.quiet {
  overflow: hidden;
  font-weight: 600;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.quiet {
  font-weight: 450;
}
.none {
  margin-top: 10px;
}
</style>
