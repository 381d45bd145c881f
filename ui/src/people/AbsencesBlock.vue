<script setup lang="ts">
// Planned absences, with somebody who stands in at each client.
import { Button } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, ok, type Schemas } from '@/api/client'
import FormField from '@/parts/FormField.vue'
import { useProblem } from '@/parts/problem'
import { calendarDay } from '@/api/time'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import DayField from '@/parts/fields/DayField.vue'

const props = defineProps<{ profile: Schemas['Profile'] }>()
const queries = useQueryClient()
const from = ref('')
const until = ref('')
const standIns = ref<Record<string, string>>({})
const { busy, at, beside, run } = useProblem()

async function plan() {
  const stand_ins = Object.entries(standIns.value).flatMap(([workspace_id, person_id]) =>
    person_id ? [{ workspace_id, person_id }] : [],
  )
  const done = await run(() =>
    ok(api.POST('/api/profile/absences', { body: { from: from.value, until: until.value, stand_ins } })),
  )
  if (!done) return
  from.value = until.value = ''
  standIns.value = {}
  void queries.invalidateQueries({ queryKey: ['profile'] })
}
async function drop(absence: string) {
  await run(() => ok(api.DELETE('/api/profile/absences/{absence}', { params: { path: { absence } } })))
  void queries.invalidateQueries({ queryKey: ['profile'] })
}
function who(workspace: string, person: string) {
  const client = props.profile.clients.find((one) => one.id === workspace)
  return `${client?.people.find((one) => one.id === person)?.name ?? 'somebody'} at ${client?.name ?? 'a client'}`
}
</script>

<template>
  <section class="block" aria-label="Absences">
    <h2>When I am away</h2>
    <ul>
      <li v-for="one in profile.absences" :key="one.id">
        <b>{{ calendarDay(one.from, { weekday: true }) }} to {{ calendarDay(one.until, { weekday: true }) }}</b>
        <span class="quiet">{{
          one.stand_ins.length > 0
            ? one.stand_ins.map((each) => who(each.workspace_id, each.person_id)).join(', ')
            : 'nobody stands in'
        }}</span>
        <button type="button" class="link-button" @click="drop(one.id)">cancel it</button>
      </li>
      <li v-if="profile.absences.length === 0" class="quiet">No absence is planned.</li>
    </ul>
    <form @submit.prevent="plan">
      <div class="pair">
        <FormField id="from" label="First day" :wrong="at('from')"><DayField id="from" v-model="from" /></FormField>
        <FormField id="until" label="Last day" :wrong="at('until')"><DayField id="until" v-model="until" /></FormField>
      </div>
      <div v-if="from && until">
        <span class="label">Who stands in: they are asked instead of me</span>
        <div v-for="client in profile.clients" :key="client.id" class="stand">
          <label :for="`s-${client.id}`">{{ client.name }}</label>
          <ChoiceField
            :id="`s-${client.id}`"
            v-model="standIns[client.id]"
            :options="[
              { value: undefined, label: 'nobody' },
              ...client.people.map((one) => ({ value: one.id, label: `${one.name}, ${one.role}` })),
            ]"
          />
        </div>
      </div>
      <p v-if="at('stand_ins') ?? beside(['from', 'until', 'stand_ins'])" class="wrong" role="alert">
        {{ at('stand_ins') ?? beside(['from', 'until', 'stand_ins']) }}
      </p>
      <div class="acts"><Button html-type="submit" :loading="busy">Plan the absence</Button></div>
    </form>
  </section>
</template>

<style scoped>
li,
.stand {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  padding: 4px 0;
  border-bottom: 1px solid var(--hairline);
}
.stand {
  justify-content: space-between;
}
.label {
  font-weight: 600;
}
</style>
