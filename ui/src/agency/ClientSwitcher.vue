<script setup lang="ts">
// The client is picked by typing: arrows move, Enter chooses, Esc leaves. Those chosen lately come first, with what waits.
import { useQuery } from '@tanstack/vue-query'
import { computed, nextTick, ref } from 'vue'
import { api, ok } from '@/api/client'
import { useKeys } from '@/parts/keys'
import ClientMark from '@/parts/ClientMark.vue'
import { useChosen } from './me'
import { recentFirst } from './recent'

const { workspace, workspaces, choose, me } = useChosen()
const picking = ref(false)
const typed = ref('')
const at = ref(0)
const field = ref<HTMLInputElement>()
const { data: waits } = useQuery({ queryKey: ['waits'], queryFn: () => ok(api.GET('/api/waits')), enabled: picking, staleTime: 0 })
const count = computed(() => Object.fromEntries((waits.value?.waits ?? []).map((one) => [one.workspace_id, one.waits])))
const all = computed(() => Object.values(count.value).reduce((sum, one) => sum + one, 0))

interface Entry {
  id?: string
  name: string
  waits: number
}
const found = computed<Entry[]>(() => {
  const words = typed.value.trim().toLowerCase()
  const mine = recentFirst(workspaces.value).map((one) => ({ id: one.id, name: one.name, waits: count.value[one.id] ?? 0 }))
  return [{ name: 'All my clients', waits: all.value }, ...mine].filter((one) => one.name.toLowerCase().includes(words))
})
const facts = computed(() => Object.fromEntries(workspaces.value.map((one) => [one.id, one])))

function openPicker() {
  picking.value = true
  typed.value = ''
  at.value = 0
  void nextTick(() => field.value?.focus())
}
function move(step: number) {
  at.value = (at.value + step + found.value.length) % Math.max(found.value.length, 1)
  void nextTick(() => document.getElementById(`client-${at.value}`)?.scrollIntoView({ block: 'nearest' }))
}
function pick(index: number) {
  const one = found.value[index]
  if (!one) return
  picking.value = false
  choose(one.id)
}
function leave(event: FocusEvent) {
  if (!(event.currentTarget as HTMLElement).contains(event.relatedTarget as Node | null)) picking.value = false
}
useKeys({ '/': openPicker })
</script>

<template>
  <div class="picker" @focusout="leave">
    <button type="button" class="client" :aria-expanded="picking" aria-haspopup="listbox" @click="openPicker">
      <ClientMark v-if="workspace" :id="workspace.id" :mark="workspace.mark" :edge="workspace.edge" :picture="workspace.picture" :size="18" />
      {{ workspace?.name ?? 'All my clients' }} <span v-if="!workspace" class="quiet">{{ workspaces.length }}</span>
    </button>
    <div v-if="picking" class="list">
      <input
        ref="field"
        v-model="typed"
        type="text"
        role="combobox"
        aria-label="Choose a client by typing"
        aria-controls="clients"
        :aria-expanded="true"
        :aria-activedescendant="`client-${at}`"
        placeholder="Type a client’s name"
        @keydown.down.prevent="move(1)"
        @keydown.up.prevent="move(-1)"
        @keydown.enter.prevent="pick(at)"
        @keydown.esc="picking = false"
        @input="at = 0"
      />
      <ul id="clients" role="listbox" aria-label="Clients">
        <li v-for="(one, index) in found" :id="`client-${index}`" :key="one.id ?? 'all'" role="option" :aria-selected="index === at" @mousedown.prevent="pick(index)">
          <ClientMark v-if="one.id && facts[one.id]" :id="one.id" :mark="facts[one.id]!.mark" :edge="facts[one.id]!.edge" :picture="facts[one.id]!.picture" />
          <span v-else class="all" aria-hidden="true" />
          <span class="name">{{ one.name }}</span>
          <span v-if="one.id && facts[one.id]?.archived" class="quiet">archived</span>
          <span v-else-if="one.id && facts[one.id]?.setup_step" class="quiet">in set-up</span>
          <b v-if="one.waits > 0" class="waits">{{ one.waits }} {{ one.waits === 1 ? 'waits' : 'wait' }}</b>
        </li>
        <li v-if="found.length === 0" class="none" role="option" aria-selected="false">No client of yours has that in its name.</li>
      </ul>
      <router-link v-if="me?.sets_up" class="new" :to="{ name: 'new-client' }" @click="picking = false">Set up a new client</router-link>
    </div>
  </div>
</template>

<style scoped>
.picker {
  position: relative;
  align-self: center;
}
.client {
  display: inline-flex;
  align-items: center;
  gap: 7px;
  height: 28px;
  padding: 0 10px;
  background: var(--sheet);
  border: 1px solid #9ba09d;
  border-radius: 3px;
  font-weight: 600;
  cursor: pointer;
  white-space: nowrap;
}
.list {
  position: absolute;
  top: 34px;
  left: 0;
  width: 320px;
  background: var(--sheet);
  border: 1px solid var(--ink);
  box-shadow: 0 6px 20px rgb(22 25 28 / 18%);
}
.list input {
  width: 100%;
  height: 34px;
  padding: 0 10px;
  border: 0;
  border-bottom: 1px solid var(--rule);
  font: inherit;
  outline: 0;
}
ul {
  max-height: 380px;
  overflow: auto;
}
li {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 7px 10px;
  cursor: pointer;
}
li[aria-selected='true'] {
  background: var(--well);
  font-weight: 600;
}
.name {
  flex: 1;
}
.all {
  width: 22px;
  height: 12px;
  border-top: 2px solid var(--ink);
  border-bottom: 2px solid var(--ink);
}
.waits {
  background: var(--mark);
  padding: 1px 6px;
  font-weight: 600;
}
.none {
  color: var(--ink-2);
}
.new {
  display: block;
  padding: 8px 10px;
  border-top: 1px solid var(--rule);
}
</style>
