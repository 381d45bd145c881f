<script setup lang="ts">
// What is wrong with the sending and with connections, for those who can do something about it; of one kind in one
// line.
import { computed } from 'vue'
import { counted, few } from '@/api/words'
import type { Schemas } from '@/api/client'
import ChannelLogo from '@/parts/ChannelLogo.vue'

type Connection = Schemas['Desk']['connections'][number]
const props = defineProps<{
  alarm?: string | null
  desk: Pick<Schemas['Desk'], 'connections' | 'set_ups'>
  clients: Record<string, Pick<Schemas['MyClient'], 'name' | 'can'>>
}>()

const SETUP: Record<string, string> = { days: 'settings', route: 'route', channel: 'channels', people: 'people' }
const KINDS: Record<string, string> = {
  lapsed: 'connections have lapsed; nothing can go out there until they are connected again',
  soon: 'connections need somebody soon',
  rules: 'networks have rules that are not understood',
}
const may = (workspace: string, act: string) => props.clients[workspace]?.can[act]?.ok === true

const sends = computed(() => Object.keys(props.clients).some((one) => may(one, 'release') || may(one, 'hold')))
const kinds = computed(() => {
  const found = new Map<string, Connection[]>()
  for (const one of props.desk.connections)
    if (may(one.workspace_id, 'connect')) found.set(one.level, [...(found.get(one.level) ?? []), one])
  return [...found].map(([level, rows]) => ({ level, rows }))
})
const setUps = computed(() => props.desk.set_ups.filter((one) => may(one.workspace_id, 'change_settings')))
const planned = (one: Connection) =>
  one.planned > 0 ? ` ${counted(one.planned, 'post is', 'posts are')} planned there.` : ''
</script>

<template>
  <p v-if="alarm && sends" class="alarm" role="alert">{{ alarm }}</p>
  <template v-for="kind in kinds" :key="kind.level">
    <p v-if="kind.rows.length === 1" class="alarm" :class="kind.level" role="status">
      <ChannelLogo :network="kind.rows[0]!.network" :initials="kind.rows[0]!.initials" />
      <span
        >{{ clients[kind.rows[0]!.workspace_id]?.name }}, {{ kind.rows[0]!.name }}: {{ kind.rows[0]!.sentence
        }}{{ planned(kind.rows[0]!) }}</span
      >
      <router-link :to="{ name: 'channels', params: { workspace: kind.rows[0]!.workspace_id } }">Channels</router-link>
    </p>
    <details v-else class="alarm" :class="kind.level">
      <summary role="status">
        {{ kind.rows.length }} {{ KINDS[kind.level] ?? 'connections need somebody' }}:
        {{ few([...new Set(kind.rows.map((one) => clients[one.workspace_id]?.name ?? ''))], 'client', 'clients') }}
      </summary>
      <ul>
        <li v-for="one in kind.rows" :key="one.channel_id">
          <ChannelLogo :network="one.network" :initials="one.initials" />
          <span>{{ clients[one.workspace_id]?.name }}, {{ one.name }}: {{ one.sentence }}{{ planned(one) }}</span>
          <router-link :to="{ name: 'channels', params: { workspace: one.workspace_id } }">Channels</router-link>
        </li>
      </ul>
    </details>
  </template>
  <p v-if="setUps.length > 0" class="alarm set-up" role="status">
    <span>{{ setUps.length === 1 ? 'This set-up is' : 'These set-ups are' }} not done yet:</span>
    <router-link
      v-for="one in setUps"
      :key="one.workspace_id"
      :to="{ name: SETUP[one.step] ?? 'settings', params: { workspace: one.workspace_id } }"
      >Go on with {{ one.name }}</router-link
    >
  </p>
</template>

<style scoped>
.alarm {
  background: var(--sheet);
  border-left: 4px solid var(--trouble);
  padding: 8px 12px;
  margin-bottom: 12px;
  font-weight: 600;
}
p.alarm,
li {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
li {
  padding: 4px 0;
  font-weight: 450;
}
summary {
  cursor: pointer;
}
.soon,
.rules {
  border-left-color: var(--change);
  font-weight: 450;
}
.set-up {
  border-left-color: var(--ink-2);
  font-weight: 450;
}
</style>
