<script setup lang="ts">
import { Button, Dropdown, Menu, MenuItem } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { initials } from '@/api/words'
import { listen, stopListening } from '@/live/live'
import { useKeys } from '@/parts/keys'
import { useChosen } from './me'
import { useDesk } from './desk'

const route = useRoute()
const router = useRouter()
const queries = useQueryClient()
const { workspace, workspaces, choose, me, id } = useChosen()
const { waiting } = useDesk(id)

// The masthead is there exactly while somebody is signed in, so it does the listening.
watch(
  workspaces,
  (mine) =>
    listen(
      mine.map((one) => one.id),
      queries,
    ),
  { immediate: true },
)

const sections = [
  { name: 'desk', label: 'Desk' },
  { name: 'posts', label: 'Posts' },
  { name: 'dispatch', label: 'Dispatch' },
] as const
const current = computed(() => (route.name === 'post' ? 'posts' : route.name))
const query = computed(() => (id.value ? { client: id.value } : {}))

// The client is picked by typing; arrows move, Enter chooses, Esc leaves.
const picking = ref(false)
const typed = ref('')
const at = ref(0)
const field = ref<HTMLInputElement>()
const found = computed(() => {
  const all = [{ id: undefined as string | undefined, name: 'All my clients', mark: '' }, ...workspaces.value.map((one) => ({ id: one.id as string | undefined, name: one.name, mark: one.mark }))]
  return all.filter((one) => one.name.toLowerCase().includes(typed.value.toLowerCase()))
})
function openPicker() {
  picking.value = true
  typed.value = ''
  at.value = 0
  void nextTick(() => field.value?.focus())
}
function move(step: number) {
  at.value = (at.value + step + found.value.length) % Math.max(found.value.length, 1)
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

async function signOut() {
  await fetch('/api/auth/logout', { method: 'POST', headers: { 'Content-Type': 'application/json', Accept: 'application/json' }, body: '{}' })
  stopListening()
  await router.push({ name: 'sign-in' })
  queries.clear()
}
</script>

<template>
  <header class="mast">
    <router-link :to="{ name: 'desk', query }" class="brand" :class="{ waits: waiting > 0 }" :aria-label="waiting > 0 ? `Ask First, ${waiting} wait for you` : 'Ask First, nothing waits for you'">
      Ask <span>First</span>
    </router-link>
    <div class="picker" @focusout="leave">
      <button type="button" class="client" :aria-expanded="picking" aria-haspopup="listbox" @click="openPicker">
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
          <li v-for="(one, index) in found" :id="`client-${index}`" :key="one.name" role="option" :aria-selected="index === at" @mousedown.prevent="pick(index)">
            {{ one.name }}
          </li>
          <li v-if="found.length === 0" class="none" role="option" aria-selected="false">No client of yours has that in its name.</li>
        </ul>
      </div>
    </div>
    <nav aria-label="Sections">
      <router-link v-for="one in sections" :key="one.name" :to="{ name: one.name, query }" :class="{ here: current === one.name }" :aria-current="current === one.name ? 'page' : undefined">
        {{ one.label }}
      </router-link>
    </nav>
    <span class="fill" />
    <Dropdown v-if="me" :trigger="['click']" placement="bottomRight">
      <Button shape="circle" class="face" :aria-label="`${initials(me.name)}, ${me.name}: sign out`">{{ initials(me.name) }}</Button>
      <template #overlay>
        <Menu>
          <MenuItem key="who" disabled>{{ me.name }}</MenuItem>
          <MenuItem key="out" @click="signOut">Sign out</MenuItem>
        </Menu>
      </template>
    </Dropdown>
  </header>
</template>

<style scoped>
.mast {
  position: sticky;
  top: 0;
  z-index: 20;
  display: flex;
  align-items: stretch;
  gap: 16px;
  height: 48px;
  padding: 0 16px;
  background: var(--sheet);
  border-bottom: 2px solid var(--ink);
}
.brand {
  align-self: center;
  font-weight: 750;
  font-size: 15px;
  text-decoration: none;
}
.brand span {
  border-bottom: 3px solid var(--ink);
}
.brand.waits span {
  border-color: transparent;
  background: linear-gradient(transparent 60%, var(--mark) 60%);
}
.picker {
  position: relative;
  align-self: center;
}
.client {
  height: 28px;
  padding: 0 10px;
  background: var(--sheet);
  border: 1px solid #9ba09d;
  border-radius: 3px;
  font-weight: 600;
  cursor: pointer;
}
.list {
  position: absolute;
  top: 34px;
  left: 0;
  width: 260px;
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
.list li {
  padding: 8px 10px;
  cursor: pointer;
}
.list li[aria-selected='true'] {
  background: var(--well);
  font-weight: 600;
}
.none {
  color: var(--ink-2);
}
nav {
  display: flex;
  gap: 4px;
}
nav a {
  display: flex;
  align-items: center;
  padding: 0 10px;
  text-decoration: none;
  color: var(--ink-2);
  border-bottom: 4px solid transparent;
  border-top: 4px solid transparent;
}
nav a.here {
  color: var(--ink);
  font-weight: 600;
  border-bottom-color: var(--ink);
}
.fill {
  flex: 1;
}
.face {
  align-self: center;
  background: var(--ink);
  color: #fff;
  font-weight: 600;
}
@media (max-width: 640px) {
  .mast {
    flex-wrap: wrap;
    height: auto;
    padding: 6px 12px 0;
    row-gap: 0;
  }
  nav {
    order: 5;
    width: 100%;
  }
  nav a {
    padding: 6px 10px;
  }
}
</style>
