<script setup lang="ts">
// People across clients, clients across people: one table, read either way.
import { Button, Input, message } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, ok, sentence, unread } from '@/api/client'
import ClientMark from '@/parts/ClientMark.vue'
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
      <div class="wide" tabindex="0" role="region" aria-label="People and clients">
        <table class="list" tabindex="0">
          <thead>
            <tr>
              <th scope="col">Person</th>
              <th v-for="client in open" :key="client.id" scope="col">
                <router-link :to="{ name: 'people', params: { workspace: client.id } }" class="of-client"
                  ><ClientMark :id="client.id" :mark="client.mark" :edge="client.edge" /> {{ client.name }}</router-link
                >
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="person in people" :key="person.id">
              <td>
                <span class="who"
                  ><PersonFace :name="person.name" :side="person.side" />
                  <span
                    ><b>{{ person.name }}</b
                    ><span class="quiet">{{
                      person.owner
                        ? 'owner'
                        : person.away_until
                          ? `away until ${calendarDay(person.away_until)}`
                          : person.email
                    }}</span>
                    <span v-if="person.slowed" class="quiet"
                      >many wrong passwords of late
                      <Button size="small" @click="letIn(person.id)">Let them in</Button></span
                    ></span
                  ></span
                >
              </td>
              <td v-for="client in open" :key="client.id">
                <router-link
                  v-if="place(person, client.id)"
                  :to="{
                    name: 'people',
                    params: { workspace: client.id },
                    query: { member: place(person, client.id)!.membership_id },
                  }"
                  :class="{ violet: person.side === 'client' }"
                  >{{ place(person, client.id)!.role
                  }}{{ place(person, client.id)!.limited ? ', some channels' : '' }}</router-link
                >
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <h2 class="second">Clients</h2>
      <table class="list" tabindex="0">
        <thead>
          <tr>
            <th scope="col">Client</th>
            <th scope="col">Leads</th>
            <th scope="col">Posts</th>
            <th scope="col">Zone</th>
            <th scope="col">Invited</th>
            <th scope="col"><span class="hidden">State</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="client in clients" :key="client.id">
            <td>
              <span class="who"
                ><ClientMark :id="client.id" :mark="client.mark" :edge="client.edge" />
                <router-link
                  v-if="client.state !== 'deleted'"
                  :to="{ name: 'brand', params: { workspace: client.id } }"
                  >{{ client.name }}</router-link
                >
                <b v-else>{{ client.name }}</b></span
              >
            </td>
            <td>{{ client.leads.join(', ') }}</td>
            <td>{{ client.posts }}</td>
            <td>{{ client.zone }}</td>
            <td>{{ data.pending[client.id] ?? '' }}</td>
            <td class="state">
              {{ STATES[client.state] }}
              <template v-if="client.gone_at"
                >, gone for good on {{ longDay(client.gone_at) }}
                <Button size="small" @click="restore(client.id)">Restore</Button></template
              >
            </td>
          </tr>
        </tbody>
      </table>
    </template>
  </main>
</template>

<style scoped>
.find {
  display: flex;
  gap: 8px;
  align-items: center;
}
.wide {
  overflow-x: auto;
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
th .of-client {
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
.state {
  text-align: right;
}
</style>
