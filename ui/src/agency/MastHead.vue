<script setup lang="ts">
import OnTheWay from '@/parts/OnTheWay.vue'
import { Button, Dropdown } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ok } from '@/api/client'
import { initials } from '@/api/words'
import { listen, stopListening } from '@/live/live'
import ClientSwitcher from './ClientSwitcher.vue'
import { useChosen } from './me'
import { startAnew } from './signIn'
import { useWaits } from './waits'
import { keysOn, opening, useKeys } from '@/parts/keys'
import { later } from '@/parts/later'

const IdeaCapture = later(() => import('@/ideas/IdeaCapture.vue'))
const FindBox = later(() => import('./FindBox.vue'))
const NoticesPanel = later(() => import('./NoticesPanel.vue'))
const LinesMenu = later(() => import('@/parts/LinesMenu.vue'))

const route = useRoute()
const router = useRouter()
const queries = useQueryClient()
const { workspace, workspaces, me, id } = useChosen()
const { here: waiting, notices } = useWaits(id)
const telling = ref(false)

// The masthead is there exactly while somebody is signed in, so it does the listening.
watch(workspaces, (mine) => listen(mine, queries), { immediate: true })

// whoever looks as a client's person sees what that person sees, and that is one page
const asClient = computed(() => me.value?.looking_as?.side === 'client')
watch(
  [asClient, () => route.name],
  ([looks, name]) => looks && name !== 'as-client' && void router.replace({ name: 'as-client' }),
  { immediate: true },
)

// whoever works for no agency here has one page: the plan of their firm
const theirs = computed(() =>
  me.value && !me.value.looking_as && workspaces.value.length === 0
    ? me.value.workspaces.find((one) => one.side === 'client')?.id
    : undefined,
)
watch(
  [theirs, () => route.name],
  ([firm, name]) =>
    firm && !['client-plan', 'client-figures', 'profile'].includes(String(name))
      ? void router.replace({ name: 'client-plan', params: { workspace: firm } })
      : undefined,
  { immediate: true },
)
const inHouse = computed(() => !asClient.value && !theirs.value)

const sections = [
  { name: 'desk', label: 'Desk' },
  { name: 'plan', label: 'Plan' },
  { name: 'posts', label: 'Posts' },
  { name: 'material', label: 'Material' },
  { name: 'dispatch', label: 'Dispatch' },
] as const
const current = computed(() => (route.name === 'post' ? 'posts' : (route.meta.section ?? route.name)))
const query = computed(() => (id.value ? { client: id.value } : {}))

async function signOut() {
  await fetch('/api/auth/logout', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', Accept: 'application/json' },
    body: '{}',
  })
  stopListening()
  await router.push({ name: 'sign-in' })
  startAnew(queries)
}
async function stopLooking() {
  const back = me.value?.looking_as?.workspace_id
  await ok(api.DELETE('/api/look-as'))
  await queries.resetQueries()
  await router.push(back ? { name: 'people', params: { workspace: back } } : { name: 'desk' })
}

const finding = ref(false)
const thinking = ref(false)
useKeys({ '/': () => inHouse.value && find(), E: opening(() => inHouse.value && (thinking.value = true)) })
// what is typed while the line is on its way belongs into it, and is no key of the page
const early = ref('')
function find() {
  early.value = ''
  finding.value = true
  window.addEventListener('keydown', gather, { capture: true })
}
function gather(event: KeyboardEvent) {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  event.stopPropagation()
  if (event.key === 'Escape') close()
  if (event.key === 'Backspace') early.value = early.value.slice(0, -1)
  if (event.key.length !== 1) return
  event.preventDefault()
  early.value += event.key
}
const ready = () => window.removeEventListener('keydown', gather, { capture: true })
function close() {
  ready()
  finding.value = false
}

const mine = computed(() => [
  { key: 'profile', words: `${me.value?.name}: my profile` },
  ...(inHouse.value ? [{ key: 'idea', words: 'Keep an idea' }] : []),
  ...(me.value?.sets_up ? [{ key: 'new-client', words: 'Set up a client' }] : []),
  { key: 'out', words: 'Sign out' },
])
function go(key: string) {
  if (key === 'out') void signOut()
  else if (key === 'idea') thinking.value = true
  else void router.push({ name: key })
}
</script>

<template>
  <div class="top">
    <header class="mast">
      <router-link
        :to="{ name: 'desk', query }"
        class="brand"
        :class="{ waits: waiting > 0 }"
        :aria-label="waiting > 0 ? `Ask First, ${waiting} wait for you` : 'Ask First, nothing waits for you'"
      >
        Ask <span>First</span>
      </router-link>
      <ClientSwitcher v-if="inHouse" />
      <nav v-if="inHouse" aria-label="Sections">
        <router-link
          v-for="one in sections"
          :key="one.name"
          :to="{ name: one.name, query }"
          :class="{ here: current === one.name }"
          :aria-current="current === one.name ? 'page' : undefined"
        >
          {{ one.label }}
        </router-link>
        <router-link
          v-if="workspace"
          :to="{ name: 'brand', params: { workspace: workspace.id } }"
          :class="{ here: current === 'client' }"
          :aria-current="current === 'client' ? 'page' : undefined"
        >
          Client
        </router-link>
        <router-link
          v-if="me?.owner"
          :to="{ name: 'agency-people' }"
          :class="{ here: current === 'agency' }"
          :aria-current="current === 'agency' ? 'page' : undefined"
        >
          Agency
        </router-link>
      </nav>
      <span class="fill" />
      <button v-if="me && inHouse" type="button" class="find" @click="find">
        Find<span class="long"> or do</span> <kbd v-if="keysOn()">/</kbd>
      </button>
      <button
        v-if="me && inHouse"
        type="button"
        class="notices"
        :class="{ fresh: notices > 0 }"
        @click="telling = true"
      >
        Notices <span v-if="notices > 0">{{ notices }}</span>
      </button>
      <Dropdown v-if="me" :trigger="['click']" placement="bottomRight">
        <Button shape="circle" class="face" :aria-label="`${initials(me.name)}, ${me.name}: profile and sign out`">
          <img v-if="me.picture" :src="`/api/people/${me.id}/picture`" alt="" />
          <template v-else>{{ initials(me.name) }}</template>
        </Button>
        <template #overlay>
          <LinesMenu :lines="mine" @choose="go" />
        </template>
      </Dropdown>
    </header>
    <p v-if="me?.looking_as" class="looking" role="status">
      <span
        >You are looking at <b>{{ me.workspaces[0]?.name }}</b> as <b>{{ me.looking_as.name }}</b> ({{
          me.looking_as.role
        }}) sees it. Nothing can be changed like this; that you looked is on record.</span
      >
      <button type="button" class="link-button" @click="stopLooking">Stop looking</button>
    </p>
    <p v-else-if="workspace?.archived" class="looking" role="status">
      {{ workspace.name }} is archived: it can be read, and nothing goes out.
    </p>
    <OnTheWay />
    <NoticesPanel v-if="telling" @close="telling = false" />
    <IdeaCapture v-if="thinking" @close="thinking = false" />
    <FindBox v-if="finding" :early="early" @ready="ready" @close="close" />
  </div>
</template>

<style scoped>
.top {
  position: sticky;
  top: 0;
  z-index: 20;
}
.mast {
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
  white-space: nowrap;
}
.brand span {
  border-bottom: 3px solid var(--ink);
}
.brand.waits span {
  border-color: transparent;
  background: linear-gradient(transparent 60%, var(--mark) 60%);
}
nav {
  display: flex;
  gap: 4px;
}
.notices {
  align-self: center;
  min-height: 28px;
  padding: 0 4px;
  border: 0;
  background: none;
  color: var(--ink-2);
  white-space: nowrap;
  cursor: pointer;
}
.notices.fresh {
  color: var(--ink);
  font-weight: 600;
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
.find {
  align-self: center;
  min-height: 28px;
  padding: 0 10px;
  background: var(--sheet);
  border: 1px solid var(--edge);
  border-radius: 3px;
  color: var(--ink-2);
  cursor: pointer;
  white-space: nowrap;
}
kbd {
  font: 600 12px/1 var(--sans);
  border: 1px solid currentcolor;
  border-radius: 3px;
  padding: 1px 4px;
  margin-left: 4px;
}
.face {
  align-self: center;
  background: var(--ink);
  color: var(--sheet);
  font-weight: 600;
  overflow: hidden;
}
.face img {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  object-fit: cover;
}
.looking {
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 4px 16px;
  background: var(--ink);
  color: var(--sheet);
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
    overflow-x: auto;
  }
  nav a {
    padding: 6px 10px;
  }
  .long,
  kbd {
    display: none;
  }
}
</style>
