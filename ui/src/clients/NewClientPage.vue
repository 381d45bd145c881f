<script setup lang="ts">
// The first step of a client's set-up: name, initials, colour, zone, week; or a copy of another client's set-up.
import { Button, CheckboxGroup, Input } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { readerZone } from '@/api/time'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, ok } from '@/api/client'
import { LENGTHS } from '@/api/lengths'
import { initials } from '@/api/words'
import { useChosen } from '@/agency/me'
import FormField from '@/parts/FormField.vue'
import EdgeField from './EdgeField.vue'
import WeekField from './WeekField.vue'
import ZoneField from '@/parts/ZoneField.vue'
import { useKept } from '@/parts/kept'
import { useProblem } from '@/parts/problem'
import ChoiceField from '@/parts/fields/ChoiceField.vue'

const router = useRouter()
const queries = useQueryClient()
const { me, workspaces } = useChosen()
const form = useKept('new-client', {
  name: '',
  initials: '',
  edge: '#1D5C74',
  zone: readerZone(),
  week_start: 1,
  copy_from: '',
  copy: ['days', 'route', 'brand', 'writing'],
})
const ownInitials = ref(form.value.initials !== '' && form.value.initials !== initials(form.value.name))
const { busy, at, beside, run } = useProblem()
const sources = computed(() => workspaces.value.filter((one) => one.can.change_settings?.ok))
const kinds = [
  ['days', 'zone, week, holidays, working hours, rule for changed times'],
  ['route', 'sign-off route, with those of its people who come along'],
  ['brand', 'brand sheet: colours, voice, links, hashtag sets'],
  ['writing', 'currency, tracking tags, reminders for every post'],
  ['people', 'people of the agency’s side, with their roles'],
] as const

watch(
  () => form.value.name,
  (name) => {
    if (!ownInitials.value) form.value.initials = initials(name)
  },
)

async function make() {
  const { copy_from, copy, ...facts } = form.value
  const made = await run(() =>
    ok(api.POST('/api/clients', { body: { ...facts, copy_from: copy_from || null, copy: copy_from ? copy : [] } })),
  )
  if (!made) return
  form.forget()
  await queries.invalidateQueries({ queryKey: ['me'] })
  await router.push({ name: 'settings', params: { workspace: made.id } })
}
</script>

<template>
  <main class="page">
    <div class="page-head">
      <h1>A new client</h1>
      <span class="quiet"
        >Step 1 of 5. The workspace is there at once, walled off; the further steps fill it, now or later.</span
      >
    </div>
    <form class="block narrow" @submit.prevent="make">
      <FormField id="name" label="Name" :wrong="at('name')" hint="As the client writes it.">
        <Input id="name" v-model:value="form.value.name" autofocus required :maxlength="LENGTHS.title" />
      </FormField>
      <div class="pair">
        <FormField
          id="initials"
          label="Initials"
          :wrong="at('initials')"
          hint="One to three letters; a picture can take their place later."
        >
          <Input id="initials" v-model:value="form.value.initials" :maxlength="3" @input="ownInitials = true" />
        </FormField>
        <EdgeField v-model="form.value.edge" :wrong="at('edge')" />
      </div>
      <div class="pair">
        <ZoneField
          id="zone"
          v-model="form.value.zone"
          label="Time zone"
          :wrong="at('zone')"
          hint="Planned times are times there."
        />
        <WeekField v-model="form.value.week_start" :wrong="at('week_start')" />
      </div>
      <FormField
        v-if="sources.length > 0"
        id="copy"
        label="Copy the set-up of another client"
        hint="Never posts, talk, media or channels."
      >
        <ChoiceField
          id="copy"
          v-model="form.value.copy_from"
          :options="[
            { value: '', label: 'no, begin anew' },
            ...sources.map((one) => ({ value: one.id, label: one.name })),
          ]"
        />
      </FormField>
      <fieldset v-if="form.value.copy_from" class="what">
        <legend>What is copied</legend>
        <CheckboxGroup v-model:value="form.value.copy" :options="kinds.map(([value, label]) => ({ value, label }))" />
      </fieldset>
      <p v-if="beside(['name', 'initials', 'edge', 'zone', 'week_start'])" class="wrong" role="alert">
        {{ beside(['name', 'initials', 'edge', 'zone', 'week_start']) }}
      </p>
      <div class="acts">
        <Button type="primary" html-type="submit" :loading="busy" :disabled="!me?.sets_up">Create the client</Button>
        <router-link to="/desk">Cancel; what is typed stays here</router-link>
      </div>
    </form>
  </main>
</template>

<style scoped>
.narrow {
  max-width: 620px;
}
.what {
  border: 0;
  padding: 0;
  margin: 0;
}
legend {
  font-weight: 600;
}
</style>
