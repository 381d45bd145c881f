<script setup lang="ts">
// Roles: presets and the agency's own, each a named set of abilities; two owners at once lose nothing.
import { Button, Checkbox, Input, Radio, RadioGroup, message } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, isProblem, ok, unread, type Schemas } from '@/api/client'
import FormField from '@/parts/FormField.vue'
import ShareSquare from '@/parts/ShareSquare.vue'
import SidePanel from '@/parts/SidePanel.vue'
import { useProblem } from '@/parts/problem'
import { LENGTHS } from '@/api/lengths'
import { counted } from '@/api/words'

type Role = Schemas['Roles']['roles'][number]
const queries = useQueryClient()
const { data, error } = useQuery({ queryKey: ['roles'], queryFn: () => ok(api.GET('/api/agency/roles')) })
const groups = ['see', 'write', 'answer', 'work', 'run', 'govern'] as const
const editing = ref<{
  id?: string
  name: string
  side: 'agency' | 'client'
  abilities: string[]
  version: number
  preset: boolean
  shipped?: string[] | null
  held: number
  base: string[]
}>()
const theirs = ref<{ name: string; abilities: string[]; by: string }>()
const { busy, at, beside, run, error: refused, clear } = useProblem()
const words = computed(() =>
  Object.fromEntries(
    (data.value?.groups ?? []).flatMap((group) =>
      [...group.agency, ...group.client].map((one) => [one.ability, one.words]),
    ),
  ),
)
const sentences = computed(() =>
  (data.value?.groups ?? [])
    .map((group) => ({ name: group.name, abilities: editing.value?.side === 'client' ? group.client : group.agency }))
    .filter((group) => group.abilities.length > 0),
)

function edit(role: Role) {
  clear()
  theirs.value = undefined
  editing.value = {
    id: role.id,
    name: role.name,
    side: role.side as 'agency' | 'client',
    abilities: [...role.abilities],
    version: role.version,
    preset: role.preset,
    shipped: role.shipped,
    held: role.held,
    base: [...role.abilities],
  }
}
function make(from?: Role) {
  clear()
  theirs.value = undefined
  editing.value = {
    name: from ? `${from.name}, our own` : '',
    side: (from?.side as 'agency' | 'client') ?? 'agency',
    abilities: [...(from?.abilities ?? [])],
    version: 0,
    preset: false,
    held: 0,
    base: [],
  }
}
function toggle(ability: string) {
  const role = editing.value!
  role.abilities = role.abilities.includes(ability)
    ? role.abilities.filter((one) => one !== ability)
    : [...role.abilities, ability]
}
async function save() {
  const role = editing.value!
  const done = await run(async () => {
    if (role.id)
      await ok(
        api.PUT('/api/agency/roles/{role}', {
          params: { path: { role: role.id }, header: { 'If-Match': `"${role.version}"` } },
          body: { name: role.name, abilities: role.abilities },
        }),
      )
    else
      await ok(api.POST('/api/agency/roles', { body: { name: role.name, side: role.side, abilities: role.abilities } }))
    return true
  })
  if (done) {
    void message.success('The role stands from now on.')
    editing.value = undefined
    theirs.value = undefined
    await queries.invalidateQueries()
  } else if (isProblem(refused.value) && refused.value.problem.code === 'role_changed') {
    const facts = refused.value.problem.facts as {
      theirs: { name: string; abilities: string[] }
      version: number
      by: string
    }
    theirs.value = { ...facts.theirs, by: facts.by }
    role.version = facts.version
    void queries.invalidateQueries({ queryKey: ['roles'] })
  }
}
function takeTheirs() {
  editing.value!.abilities = [...theirs.value!.abilities]
  editing.value!.base = [...theirs.value!.abilities]
  theirs.value = undefined
  clear()
}
const given = computed(() => theirs.value?.abilities.filter((one) => !editing.value!.base.includes(one)) ?? [])
const taken = computed(
  () => editing.value?.base.filter((one) => theirs.value && !theirs.value.abilities.includes(one)) ?? [],
)
async function drop() {
  const done = await run(async () => {
    await ok(api.DELETE('/api/agency/roles/{role}', { params: { path: { role: editing.value!.id! } } }))
    return true
  })
  if (!done) return
  editing.value = undefined
  await queries.invalidateQueries({ queryKey: ['roles'] })
}
</script>

<template>
  <div class="roles">
    <main class="page">
      <p v-if="error" role="alert">{{ unread(error) }}</p>
      <table v-if="data" class="list" tabindex="0">
        <template v-for="side in ['agency', 'client']" :key="side">
          <thead>
            <tr>
              <th scope="col">{{ side === 'agency' ? 'Agency side' : 'Client side' }}</th>
              <th v-for="one in groups" :key="one" scope="col" class="square">{{ one }}</th>
              <th scope="col"><span class="hidden">How many</span></th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="role in data.roles.filter((one) => one.side === side)"
              :key="role.id"
              :class="{ chosen: editing?.id === role.id }"
            >
              <td>
                <button type="button" class="link-button" @click="edit(role)">{{ role.name }}</button>
                <span class="quiet own">{{
                  role.preset
                    ? role.shipped && role.shipped.length !== role.abilities.length
                      ? 'preset, changed'
                      : ''
                    : 'our own'
                }}</span>
              </td>
              <td v-for="name in groups" :key="name" class="square">
                <ShareSquare :share="role.shares[name] ?? 'none'" :group="name" />
              </td>
              <td class="quiet right">
                {{ role.held === 0 ? 'nobody' : `${counted(role.held, 'place', 'places')}` }}
              </td>
            </tr>
          </tbody>
        </template>
      </table>
      <div class="acts"><Button @click="make()">New role</Button></div>
    </main>
    <SidePanel v-if="editing && data" label="The role" :width="420" @close="editing = undefined">
      <form @submit.prevent="save">
        <FormField
          id="role-name"
          label="Name"
          :wrong="at('name')"
          :hint="editing.preset ? 'Roles that ship keep their names.' : undefined"
          ><Input id="role-name" v-model:value="editing.name" :maxlength="LENGTHS.name" :disabled="editing.preset"
        /></FormField>
        <div v-if="!editing.id" class="sides">
          <RadioGroup v-model:value="editing.side" aria-label="Side" @change="editing.abilities = []">
            <Radio value="agency">agency side</Radio>
            <Radio value="client">client side</Radio>
          </RadioGroup>
        </div>
        <fieldset v-for="group in sentences" :key="group.name">
          <legend>{{ group.name }}</legend>
          <Checkbox
            v-for="one in group.abilities"
            :key="one.ability"
            :checked="editing.abilities.includes(one.ability)"
            @change="toggle(one.ability)"
            >{{ one.words }}</Checkbox
          >
        </fieldset>
        <p v-if="editing.side === 'client'" class="quiet">
          No role lifts the client side above this: never drafts that were not shared, house talk, or other clients.
        </p>
        <div v-if="theirs" class="clash" role="alert">
          <b>{{ theirs.by }} changed this role meanwhile.</b>
          <p v-for="one in given" :key="one">They gave it: {{ words[one] }}</p>
          <p v-for="one in taken" :key="one">They took from it: {{ words[one] }}</p>
          <p>What you ticked is kept.</p>
          <div class="acts">
            <Button type="primary" size="small" @click="save">Keep mine</Button
            ><Button size="small" @click="takeTheirs">Use theirs</Button>
          </div>
        </div>
        <p
          v-else-if="at('abilities') ?? at('role') ?? beside(['name', 'abilities', 'role'])"
          class="wrong"
          role="alert"
        >
          {{ at('abilities') ?? at('role') ?? beside(['name', 'abilities', 'role']) }}
        </p>
        <p v-if="editing.held > 0" class="quiet">
          {{ counted(editing.held, 'place has', 'places have') }} this role; a change counts for them at once.
        </p>
        <div class="acts">
          <Button v-if="!theirs" type="primary" html-type="submit" :loading="busy">Save the role</Button>
          <Button v-if="editing.id" @click="make(data.roles.find((one) => one.id === editing!.id))"
            >Copy the role</Button
          >
          <Button v-if="editing.id && !editing.preset" danger @click="drop">Remove</Button>
          <Button @click="editing = undefined">Cancel</Button>
        </div>
      </form>
    </SidePanel>
  </div>
</template>

<style scoped>
.own {
  margin-left: 8px;
}
.roles {
  display: flex;
  align-items: flex-start;
}
.page {
  flex: 1;
  min-width: 0;
}
thead:not(:first-of-type) th {
  padding-top: 18px;
}
.square {
  width: 60px;
  text-align: center;
}
.right {
  text-align: right;
}
.chosen td {
  background: var(--sheet);
}
fieldset {
  border: 0;
  padding: 0;
  margin: 8px 0;
}
legend {
  font-weight: 600;
  padding: 0;
}
.sides {
  display: flex;
  gap: 16px;
}
.clash {
  border-left: 4px solid var(--change);
  padding: 6px 10px;
}
</style>
