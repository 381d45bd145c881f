<script setup lang="ts">
// People across clients, clients across people: one table, read either way.
import ListTable, { type Column } from '@/parts/ListTable.vue'
import { Button, Input, message } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, ok, sentence, unread, type Schemas } from '@/api/client'
import ClientLogo from '@/parts/ClientLogo.vue'
import PersonFace from '@/parts/PersonFace.vue'
import { calendarDay, longDay } from '@/api/time'

const queries = useQueryClient()
const { data, error } = useQuery({ queryKey: ['agency-people'], queryFn: () => ok(api.GET('/api/agency/people')) })
const words = ref('')
const clients = computed(() => data.value?.clients ?? [])
const open = computed(() => clients.value.filter((one) => one.state !== 'deleted'))
const people = computed(() => {
  const look = words.value.trim().toLowerCase()
  return (data.value?.people ?? []).filter(
    (one) => one.name.toLowerCase().includes(look) || one.places.some((place) => place.role.includes(look)),
  )
})
type Person = Schemas['AgencyPeople']['people'][number]
type Client = Schemas['AgencyPeople']['clients'][number]
const ofPeople = computed<Column<Person>[]>(() => [
  { key: 'person', title: 'Person', sort: (one, other) => one.name.localeCompare(other.name) },
  ...open.value.map((client) => ({ key: client.id, title: client.name })),
])
const ofClients: Column<Client>[] = [
  { key: 'name', title: 'Client', sort: (one, other) => one.name.localeCompare(other.name) },
  { key: 'leads', title: 'Leads' },
  { key: 'posts', title: 'Posts', sort: (one, other) => one.posts - other.posts },
  { key: 'zone', title: 'Zone', sort: (one, other) => one.zone.localeCompare(other.zone) },
  { key: 'invited', title: 'Invited' },
  { key: 'state', title: 'State', align: 'right' },
]
const place = (
  person: { places: { workspace_id: string; role: string; limited: boolean; membership_id: string }[] },
  client: string,
) => person.places.find((one) => one.workspace_id === client)
const names = computed(() => Object.fromEntries(clients.value.map((one) => [one.id, one.name])))
const STATES: Record<string, string> = { open: '', archived: 'archived', setting_up: 'in set-up', deleted: 'deleted' }
async function letIn(person: string) {
  try {
    await ok(api.DELETE('/api/agency/people/{person}/brake', { params: { path: { person } } }))
    void message.success('They can sign in at once.')
  } catch (problem) {
    void message.error(sentence(problem), 8)
  }
  await queries.invalidateQueries({ queryKey: ['agency-people'] })
}
async function restore(client: string) {
  try {
    await ok(api.POST('/api/agency/clients/{client}/restore', { params: { path: { client } } }))
    void message.success('Restored; it is archived until somebody takes it out.')
  } catch (problem) {
    void message.error(sentence(problem), 8)
  }
  await queries.invalidateQueries()
}
</script>

<template>
  <main class="page">
    <p v-if="error" role="alert">{{ unread(error) }}</p>
    <template v-if="data">
      <div class="page-head">
        <label class="find">Find <Input v-model:value="words" type="search" placeholder="a name or a role" /></label>
        <span class="quiet">{{ people.length }} people, {{ open.length }} clients</span>
        <span class="fill" />
        <router-link :to="{ name: 'new-client' }">Set up a new client</router-link>
      </div>
      <section v-for="one in data.twice" :key="one.account" class="block" role="status">
        {{ one.account }} is connected at {{ one.workspace_ids.map((id) => names[id]).join(' and ') }}. If that is not
        meant, archive the channel in one of them.
      </section>
      <ListTable
        :columns="ofPeople"
        :rows="people"
        row-key="id"
        label="People and clients"
        empty="Nobody of this name or role."
      >
        <template v-for="client in open" :key="client.id" #[`${client.id}-head`]>
          <router-link :to="{ name: 'people', params: { workspace: client.id } }" class="of-client"
            ><ClientLogo :id="client.id" :initials="client.initials" :edge="client.edge" />
            {{ client.name }}</router-link
          >
        </template>
        <template #person="{ row }">
          <span class="who"
            ><PersonFace :name="row.name" :side="row.side" />
            <span
              ><b>{{ row.name }}</b
              ><span class="quiet">{{
                row.owner ? 'owner' : row.away_until ? `away until ${calendarDay(row.away_until)}` : row.email
              }}</span>
              <span v-if="row.slowed" class="quiet"
                >many wrong passwords of late <Button size="small" @click="letIn(row.id)">Let them in</Button></span
              ></span
            ></span
          >
        </template>
        <template v-for="client in open" :key="client.id" #[client.id]="{ row }">
          <router-link
            v-if="place(row, client.id)"
            :to="{
              name: 'people',
              params: { workspace: client.id },
              query: { member: place(row, client.id)!.membership_id },
            }"
            :class="{ violet: row.side === 'client' }"
            >{{ place(row, client.id)!.role }}{{ place(row, client.id)!.limited ? ', some channels' : '' }}</router-link
          >
        </template>
      </ListTable>
      <h2 class="second">Clients</h2>
      <ListTable :columns="ofClients" :rows="clients" row-key="id" label="Clients" empty="No client yet.">
        <template #name="{ row }">
          <span class="who"
            ><ClientLogo :id="row.id" :initials="row.initials" :edge="row.edge" />
            <router-link v-if="row.state !== 'deleted'" :to="{ name: 'brand', params: { workspace: row.id } }">{{
              row.name
            }}</router-link>
            <b v-else>{{ row.name }}</b></span
          >
        </template>
        <template #leads="{ row }">{{ row.leads.join(', ') }}</template>
        <template #posts="{ row }">{{ row.posts }}</template>
        <template #zone="{ row }">{{ row.zone }}</template>
        <template #invited="{ row }">{{ data.pending[row.id] ?? '' }}</template>
        <template #state-head><span class="hidden">State</span></template>
        <template #state="{ row }">
          {{ STATES[row.state] }}
          <template v-if="row.gone_at"
            >, gone for good on {{ longDay(row.gone_at) }}
            <Button size="small" @click="restore(row.id)">Restore</Button></template
          >
        </template>
      </ListTable>
    </template>
  </main>
</template>

<style scoped>
.find {
  display: flex;
  gap: 8px;
  align-items: center;
}
.who,
.of-client {
  display: flex;
  gap: 8px;
  align-items: center;
}
.who b,
.who .quiet {
  display: block;
  line-height: 1.3;
}
.of-client {
  text-decoration: none;
  color: var(--ink);
}
.violet {
  color: var(--client);
}
.second {
  font-size: 15px;
  font-weight: 750;
  margin: 24px 0 6px;
}
</style>
