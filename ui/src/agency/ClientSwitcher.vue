<script setup lang="ts">
// Which client the page is about, with what waits in each.
import { computed, ref } from 'vue'
import ClientLogo from '@/parts/ClientLogo.vue'
import { useKeys } from '@/parts/keys'
import ClientList, { type Entry } from './ClientList.vue'
import { useChosen } from './me'
import { recentFirst } from './recent'
import { useWaits } from './waits'

const { workspace, workspaces, choose, me } = useChosen()
const { byClient, all } = useWaits()
const picking = ref(false)
const button = ref<HTMLButtonElement>()
const entries = computed<Entry[]>(() => [
  { name: 'All my clients', waits: all.value },
  ...recentFirst(workspaces.value).map((one) => ({ id: one.id, name: one.name, waits: byClient.value[one.id] ?? 0 })),
])
const facts = computed(() => Object.fromEntries(workspaces.value.map((one) => [one.id, one])))

function open() {
  button.value?.focus()
  picking.value = true
}
function picked(id: string | undefined) {
  picking.value = false
  button.value?.focus()
  choose(id)
}
useKeys({ C: open })
</script>

<template>
  <div class="picker">
    <button ref="button" type="button" class="client" :aria-expanded="picking" aria-haspopup="listbox" @click="open">
      <ClientLogo
        v-if="workspace"
        :id="workspace.id"
        :initials="workspace.initials"
        :edge="workspace.edge"
        :picture="workspace.picture"
        :size="18"
      />
      {{ workspace?.name ?? 'All my clients' }} <span v-if="!workspace" class="quiet">{{ workspaces.length }}</span>
    </button>
    <ClientList
      v-if="picking"
      name="clients"
      label="Choose a client by typing"
      :entries="entries"
      :facts="facts"
      @choose="picked"
      @leave="picking = false"
    >
      <router-link v-if="me?.sets_up" class="new" :to="{ name: 'new-client' }" @click="picking = false"
        >Set up a new client</router-link
      >
    </ClientList>
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
  border: 1px solid var(--edge);
  border-radius: 3px;
  font-weight: 600;
  cursor: pointer;
  white-space: nowrap;
}
.new {
  display: block;
  padding: 8px 10px;
  border-top: 1px solid var(--rule);
}
</style>
