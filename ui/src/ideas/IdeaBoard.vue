<script setup lang="ts">
// Ideas in the groups of the house, moved by dragging or by Shift and arrows.
import { LENGTHS } from '@/api/lengths'
import { Dropdown, Input } from 'ant-design-vue'
import { nextTick, ref } from 'vue'
import type { Schemas } from '@/api/client'
import LinesMenu from '@/parts/LinesMenu.vue'
import { startDrag } from '@/plan/moving/drag'
import IdeaSlip from './IdeaSlip.vue'
import { step, type Group, type Idea } from './ideas'

const props = defineProps<{
  workspace: string
  groups: Group[]
  channels: Schemas['PlanChoices']['channels']
  shown?: string
  /** why nothing can be put in order here */
  off?: string
}>()
const emit = defineEmits<{
  show: [id: string]
  place: [idea: string, group: string | null, before: string | null]
  name: [name: string, group?: string]
  order: [groups: string[]]
  dissolve: [group: string]
  more: [group: Group]
}>()

// --- dragging: the places are the slips and the feet of the columns ---
const held = ref<string>()
const over = ref<string>()
const place = (group: Group, idea?: Idea) => `${group.id ?? ''}/${idea?.id ?? ''}`
function drag(event: PointerEvent, idea: Idea) {
  if (props.off) return
  startDrag(event, {
    pick: () => (held.value = idea.id),
    over: (at) => (over.value = at),
    drop: () => {
      const [group, before] = (over.value ?? '').split('/')
      if (over.value !== undefined && before !== idea.id) emit('place', idea.id, group || null, before || null)
      leave()
    },
    leave,
  })
}
function leave() {
  held.value = undefined
  over.value = undefined
}

// --- the same by keys ---
const STEPS = ['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight'] as const
function press(event: KeyboardEvent, idea: Idea) {
  const key = STEPS.find((one) => one === event.key)
  if (!key || props.off || event.ctrlKey || event.metaKey || event.altKey) return
  event.preventDefault()
  event.stopPropagation()
  if (!event.shiftKey) return walk(idea, key)
  const to = step(props.groups, idea.id, key)
  if (to) emit('place', idea.id, to.group, to.before)
  void nextTick(() => focus(idea.id))
}
const focus = (id: string) => document.querySelector<HTMLElement>(`[data-idea="${id}"]`)?.focus()
/** From slip to slip: within a column, or to the one at the same height beside it. */
function walk(idea: Idea, key: (typeof STEPS)[number]) {
  const column = props.groups.findIndex((one) => one.first.some((each) => each.id === idea.id))
  const row = props.groups[column]!.first.findIndex((one) => one.id === idea.id)
  if (key === 'ArrowUp' || key === 'ArrowDown') {
    const next = props.groups[column]!.first[row + (key === 'ArrowUp' ? -1 : 1)]
    return next && focus(next.id)
  }
  const way = key === 'ArrowLeft' ? -1 : 1
  for (let at = column + way; props.groups[at]; at += way) {
    const there = props.groups[at]!.first
    if (there.length > 0) return focus(there[Math.min(row, there.length - 1)]!.id)
  }
}

// --- groups ---
const naming = ref<string>() // a group's id; '' for a new one
const name = ref('')
function begin(group?: Group) {
  naming.value = group?.id ?? ''
  name.value = group?.name ?? ''
  void nextTick(() => document.querySelector<HTMLInputElement>('.naming input, input.naming')?.focus())
}
function keep() {
  const group = naming.value
  if (group === undefined) return
  naming.value = undefined
  const there = props.groups.find((one) => one.id === group)?.name
  if (name.value.trim() !== '' && name.value.trim() !== there) emit('name', name.value.trim(), group || undefined)
}
const own = () => props.groups.filter((one) => one.id !== null).map((one) => one.id!)
function choose(key: string, group: Group) {
  if (key === 'name') return begin(group)
  if (key === 'dissolve') return emit('dissolve', group.id!)
  const ids = own()
  const at = ids.indexOf(group.id!)
  const to = key === 'left' ? at - 1 : at + 1
  ids.splice(at, 1)
  ids.splice(to, 0, group.id!)
  emit('order', ids)
}
const lines = (group: Group) => {
  const at = own().indexOf(group.id!)
  return [
    { key: 'name', words: 'Call it something else' },
    ...(at > 0 ? [{ key: 'left', words: 'Further to the left' }] : []),
    ...(at < own().length - 1 ? [{ key: 'right', words: 'Further to the right' }] : []),
    { key: 'dissolve', words: 'Take the group away; its ideas stay' },
  ]
}
</script>

<template>
  <div class="board" role="group" aria-label="Ideas in groups">
    <section v-for="group in groups" :key="group.id ?? ''" class="column" :aria-label="group.name || 'Not in a group'">
      <h2>
        <Input
          v-if="naming !== undefined && naming === group.id"
          v-model:value="name"
          class="naming"
          size="small"
          :maxlength="LENGTHS.name"
          aria-label="Name of the group"
          @blur="keep"
          @press-enter="keep"
          @keydown.esc.stop="naming = undefined"
        />
        <template v-else>
          <span dir="auto">{{ group.name || 'Not in a group' }}</span> <span class="number">{{ group.ideas }}</span>
          <Dropdown v-if="group.id !== null && !off" :trigger="['click']">
            <button type="button" class="more" :aria-label="`What can be done with the group ${group.name}`">⋯</button>
            <template #overlay><LinesMenu :lines="lines(group)" @choose="choose($event, group)" /></template>
          </Dropdown>
        </template>
      </h2>
      <ul>
        <li
          v-for="idea in group.first"
          :key="idea.id"
          :data-place="place(group, idea)"
          :class="{ over: held && over === place(group, idea) }"
          @pointerdown="drag($event, idea)"
        >
          <IdeaSlip
            :workspace="workspace"
            :idea="idea"
            :channels="channels"
            :shown="shown === idea.id"
            :held="held === idea.id"
            @click="emit('show', idea.id)"
            @keydown="press($event, idea)"
          />
        </li>
      </ul>
      <p class="foot" :data-place="place(group)" :class="{ over: held && over === place(group) }">
        <button v-if="group.next" type="button" class="link-button" @click="emit('more', group)">
          {{ group.ideas - group.first.length }} more
        </button>
        <span v-else-if="group.first.length === 0" class="quiet">{{ held ? 'put it here' : 'empty' }}</span>
      </p>
    </section>
    <section v-if="!off" class="column new" aria-label="A new group">
      <Input
        v-if="naming === ''"
        v-model:value="name"
        class="naming"
        :maxlength="LENGTHS.name"
        placeholder="What belongs in it"
        aria-label="Name of the new group"
        @blur="keep"
        @press-enter="keep"
        @keydown.esc.stop="naming = undefined"
      />
      <button v-else type="button" class="link-button" @click="begin()">A new group</button>
    </section>
  </div>
</template>

<style scoped>
.board {
  display: flex;
  flex: 1;
  gap: 16px;
  align-items: flex-start;
  min-width: 0;
  padding-bottom: 16px;
  overflow-x: auto;
}
.column {
  flex: 1 0 232px;
  max-width: 320px;
  align-self: stretch;
}
.column.new {
  flex: 0 0 150px;
  padding-top: 8px;
}
h2 {
  display: flex;
  gap: 4px;
  align-items: center;
  min-height: 34px;
  margin-bottom: 8px;
  font-size: 14px;
  font-weight: 700;
  border-top: 2px solid var(--ink);
}
.more {
  min-width: 28px;
  min-height: 28px;
  margin-left: auto;
  border: 0;
  background: none;
  cursor: pointer;
}
ul {
  display: grid;
  gap: 6px;
}
li {
  border-top: 2px solid transparent;
}
li.over,
.foot.over {
  border-top: 2px solid var(--ink);
}
.foot {
  min-height: 48px;
  padding: 6px 2px;
  border-top: 2px solid transparent;
}
</style>
