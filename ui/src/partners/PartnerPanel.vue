<script setup lang="ts">
// One partner: what was agreed and what came of it, what was made together, and the papers.
import { Input, message, Textarea } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, toRef } from 'vue'
import { api, ok, sentence, unread } from '@/api/client'
import { digits, minorOf, typedAmount } from '@/api/money'
import { brief } from '@/api/time'
import { titled } from '@/api/words'
import FileRows from '@/clients/FileRows.vue'
import ActButton from '@/parts/ActButton.vue'
import ComingShape from '@/parts/ComingShape.vue'
import PanelName from '@/parts/PanelName.vue'
import SidePanel from '@/parts/SidePanel.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import DayField from '@/parts/fields/DayField.vue'
import { useSaid } from '@/parts/said'
import { offerUndo } from '@/parts/undo'
import TieField from './TieField.vue'
import { STATUSES, usePartner, usePartnerActs, type Partner, type PartnerSaid, type Status } from './partners'
import { attempt } from '@/parts/problem'

const props = defineProps<{
  workspace: string
  partner: string
  others: Partner[]
  alike: string[]
  currency: string
  now: string
}>()
const emit = defineEmits<{ close: []; show: [id: string] }>()
const workspace = toRef(props, 'workspace')
const { data: one, error } = usePartner(workspace, toRef(props, 'partner'))
const acts = usePartnerActs(workspace)
const off = computed(() => (one.value?.can.keep_partner?.ok ? undefined : (one.value?.can.keep_partner?.why ?? '…')))

type Key = 'name' | 'contact' | 'link' | 'codes' | 'note' | 'came'
const FIELDS: { key: Key; label: string; long?: boolean; hint?: string }[] = [
  { key: 'contact', label: 'How to reach them', hint: 'mail, phone' },
  { key: 'link', label: 'Link', hint: 'none' },
  { key: 'codes', label: 'Codes', hint: 'for the audience, for us' },
  { key: 'note', label: 'What was said and agreed', long: true },
  { key: 'came', label: 'What came of it', long: true },
]
const { typed, wrong, value, save, left } = useSaid<Key, PartnerSaid>(
  () => props.partner,
  one,
  (said) => acts.change(props.partner, said),
  ['link'],
)
const currency = computed(() => one.value?.fee?.currency ?? props.currency)
const fee = computed(() => typed.fee ?? (one.value?.fee ? typedAmount(one.value.fee) : ''))
function paid() {
  const text = typed.fee
  if (text === undefined) return
  const minor = minorOf(text, digits(currency.value))
  if (minor === undefined) return void (wrong.fee = `Write an amount such as ${(40).toFixed(digits(currency.value))}.`)
  void save({ fee: text.trim() === '' ? null : { minor, currency: currency.value } })
}
const status = computed({ get: () => one.value?.status ?? 'talked', set: (is: Status) => void save({ status: is }) })
const kind = computed({ get: () => one.value?.kind ?? 'person', set: (is) => void save({ kind: is }) })
const due = computed({ get: () => one.value?.due_on ?? '', set: (day) => void save({ due_on: day || null }) })

const queries = useQueryClient()
const again = () => void queries.invalidateQueries({ queryKey: ['partners', props.workspace] })
async function told(act: () => Promise<unknown>): Promise<boolean> {
  try {
    await act()
    return true
  } catch (problem) {
    void message.error(sentence(problem), 9)
    return false
  }
}
const posts = async (words: string) => {
  const query = { workspace: props.workspace, words }
  const page = await ok(api.GET('/api/posts', { params: { query } }))
  return page.posts.map((post) => ({ id: post.id, title: post.subject }))
}
const ideas = async (words: string) => {
  const path = { workspace: props.workspace }
  return (await ok(api.GET('/api/w/{workspace}/ideas', { params: { path, query: { words } } }))).ideas
}
const same = computed(() => props.others.filter((other) => props.alike.includes(other.id)))
async function merge(into: string) {
  if (await told(() => acts.merge(props.partner, into))) emit('show', into)
}
async function drop() {
  const { partner } = props
  if (!(await told(() => acts.drop(partner)))) return
  offerUndo('The partner is thrown away.', () => attempt(() => acts.again(partner)))
  emit('close')
}
</script>

<template>
  <SidePanel :label="one?.name ?? 'Partner'" :width="400" @close="emit('close')">
    <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
    <ComingShape v-if="!one && !error" label="Fetching the partner" :lines="8" />
    <template v-if="one">
      <PanelName
        label="Name of the partner"
        :name="value('name')"
        :off="off"
        @type="typed.name = $event"
        @leave="left('name')"
        @close="emit('close')"
      />
      <span v-if="wrong.name || wrong.status || wrong.kind || wrong.due_on" class="wrong" role="alert">{{
        wrong.name || wrong.status || wrong.kind || wrong.due_on
      }}</span>
      <div v-if="same.length > 0 && !off" class="same">
        <p v-for="other in same" :key="other.id">
          May be the same as
          <button type="button" class="link-button" @click="emit('show', other.id)">{{ other.name }}</button>.
          <button type="button" class="link-button" @click="merge(other.id)">Put this one into that</button>
        </p>
      </div>
      <div class="two">
        <span>
          <label for="partner-status">Status</label>
          <ChoiceField
            id="partner-status"
            v-model="status"
            :disabled="!!off"
            :options="Object.entries(STATUSES).map(([is, label]) => ({ value: is as Status, label }))"
          />
        </span>
        <span>
          <label for="partner-due">Delivers by</label>
          <DayField id="partner-due" v-model="due" :disabled="!!off" />
        </span>
        <span>
          <label for="partner-fee">Fee in {{ currency }}</label>
          <Input
            id="partner-fee"
            :value="fee"
            :readonly="!!off"
            inputmode="decimal"
            placeholder="none"
            @update:value="typed.fee = $event"
            @blur="paid"
            @press-enter="($event.target as HTMLElement).blur()"
          />
        </span>
        <span>
          <label for="partner-kind">It is</label>
          <ChoiceField
            id="partner-kind"
            v-model="kind"
            :disabled="!!off"
            :options="[
              { value: 'person', label: 'a person' },
              { value: 'firm', label: 'a firm' },
            ]"
          />
        </span>
      </div>
      <span v-if="wrong.fee" class="wrong" role="alert">{{ wrong.fee }}</span>
      <div class="fields">
        <template v-for="field in FIELDS" :key="field.key">
          <label :for="`partner-${field.key}`">{{ field.label }}</label>
          <Textarea
            v-if="field.long"
            :id="`partner-${field.key}`"
            :value="value(field.key)"
            :readonly="!!off"
            :rows="3"
            @update:value="typed[field.key] = $event"
            @blur="left(field.key)"
          />
          <Input
            v-else
            :id="`partner-${field.key}`"
            :value="value(field.key)"
            :readonly="!!off"
            :placeholder="field.hint"
            @update:value="typed[field.key] = $event"
            @blur="left(field.key)"
            @press-enter="($event.target as HTMLElement).blur()"
          />
          <span v-if="wrong[field.key]" class="wrong" role="alert">{{ wrong[field.key] }}</span>
        </template>
      </div>
      <h3>Posts made together</h3>
      <TieField
        id="partner-posts"
        label="Add a post by its words"
        :tied="one.made.map((post) => ({ id: post.id, title: post.subject }))"
        :off="off"
        :search="posts"
        @change="told(() => acts.tie(partner, { post_ids: $event }))"
      >
        <template #default="{ one: post }">
          <router-link :to="{ name: 'post', params: { workspace, post: post.id } }" dir="auto">{{
            titled(post.title)
          }}</router-link>
        </template>
      </TieField>
      <h3>Ideas</h3>
      <TieField
        id="partner-ideas"
        label="Add an idea by its words"
        :tied="one.ideas"
        :off="off"
        :search="ideas"
        @change="told(() => acts.tie(partner, { idea_ids: $event }))"
      >
        <template #default="{ one: idea }">
          <router-link :to="{ name: 'ideas', query: { client: workspace, idea: idea.id } }" dir="auto">{{
            idea.title
          }}</router-link>
        </template>
      </TieField>
      <h3>Agreements and other papers</h3>
      <FileRows
        :files="one.files"
        :address="`/api/w/${workspace}/partners/${partner}/files`"
        :may="!off"
        @changed="again"
        @remove="told(() => acts.takeOff(partner, $event))"
      />
      <p class="end">
        <ActButton link :off="off" @click="drop">Discard the partner</ActButton>
        <span class="quiet">{{ one.by ?? 'somebody' }}, {{ brief(one.at, now) }}</span>
      </p>
    </template>
  </SidePanel>
</template>

<style scoped>
.same {
  margin-bottom: 8px;
  padding: 6px 10px;
  background: var(--well);
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px 12px;
}
.two > span,
.fields {
  display: grid;
  gap: 2px;
}
.two label,
.fields label {
  color: var(--ink-2);
}
.fields label {
  margin-top: 8px;
}
h3 {
  margin-top: 16px;
  font-size: 13px;
  border-bottom: 1px solid var(--rule);
}
.end {
  display: flex;
  justify-content: space-between;
  padding: 16px 0 24px;
}
</style>
