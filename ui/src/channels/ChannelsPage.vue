<script setup lang="ts">
// A client's channels: how each connection is, in the order that everybody sees; sets; what can be added.
import { Button, Checkbox, message } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, nextTick, onMounted, ref } from 'vue'
import { api, ok, sentence, unread, type Schemas } from '@/api/client'
import ChannelLogo from '@/parts/ChannelLogo.vue'
import ListTable, { type Column } from '@/parts/ListTable.vue'
import AddChannel from './AddChannel.vue'
import ChannelSets from './ChannelSets.vue'
import ChannelSettings from './ChannelSettings.vue'
import { counted } from '@/api/words'

type Channel = Schemas['ClientChannels']['channels'][number]
const props = defineProps<{ workspace: string }>()
const queries = useQueryClient()
const path = { workspace: props.workspace }
const key = ['channels', props.workspace]
const { data, error } = useQuery({
  queryKey: key,
  queryFn: () => ok(api.GET('/api/w/{workspace}/channels', { params: { path } })),
})
const may = computed(() => data.value?.can.connect?.ok === true)
const adding = ref(false)
const changing = ref<Channel>()
const there = ref(false)
onMounted(() => (there.value = true))

async function act(run: () => Promise<unknown>, words?: string) {
  try {
    await run()
    if (words) void message.success(words)
  } catch (problem) {
    void message.error(sentence(problem), 9)
  }
  await queries.invalidateQueries({ queryKey: key })
}
async function connect(channel: Channel) {
  try {
    const begun = await ok(
      api.POST('/api/w/{workspace}/connect', {
        params: { path },
        body: { network_address: channel.network_address!, channel_id: channel.id },
      }),
    )
    location.assign(begun.address)
  } catch (problem) {
    void message.error(sentence(problem), 9)
  }
}
const withdraw = (channel: Channel) =>
  act(
    () =>
      ok(
        api.POST('/api/w/{workspace}/connections/{connection}/withdraw', {
          params: { path: { ...path, connection: channel.connection_id! } },
        }),
      ),
    'The consent is withdrawn; nothing goes out there until somebody connects again.',
  )
const archive = (channel: string, out: boolean) =>
  act(() =>
    ok(
      api.POST('/api/w/{workspace}/channels/{channel}/archive', {
        params: { path: { ...path, channel } },
        body: { out },
      }),
    ),
  )
const turn = (channel: Channel) =>
  act(() =>
    ok(
      api.PUT('/api/w/{workspace}/channels/{channel}/off', {
        params: { path: { ...path, channel: channel.id } },
        body: { off: !channel.off },
      }),
    ),
  )

async function move(index: number, step: number) {
  const order = data.value!.channels.map((one) => one.id)
  const to = index + step
  if (to < 0 || to >= order.length || !may.value) return
  order.splice(to, 0, order.splice(index, 1)[0]!)
  const before = data.value
  queries.setQueryData(key, { ...before, channels: order.map((id) => before!.channels.find((one) => one.id === id)) })
  await nextTick()
  document.querySelectorAll<HTMLElement>('[data-mover]')[to]?.focus()
  await act(() => ok(api.PUT('/api/w/{workspace}/channels-order', { params: { path }, body: { channel_ids: order } })))
}
const place = (channel: Channel) => data.value!.channels.indexOf(channel)
const COLUMNS: Column<Channel>[] = [
  { key: 'order', title: 'Order' },
  { key: 'channel', title: 'Channel' },
  { key: 'connection', title: 'Connection' },
  { key: 'planned', title: 'Planned' },
  { key: 'views', title: 'In my views' },
  { key: 'acts', title: 'What can be done', align: 'right' },
]
const STATES: Record<string, string> = {
  fine: 'connected',
  soon: 'soon over',
  rules: 'rules not understood',
  lapsed: 'lapsed',
  planned: 'not connected',
  offline: 'by hand',
}
function limits(one: Channel) {
  const { text, pictures, needed, kinds } = one.limits
  const shows = kinds.includes('picture')
  const needs = needed ? `needs a ${shows ? 'picture' : kinds.join(' or ')}` : ''
  const most = shows ? `at most ${counted(pictures ?? 0, 'picture', 'pictures')}` : ''
  return `${text == null ? '' : new Intl.NumberFormat('en-GB').format(text)} characters · ${[needs, most].filter(Boolean).join(', ')}`
}
</script>

<template>
  <main class="page">
    <Teleport v-if="there && data" to="#client-acts">
      <Button type="primary" :disabled="!may" :title="data.can.connect?.why" @click="adding = true"
        >Add a channel</Button
      >
    </Teleport>
    <p v-if="error" role="alert">{{ unread(error) }}</p>
    <div v-if="data" class="two">
      <div>
        <ListTable
          :columns="COLUMNS"
          :rows="data.channels"
          row-key="id"
          label="Channels"
          empty="No channel yet. Connect one, plan for one before it is connected, or add one that is published by hand."
        >
          <template #order-head><span class="hidden">Order</span></template>
          <template #order="{ row }">
            <span class="mover">
              <button
                type="button"
                class="grip"
                data-mover
                :disabled="!may"
                :title="may ? 'Arrow keys move it' : data.can.connect?.why"
                :aria-label="`Place ${place(row) + 1}, ${row.name}: arrow keys move it`"
                @keydown.up.prevent="move(place(row), -1)"
                @keydown.down.prevent="move(place(row), 1)"
              >
                {{ place(row) + 1 }}
              </button>
              <span v-if="may" class="steps" aria-hidden="true"
                ><button type="button" tabindex="-1" :disabled="place(row) === 0" @click="move(place(row), -1)">
                  ↑</button
                ><button
                  type="button"
                  tabindex="-1"
                  :disabled="place(row) === data.channels.length - 1"
                  @click="move(place(row), 1)"
                >
                  ↓
                </button></span
              >
            </span>
          </template>
          <template #channel="{ row }">
            <span class="channel"
              ><span class="shape"><ChannelLogo :network="row.network" :initials="row.initials" /></span
              ><span
                ><b>{{ row.name }}</b
                ><span class="quiet"
                  >{{ row.network === 'Offline' ? 'offline' : row.network }} · {{ limits(row) }}</span
                ></span
              ></span
            >
          </template>
          <template #connection="{ row }">
            <span class="connection">
              <b class="state" :class="row.level">{{ STATES[row.level] ?? row.level }}</b>
              <span class="quiet">{{ row.sentence }}</span>
            </span>
          </template>
          <template #planned="{ row }">
            {{ row.planned
            }}<span v-if="row.waiting > 0 && row.level !== 'fine'" class="quiet"
              >, {{ row.waiting }} cleared and waiting</span
            >
          </template>
          <template #views="{ row }">
            <Checkbox :checked="!row.off" @change="turn(row)">{{ row.off ? 'off' : 'on' }}</Checkbox>
          </template>
          <template #acts-head><span class="hidden">What can be done</span></template>
          <template #acts="{ row }">
            <span class="acts-cell">
              <Button
                v-if="['lapsed', 'planned', 'soon'].includes(row.level) && row.network_address"
                size="small"
                :type="row.level === 'lapsed' ? 'primary' : 'default'"
                :disabled="!may"
                @click="connect(row)"
                >{{ row.level === 'planned' ? 'Connect' : 'Connect again' }}</Button
              >
              <Button size="small" :disabled="!may" :title="data.can.connect?.why" @click="changing = row"
                >Change …</Button
              >
            </span>
          </template>
        </ListTable>
        <details v-if="data.archived.length > 0">
          <summary>{{ data.archived.length }} archived</summary>
          <ul>
            <li v-for="one in data.archived" :key="one.id">
              <ChannelLogo :network="one.network" :initials="one.initials" /> {{ one.name }}
              <Button size="small" :disabled="!may" @click="archive(one.id, true)">Unarchive</Button>
            </li>
          </ul>
        </details>
      </div>
      <ChannelSets :workspace="workspace" :here="data" />
    </div>
    <AddChannel v-if="data && adding" :workspace="workspace" :here="data" @close="adding = false" />
    <ChannelSettings
      v-if="changing"
      :key="changing.id"
      :workspace="workspace"
      :channel="changing"
      @close="changing = undefined"
      @archive="archive(changing!.id, false)"
      @withdraw="withdraw(changing!)"
    />
  </main>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 280px;
  gap: 24px;
  align-items: start;
}
.channel {
  display: flex;
  gap: 9px;
  align-items: center;
}
/* the marks differ in width; the names stand in one line */
.shape {
  display: grid;
  flex: 0 0 26px;
  place-items: center;
}
.channel b,
.channel .quiet,
.connection b,
.connection .quiet {
  display: block;
}
.connection {
  display: block;
  max-width: 280px;
}
.state.fine {
  color: var(--cleared);
}
.state.lapsed {
  color: var(--trouble);
}
.mover {
  white-space: nowrap;
}
.grip {
  width: 24px;
  height: 24px;
  border: 1px solid var(--rule);
  border-radius: 3px;
  background: var(--sheet);
}
.steps button {
  width: 14px;
  height: 24px;
  padding: 0;
  border: 0;
  background: none;
  cursor: pointer;
  color: var(--ink-2);
}
.steps button:disabled {
  visibility: hidden;
}
.acts-cell {
  text-align: right;
  white-space: nowrap;
}
.acts-cell > * {
  margin-left: 6px;
}
details {
  margin-top: 14px;
}
details li {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 5px 0;
}
@media (max-width: 1100px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
