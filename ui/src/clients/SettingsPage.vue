<script setup lang="ts">
// Client settings: everything that the set-up asked for, changed later; archive and deletion at the end.
import { LENGTHS } from '@/api/lengths'
import { Button, Checkbox, Input, Radio, RadioGroup, message } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, isProblem, ok, unread, type Schemas } from '@/api/client'
import FormField from '@/parts/FormField.vue'
import EdgeField from './EdgeField.vue'
import WeekField from './WeekField.vue'
import ZoneField from '@/parts/ZoneField.vue'
import ClientLogo from '@/parts/ClientLogo.vue'
import { useProblem } from '@/parts/problem'
import EndingClient from './EndingClient.vue'
import WorkingHours from './WorkingHours.vue'
import { regions } from './regions'
import { calendarDay } from '@/api/time'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import UploadButton from '@/parts/fields/UploadButton.vue'

const props = defineProps<{ workspace: string }>()
const queries = useQueryClient()
const path = { workspace: props.workspace }
const { data, error } = useQuery({
  queryKey: ['settings', props.workspace],
  queryFn: () => ok(api.GET('/api/w/{workspace}/settings', { params: { path } })),
})
type Form = Pick<
  Schemas['Settings'],
  | 'name'
  | 'initials'
  | 'edge'
  | 'zone'
  | 'week_start'
  | 'time_policy'
  | 'review_pin'
  | 'clients_give_ideas'
  | 'stops_without_right'
  | 'holidays'
  | 'working_hours'
  | 'currency'
  | 'tracking'
  | 'publisher_id'
>
const form = ref<Form>()
const seen = ref(0)
const theirs = ref<Partial<Form>>()
const { busy, at, beside, run, error: refused } = useProblem()
const off = computed(() =>
  data.value && !data.value.can.change_settings?.ok ? data.value.can.change_settings?.why : undefined,
)
const changed = computed(
  () =>
    form.value &&
    data.value &&
    (Object.keys(form.value) as (keyof Form)[]).some(
      (key) => JSON.stringify(form.value![key]) !== JSON.stringify(data.value![key]),
    ),
)

watch(
  data,
  (now) => {
    if (now && (!form.value || !changed.value || seen.value === 0)) take(now)
  },
  { immediate: true },
)
function take(now: Schemas['Settings']) {
  const { name, initials, edge, zone, week_start, time_policy, holidays, working_hours, currency, tracking } = now
  const { publisher_id, review_pin, clients_give_ideas, stops_without_right } = now
  form.value = {
    name,
    initials,
    edge,
    zone,
    week_start,
    time_policy,
    holidays,
    working_hours: JSON.parse(JSON.stringify(working_hours)) as Form['working_hours'],
    currency,
    tracking: { ...tracking },
    publisher_id,
    review_pin,
    clients_give_ideas,
    stops_without_right,
  }
  seen.value = now.version
}

async function save() {
  const current = form.value!
  const only = Object.fromEntries(
    (Object.keys(current) as (keyof Form)[])
      .filter((key) => JSON.stringify(current[key]) !== JSON.stringify(data.value![key]))
      .map((key) => [key, current[key]]),
  )
  const saved = await run(() =>
    ok(
      api.PUT('/api/w/{workspace}/settings', {
        params: { path, header: { 'If-Match': `"${seen.value}"` } },
        body: only,
      }),
    ),
  )
  if (saved) {
    theirs.value = undefined
    void message.success('Saved.')
    await refresh()
    if (data.value) take(data.value)
  } else if (isProblem(refused.value) && refused.value.problem.code === 'settings_changed') {
    const facts = refused.value.problem.facts as { theirs: Partial<Form>; version: number }
    theirs.value = facts.theirs
    seen.value = facts.version
  }
}
async function refresh() {
  await queries.invalidateQueries({ queryKey: ['settings', props.workspace] })
  void queries.invalidateQueries({ queryKey: ['me'] })
}
async function takeTheirs() {
  await refresh()
  if (data.value) take(data.value)
  theirs.value = undefined
}

async function picture([file]: File[]) {
  const reply = await fetch(`/api/w/${props.workspace}/logo`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/octet-stream' },
    body: file,
  })
  if (reply.ok) void message.success('It has a logo now.')
  else {
    const problem = (await reply.json()) as { detail: string; way_on?: string }
    void message.error([problem.detail, problem.way_on].filter(Boolean).join(' '), 9)
  }
  await refresh()
}
async function letters() {
  await ok(api.DELETE('/api/w/{workspace}/logo', { params: { path } }))
  await refresh()
}
const TAGS = ['source', 'medium', 'campaign', 'term', 'content']
function setTag(name: string, text: string) {
  const { [name]: _, ...rest } = form.value!.tracking
  form.value!.tracking = text === '' ? rest : { ...rest, [name]: text }
}
const sample = computed(() => {
  const places: Record<string, string> = {
    network: 'ticker',
    channel: 'ticker',
    campaign: 'winter',
    client: (form.value?.name ?? '').toLowerCase().replace(/\s+/g, '-'),
  }
  const filled = (tag: string) => tag.replace(/\{(\w+)\}/g, (whole, place: string) => places[place] ?? whole)
  const tags = form.value?.tracking ?? {}
  const pairs = TAGS.filter((name) => tags[name]).map((name) => `utm_${name}=${filled(tags[name]!)}`)
  return pairs.length > 0 ? `https://…/page?${pairs.join('&')}` : 'https://…/page'
})
const fields = [
  'name',
  'initials',
  'edge',
  'zone',
  'week_start',
  'time_policy',
  'holidays',
  'working_hours',
  'currency',
  'tracking',
  'publisher_id',
]
const publishers = computed(() => [
  { value: null, label: 'the owner of each post' },
  ...(data.value?.publishers ?? []).map((one) => ({ value: one.id, label: one.name })),
])
</script>

<template>
  <main class="page two">
    <p v-if="error" role="alert">{{ unread(error) }}</p>
    <form v-if="form && data" @submit.prevent="save">
      <p v-if="off" class="block">{{ off }}</p>
      <fieldset :disabled="!!off">
        <section class="block">
          <h2>Name and logo</h2>
          <FormField id="name" label="Name" :wrong="at('name')"
            ><Input id="name" v-model:value="form.name" :maxlength="LENGTHS.title"
          /></FormField>
          <div class="pair">
            <FormField id="initials" label="Initials" :wrong="at('initials')"
              ><Input id="initials" v-model:value="form.initials" :maxlength="3"
            /></FormField>
            <EdgeField v-model="form.edge" :wrong="at('edge')" />
          </div>
          <div class="logo">
            <ClientLogo :id="data.id" :initials="form.initials" :edge="form.edge" :picture="data.picture" :size="44" />
            <UploadButton label="A picture instead" accept="image/*" @files="picture">A picture instead</UploadButton>
            <Button v-if="data.picture" size="small" @click="letters">Back to letters</Button>
          </div>
        </section>
        <section class="block">
          <h2>Days and hours</h2>
          <div class="pair">
            <ZoneField
              id="zone"
              v-model="form.zone"
              label="Time zone"
              :wrong="at('zone')"
              hint="Planned times keep their wall time."
            />
            <WeekField v-model="form.week_start" :wrong="at('week_start')" />
          </div>
          <FormField
            id="holidays"
            label="Public holidays"
            :wrong="at('holidays')"
            hint="Days off count as no working time."
          >
            <ChoiceField
              id="holidays"
              v-model="form.holidays"
              :options="[
                { value: '', label: 'none' },
                ...regions(form.holidays).map((one) => ({ value: one.code, label: one.name })),
              ]"
            />
          </FormField>
          <WorkingHours v-model="form.working_hours" :week-start="form.week_start" :wrong="at('working_hours')" />
        </section>
        <section class="block">
          <h2>When a planned time is changed after a yes</h2>
          <RadioGroup
            v-model:value="form.time_policy"
            class="stacked"
            aria-label="What a yes is worth after another time"
          >
            <Radio value="never">the yes always stays</Radio>
            <Radio value="local_date">the yes stays as long as the day there is the same</Radio>
            <Radio value="always">every change of time must be asked again</Radio>
          </RadioGroup>
          <span class="wrong">{{ at('time_policy') }}</span>
        </section>
        <section class="block">
          <h2>Links in mails</h2>
          <Checkbox v-model:checked="form.review_pin"
            >a new device that opens a link needs a PIN, which is mailed to whom the link belongs to</Checkbox
          >
          <p class="quiet">A link that was passed on is then of no use without that mailbox.</p>
        </section>
        <section class="block">
          <h2>Ideas</h2>
          <Checkbox v-model:checked="form.clients_give_ideas"
            >people of the client can add ideas, and see what became of their own</Checkbox
          >
          <p class="quiet">They see neither the others nor what the house thinks of them.</p>
        </section>
        <section class="block">
          <h2>Rights to use files</h2>
          <Checkbox v-model:checked="form.stops_without_right"
            >a post does not go out with a file that may not be used any more on that day</Checkbox
          >
          <p class="quiet">
            Whoever released it is told the day before that right ends, and when it is over, either way.
          </p>
        </section>
        <section class="block">
          <h2>Published by hand</h2>
          <FormField
            id="publisher"
            label="What no network takes waits for"
            :wrong="at('publisher_id')"
            hint="On channels without a connection, at its time. Anybody else who may can take it up."
          >
            <ChoiceField id="publisher" v-model="form.publisher_id" :options="publishers" />
          </FormField>
        </section>
        <section class="block">
          <h2>Links and money</h2>
          <p class="quiet">
            Tracking tags for every link of this client. {network}, {channel}, {campaign} and {client} are filled in for
            each channel; they are fixed when a post is first asked for.
          </p>
          <div class="tags">
            <FormField v-for="name in TAGS" :id="`tag-${name}`" :key="name" :label="name"
              ><Input
                :id="`tag-${name}`"
                :value="form.tracking[name] ?? ''"
                :maxlength="100"
                @update:value="setTag(name, $event)"
            /></FormField>
          </div>
          <p class="digest">{{ sample }}</p>
          <span class="wrong" role="alert">{{ at('tracking') }}</span>
          <FormField
            id="currency"
            label="Currency of budgets"
            :wrong="at('currency')"
            hint="Three letters, such as EUR."
            ><Input id="currency" v-model:value="form.currency" :maxlength="3" class="short"
          /></FormField>
        </section>
        <div v-if="theirs" class="block clash" role="alert">
          <h2>Somebody changed these settings meanwhile</h2>
          <p
            v-for="(value, key) in theirs"
            v-show="JSON.stringify(value) !== JSON.stringify(form[key as keyof Form])"
            :key="key"
          >
            {{ String(key).replaceAll('_', ' ') }}: theirs is
            <b>{{ typeof value === 'object' ? 'other hours' : value }}</b>
          </p>
          <div class="acts">
            <Button type="primary" @click="save">Keep mine</Button><Button @click="takeTheirs">Use theirs</Button>
          </div>
        </div>
        <div class="acts bottom">
          <Button type="primary" html-type="submit" :disabled="!changed" :loading="busy">Save the settings</Button>
          <span v-if="changed" class="quiet">Not saved yet</span>
          <span v-if="beside(fields) && !theirs" class="wrong" role="alert">{{ beside(fields) }}</span>
        </div>
      </fieldset>
    </form>
    <aside v-if="data">
      <section class="block">
        <h2>Coming days off</h2>
        <ul>
          <li v-for="one in data.days_off" :key="one.date">
            <b>{{ calendarDay(one.date, { weekday: true, year: true }) }}</b> {{ one.name }}
          </li>
          <li v-if="data.days_off.length === 0" class="quiet">No holiday calendar is chosen.</li>
        </ul>
      </section>
      <EndingClient :workspace="workspace" :can="data.can" :archived="!!data.archived_at" :name="data.name" />
    </aside>
  </main>
</template>

<style scoped>
.tags {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 0 12px;
}
.short {
  width: 80px;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: 20px;
  align-items: start;
}
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  min-width: 0;
}
.logo {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
aside li {
  padding: 4px 0;
  border-bottom: 1px solid var(--hairline);
}
.clash {
  border-top-color: var(--change);
}
.bottom {
  position: sticky;
  bottom: 0;
  background: var(--ground);
  padding: 8px 0;
}
@media (max-width: 860px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
