<script setup lang="ts">
// My profile: name and picture, time, what I am told and when, absences, second factor, password, sessions.
import { LENGTHS } from '@/api/lengths'
import { Button, Checkbox, Input, message } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api, isProblem, ok, sentence, type Schemas } from '@/api/client'
import { useChosen } from '@/agency/me'
import { example as exampleOf } from '@/api/time'
import FormField from '@/parts/FormField.vue'
import PersonFace from '@/parts/PersonFace.vue'
import ZoneField from '@/parts/ZoneField.vue'
import { useProblem } from '@/parts/problem'
import AbsencesBlock from './AbsencesBlock.vue'
import PasswordBlock from './PasswordBlock.vue'
import SecondFactorBlock from './SecondFactorBlock.vue'
import SessionsBlock from './SessionsBlock.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import ClockField from '@/parts/fields/ClockField.vue'
import UploadButton from '@/parts/fields/UploadButton.vue'

const queries = useQueryClient()
const { me } = useChosen()
const route = useRoute()
const { data } = useQuery({ queryKey: ['profile'], queryFn: () => ok(api.GET('/api/profile')) })
interface Form {
  name: string
  zone: string
  hour12: boolean
  date_language: string
  working_days: number[]
  notices: Record<string, string>
  quiet: string[] | null
}
const form = ref<Form>()
const seen = ref(0)
const { busy, at, beside, run, error } = useProblem()
const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']
const CHOICES = { at_once: 'at once', digest: 'once a day, at 8:00', not: 'not' }
const choices = (must: boolean) =>
  Object.entries(CHOICES).map(([value, label]) => ({ value, label, off: must && value === 'not' }))
const languages = ['en-GB', 'en-US', 'de', 'fr', 'es', 'pt', 'it', 'nl', 'da', 'sv', 'nb', 'fi', 'pl', 'cs']
const language = (code: string) => new Intl.DisplayNames(['en'], { type: 'language' }).of(code) ?? code
const example = computed(() =>
  form.value
    ? exampleOf(me.value?.now ?? new Date().toISOString(), { ...form.value, zone: zoneOr(form.value.zone) })
    : '',
)
function zoneOr(zone: string) {
  return Intl.supportedValuesOf('timeZone').includes(zone) ? zone : undefined
}
const plain = (now: Schemas['Profile']): Form => ({
  name: now.name,
  zone: now.zone,
  hour12: now.hour12,
  date_language: now.date_language,
  working_days: [...now.working_days],
  notices: Object.fromEntries(now.notices.map((one) => [one.kind, one.choice])),
  quiet: now.quiet ? [...now.quiet] : null,
})
const changed = computed(
  () => form.value && data.value && JSON.stringify(form.value) !== JSON.stringify(plain(data.value)),
)
watch(
  data,
  (now, before) => {
    if (!now || (before && form.value && JSON.stringify(form.value) !== JSON.stringify(plain(before)))) return
    form.value = plain(now)
    seen.value = now.version
  },
  { immediate: true },
)
async function save() {
  const saved = await run(() =>
    ok(api.PUT('/api/profile', { params: { header: { 'If-Match': `"${seen.value}"` } }, body: form.value! })),
  )
  if (saved) {
    seen.value = saved.version
    void message.success('Saved.')
    await queries.invalidateQueries({ queryKey: ['profile'] })
    void queries.invalidateQueries({ queryKey: ['me'] })
  } else if (isProblem(error.value) && error.value.problem.code === 'profile_changed')
    seen.value = (error.value.problem.facts as { version: number }).version
}
function toggleDay(day: number) {
  const days = form.value!.working_days
  form.value!.working_days = days.includes(day) ? days.filter((one) => one !== day) : [...days, day].sort()
}
async function picture([file]: File[]) {
  const reply = await fetch('/api/profile/picture', {
    method: 'POST',
    headers: { 'Content-Type': 'application/octet-stream' },
    body: file,
  })
  if (!reply.ok) {
    const problem = (await reply.json()) as { detail: string; way_on?: string }
    void message.error([problem.detail, problem.way_on].filter(Boolean).join(' '), 9)
  }
  await queries.invalidateQueries()
}
async function noPicture() {
  try {
    await ok(api.DELETE('/api/profile/picture'))
  } catch (problem) {
    void message.error(sentence(problem))
  }
  await queries.invalidateQueries()
}
const fields = ['name', 'zone', 'date_language', 'working_days', 'notices', 'quiet']
</script>

<template>
  <main v-if="form && data" class="page profile">
    <div class="page-head">
      <h1>My profile</h1>
      <span class="quiet">{{ data.email }}</span>
    </div>
    <p v-if="route.query.need === 'second-factor'" class="block" role="alert">
      The agency requires a second factor. Set yours up on this page; everything else opens then.
    </p>
    <div class="two">
      <form @submit.prevent="save">
        <section class="block">
          <h2>Who I am</h2>
          <div class="face-row">
            <PersonFace :name="form.name" :person-id="data.id" :picture="data.picture" :size="64" />
            <UploadButton label="A picture" accept="image/*" @files="picture">A picture</UploadButton>
            <Button v-if="data.picture" size="small" @click="noPicture">Remove</Button>
          </div>
          <FormField id="name" label="Name" :wrong="at('name')"
            ><Input id="name" v-model:value="form.name" :maxlength="LENGTHS.title" autocomplete="name"
          /></FormField>
        </section>
        <section class="block">
          <h2>My time</h2>
          <div class="pair">
            <ZoneField id="zone" v-model="form.zone" label="My time zone" :wrong="at('zone')" />
            <FormField id="language" label="Dates in" :wrong="at('date_language')">
              <ChoiceField
                id="language"
                v-model="form.date_language"
                :options="languages.map((one) => ({ value: one, label: language(one) }))"
              />
            </FormField>
          </div>
          <Checkbox v-model:checked="form.hour12">Hours from 1 to 12, with am and pm</Checkbox>
          <p class="quiet">Like this: {{ example }}</p>
          <div class="field" :class="{ bad: at('working_days') }">
            <span class="label">Days that I work</span>
            <div class="days">
              <Checkbox
                v-for="(name, index) in DAYS"
                :key="name"
                :checked="form.working_days.includes(index + 1)"
                @change="toggleDay(index + 1)"
                >{{ name }}</Checkbox
              >
            </div>
          </div>
        </section>
        <section class="block">
          <h2>What I am told by mail</h2>
          <div v-for="one in data.notices" :key="one.kind" class="notice">
            <label :for="`n-${one.kind}`">{{ one.words }}</label>
            <ChoiceField :id="`n-${one.kind}`" v-model="form.notices[one.kind]" :options="choices(one.must)" />
          </div>
          <Checkbox :checked="form.quiet !== null" @change="form.quiet = form.quiet ? null : ['20:00', '07:00']"
            >Quiet hours: what comes then waits</Checkbox
          >
          <div v-if="form.quiet" class="days">
            <ClockField v-model="form.quiet[0]!" label="Quiet from" /> to
            <ClockField v-model="form.quiet[1]!" label="Quiet to" />
          </div>
          <p v-if="at('notices') ?? at('quiet')" class="wrong" role="alert">{{ at('notices') ?? at('quiet') }}</p>
        </section>
        <div class="acts bottom">
          <Button type="primary" html-type="submit" :disabled="!changed" :loading="busy">Save my profile</Button>
          <span v-if="changed" class="quiet">Not saved yet</span>
          <span v-if="beside(fields)" class="wrong" role="alert">{{ beside(fields) }}</span>
        </div>
      </form>
      <div>
        <AbsencesBlock :profile="data" />
        <SecondFactorBlock :profile="data" />
        <PasswordBlock />
        <SessionsBlock />
      </div>
    </div>
  </main>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 20px;
  align-items: start;
}
.face-row,
.days {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
}
.notice {
  display: grid;
  grid-template-columns: 1fr 190px;
  gap: 10px;
  align-items: center;
  padding: 4px 0;
  border-bottom: 1px solid var(--hairline);
}
.bottom {
  position: sticky;
  bottom: 0;
  padding: 8px 0;
  background: var(--ground);
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
