<script setup lang="ts">
// What is shown, elsewhere: on paper, as a file for other programs, and in a calendar by a private address that is
// told once; those that there are, and their end.
import { LENGTHS } from '@/api/lengths'
import { Button, Checkbox, Input, message } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, ok, sentence, unread, type Schemas } from '@/api/client'
import { brief } from '@/api/time'
import DialogBox from '@/parts/DialogBox.vue'
import FormField from '@/parts/FormField.vue'
import { useProblem } from '@/parts/problem'
import type { Narrowing } from './filter'

const props = defineProps<{
  workspace: string | undefined
  /** what is shown, in words */
  shows: string
  narrowing: Narrowing
  /** the first day that is shown, and the last */
  days: [string, string]
  /** how these days look on paper */
  look: 'month' | 'week' | 'list'
  month: string
  /** without the channels that are switched off */
  hidden: boolean
  names: Record<string, string>
  now: string
}>()
const emit = defineEmits<{ close: []; print: [] }>()
const queries = useQueryClient()
const { data, error } = useQuery({ queryKey: ['private-calendars'], queryFn: () => ok(api.GET('/api/plan/calendars')) })
const again = () => queries.invalidateQueries({ queryKey: ['private-calendars'] })
const name = ref(props.workspace ? (props.names[props.workspace] ?? '') : 'All my clients')
const address = ref('')
const { busy, at, beside, run } = useProblem()
const field = ref<{ select?: () => void }>()

const marks = ref(false)
const addressOf = (path: string, own: Record<string, string>) => {
  const said = { ...own, ...props.narrowing, ...(props.hidden ? { switched_off: 'hidden' } : {}) }
  const query = new URLSearchParams(props.workspace ? { workspace: props.workspace, ...said } : said)
  return `/api/plan/${path}?${query.toString()}`
}
const file = (format: 'csv' | 'xlsx') => {
  const [from, to] = props.days
  return addressOf(`sheet.${format}`, { from, to })
}
const signoff = (kind: string) => {
  const [from, to] = props.days
  return `/api/w/${props.workspace}/sign-off.${kind}?${new URLSearchParams({ from, to }).toString()}`
}
const PAPER = { month: 'The month', week: 'The week', list: 'The list' }
const paper = (look: keyof typeof PAPER) => {
  const [from, to] = props.days
  const days: Record<typeof look, Record<string, string>> = {
    month: { month: props.month },
    week: { day: from },
    list: { from, to },
  }
  const more = { shows: props.shows.slice(0, 200), ...(marks.value && look !== 'list' ? { marks: 'yes' } : {}) }
  return addressOf(`${look}.pdf`, { ...days[look], ...more })
}
const papers = computed(() => [...new Set([props.look, 'list'] as const)])
async function make() {
  const made = await run(() =>
    ok(
      api.POST('/api/plan/calendars', {
        body: { name: name.value, narrowing: props.narrowing, workspace: props.workspace ?? null },
      }),
    ),
  )
  if (made) address.value = made.address
  void again()
}
async function copy() {
  try {
    await navigator.clipboard.writeText(address.value)
    void message.success('Copied.')
  } catch {
    field.value?.select?.()
  }
}
async function revoke(calendar: Schemas['PrivateCalendar']) {
  try {
    await ok(api.DELETE('/api/plan/calendars/{calendar}', { params: { path: { calendar: calendar.id } } }))
    void message.success(`“${calendar.name}” is revoked; calendars that read it find nothing there any more.`)
  } catch (problem) {
    void message.error(sentence(problem), 8)
  }
  void again()
}
const of = (calendar: Schemas['PrivateCalendar']) =>
  calendar.workspace_id ? props.names[calendar.workspace_id] : 'all my clients'
</script>

<template>
  <DialogBox title="Export the plan" :width="560" @close="emit('close')">
    <p class="quiet">{{ shows }}.</p>
    <h2>These days</h2>
    <p class="row">
      <Button :href="file('xlsx')" download>As a sheet (XLSX)</Button>
      <Button :href="file('csv')" download>As text (CSV)</Button>
      <Button @click="emit('print')">Print this page</Button>
    </p>
    <p class="row">
      <Button v-for="one in papers" :key="one" :href="paper(one)" download>{{ PAPER[one] }} on paper (PDF)</Button>
      <Checkbox v-if="look !== 'list'" v-model:checked="marks">with pencil marks</Checkbox>
    </p>
    <p v-if="workspace" class="row">
      <Button :href="signoff('pdf')" download>Sign-off sheet (PDF)</Button>
      <Button :href="signoff('csv')" download>Sign-off sheet (CSV)</Button>
      <Button :href="signoff('json')" download>Proof (JSON)</Button>
    </p>
    <h2>In your calendar</h2>
    <p>
      A calendar that can subscribe to an address keeps up with the plan. Whoever has the address sees what you see,
      without signing in: keep it to yourself, and revoke it when it is no longer needed.
    </p>
    <div v-if="address" role="status" class="told">
      <label for="calendar-address">The address, told this once</label>
      <div class="row">
        <Input id="calendar-address" ref="field" :value="address" readonly />
        <Button type="primary" @click="copy">Copy it</Button>
      </div>
    </div>
    <form v-else @submit.prevent="make">
      <FormField id="calendar-name" label="Name of the calendar" :wrong="at('name')">
        <Input id="calendar-name" v-model:value="name" :maxlength="LENGTHS.name" />
      </FormField>
      <Button type="primary" html-type="submit" :loading="busy">Make an address</Button>
      <span v-if="beside(['name'])" class="wrong" role="alert">{{ beside(['name']) }}</span>
    </form>
    <template v-if="data && data.calendars.length > 0">
      <h2>Your addresses</h2>
      <ul>
        <li v-for="calendar in data.calendars" :key="calendar.id">
          <b>{{ calendar.name }}</b>
          <span class="quiet"
            >{{ of(calendar) }}, {{ calendar.read_at ? `read ${brief(calendar.read_at, now)}` : 'not read yet' }}</span
          >
          <Button size="small" :aria-label="`Revoke ${calendar.name}`" @click="revoke(calendar)">Revoke</Button>
        </li>
      </ul>
    </template>
    <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
  </DialogBox>
</template>

<style scoped>
h2 {
  margin: 20px 0 0;
  font-size: 13px;
}
.told {
  margin-top: 12px;
}
.row {
  display: flex;
  align-items: center;
  gap: 8px;
}
.row + .row {
  margin-top: 8px;
}
li {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 12px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--hairline);
}
</style>
