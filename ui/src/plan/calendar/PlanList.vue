<script setup lang="ts">
// The plan as a list: sorted by its heads, with the columns that the reader wants, changed in its cells.
import { Button, Checkbox, CheckboxGroup, Input, Popover } from 'ant-design-vue'
import { useLocalStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { money } from '@/api/money'
import { plannedWall } from '@/api/time'
import { LENGTHS } from '@/api/lengths'
import { STAGES, counted, titled } from '@/api/words'
import ChannelLogos from '@/parts/ChannelLogos.vue'
import LabelChip from '@/parts/LabelChip.vue'
import ListTable, { type Column } from '@/parts/ListTable.vue'
import SignoffStrip from '@/parts/SignoffStrip.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import ChoicesField from '@/parts/fields/ChoicesField.vue'
import SuggestField from '@/parts/fields/SuggestField.vue'
import CellEdit from '@/plan/bulk/CellEdit.vue'
import { totals, useListed, type Row } from './list'
import { usePlan, type Client } from './plan'

const props = defineProps<{
  rows: Row[]
  clients: Record<string, Client>
  choices: Schemas['PlanChoices'] | undefined
  ofOne: boolean
}>()
const emit = defineEmits<{ time: [row: Row] }>()
const plan = usePlan()
const { subject, labels, campaign, owner } = useListed()
const by = (value: (row: Row) => string) => (one: Row, other: Row) => value(one).localeCompare(value(other))
const client = (row: Row) => props.clients[row.workspace_id]
const STAGE_ORDER = Object.keys(STAGES)
const timeOf = (row: Row) => ({ wall: `${row.wall}:00`, zone: row.zone })
const boost = (row: Row) => row.money.map(money).join(', ')

const ALL: (Column<Row> & { always?: boolean })[] = [
  { key: 'pick', title: '', always: true },
  { key: 'when', title: 'When', sort: by((row) => row.wall), always: true },
  { key: 'subject', title: 'Subject', sort: by((row) => row.subject), always: true },
  { key: 'client', title: 'Client', sort: by((row) => client(row)?.name ?? '') },
  { key: 'channels', title: 'Channels', sort: by((row) => row.channels.map((one) => one.name).join()) },
  {
    key: 'stage',
    title: 'Stage',
    sort: (one, other) => STAGE_ORDER.indexOf(one.stage) - STAGE_ORDER.indexOf(other.stage),
  },
  { key: 'labels', title: 'Labels', sort: by((row) => row.labels.join()) },
  { key: 'campaign', title: 'Campaign', sort: by((row) => row.campaign ?? '\uffff') },
  { key: 'owner', title: 'Owner', sort: by((row) => row.owner.name) },
  {
    key: 'boost',
    title: 'Boost',
    align: 'right',
    sort: (one, other) => (one.money[0]?.minor ?? 0) - (other.money[0]?.minor ?? 0),
  },
]
const OPTIONAL = ALL.filter((one) => !one.always)
const wanted = useLocalStorage(
  'plan-list-columns',
  OPTIONAL.map((one) => one.key),
)
const offered = computed(() => OPTIONAL.filter((one) => one.key !== 'client' || !props.ofOne))
const columns = computed(() =>
  ALL.filter((one) => one.always || (wanted.value.includes(one.key) && (one.key !== 'client' || !props.ofOne))),
)
const sums = computed(() => totals(props.rows))
const stages = computed(() =>
  STAGE_ORDER.map((stage) => [stage, props.rows.filter((row) => row.stage === stage).length] as const).filter(
    ([, count]) => count > 0,
  ),
)

// what is being typed in the one cell that is open
const typed = ref('')
const chosen = ref<string[]>([])
const here = <T extends { workspace_id: string }>(all: T[] | undefined, row: Row) =>
  (all ?? []).filter((one) => one.workspace_id === row.workspace_id)
const looks = (row: Row, name: string) =>
  here(props.choices?.labels, row).find((one) => one.name === name) ?? { name, colour: 'ink', initials: '' }
const can = (row: Row, act: 'rename' | 'change_owner') => client(row)?.can[act]
async function keep(
  row: Row,
  end: () => Promise<boolean>,
  change: (row: Row, value: string) => Promise<void>,
  was: string,
) {
  const value = typed.value.trim()
  if ((await end()) && value !== was) await change(row, value)
}
async function keepLabels(row: Row, end: () => Promise<boolean>) {
  const names = chosen.value
  if (await end()) await labels(row, names)
}
async function keepOwner(row: Row, end: () => Promise<boolean>, person: string) {
  const name = props.choices?.people.find((one) => one.id === person)?.name ?? ''
  if ((await end()) && person !== row.owner.id) await owner(row, person, name)
}
</script>

<template>
  <div class="plan-list">
    <p class="totals">
      <b>{{ counted(sums.posts, 'post', 'posts') }}</b>
      <span v-if="sums.lines > sums.posts" class="quiet">{{ sums.lines }} times</span>
      <span v-for="[stage, count] in stages" :key="stage" :class="`stage-${stage}`" class="of">
        {{ count }} {{ STAGES[stage as Row['stage']] }}
      </span>
      <span v-if="sums.money.length > 0">boost {{ sums.money.join(', ') }}</span>
      <span class="fill" />
      <Popover trigger="click" placement="bottomRight" title="Columns">
        <Button size="small">Columns …</Button>
        <template #content>
          <CheckboxGroup
            v-model:value="wanted"
            class="columns"
            :options="offered.map((one) => ({ value: one.key, label: one.title }))"
          />
        </template>
      </Popover>
    </p>
    <ListTable
      :columns="columns"
      :rows="rows"
      row-key="key"
      :most="200"
      label="What goes out, as a list"
      empty="Nothing goes out in these days."
    >
      <template #pick-head><span class="hidden">Choose</span></template>
      <template #pick="{ row }">
        <Checkbox
          :checked="plan.picked(row.post_id)"
          :aria-label="`Choose ${titled(row.subject)}`"
          @change="plan.pick(row.workspace_id, row.post_id, row.wall)"
        />
      </template>
      <template #when="{ row }">
        <button type="button" class="when link-button" :class="{ late: row.late }" @click="emit('time', row)">
          {{ plannedWall(timeOf(row)) }}
        </button>
      </template>
      <template #subject="{ row }">
        <span class="subject" :class="`stage-${row.stage}`">
          <CellEdit :label="`Subject, ${titled(row.subject)}`" :may="can(row, 'rename')" @begin="typed = row.subject">
            <b>{{ titled(row.subject) }}</b>
            <template #field="{ end }">
              <Input
                v-model:value="typed"
                :maxlength="LENGTHS.subject"
                aria-label="Subject"
                @press-enter="keep(row, end, subject, row.subject)"
                @blur="keep(row, end, subject, row.subject)"
              />
            </template>
          </CellEdit>
          <router-link :to="{ name: 'post', params: { workspace: row.workspace_id, post: row.post_id } }"
            >open</router-link
          >
        </span>
      </template>
      <template #client="{ row }">{{ client(row)?.name }}</template>
      <template #channels="{ row }"><ChannelLogos :channels="row.channels" /></template>
      <template #stage="{ row }">
        <span class="stage" :class="`stage-${row.stage}`"
          >{{ row.late ? 'past its time' : STAGES[row.stage] }} <SignoffStrip :strip="row.strip" :size="11"
        /></span>
      </template>
      <template #labels="{ row }">
        <CellEdit :label="`Labels, ${titled(row.subject)}`" :may="can(row, 'rename')" @begin="chosen = [...row.labels]">
          <span v-if="row.labels.length > 0" class="chips">
            <LabelChip v-for="name in row.labels" :key="name" v-bind="looks(row, name)" />
          </span>
          <template v-else>–</template>
          <template #field="{ end }">
            <ChoicesField
              id="list-labels"
              v-model="chosen"
              label="Labels"
              :options="here(choices?.labels, row).map((one) => ({ value: one.name, label: one.name }))"
              @keydown.enter.ctrl="keepLabels(row, end)"
            />
            <Button size="small" @click="keepLabels(row, end)">Save</Button>
          </template>
        </CellEdit>
      </template>
      <template #campaign="{ row }">
        <CellEdit
          :label="`Campaign, ${titled(row.subject)}`"
          :may="can(row, 'rename')"
          @begin="typed = row.campaign ?? ''"
        >
          {{ row.campaign ?? '–' }}
          <template #field="{ end }">
            <SuggestField
              id="list-campaign"
              v-model="typed"
              label="Campaign"
              focus
              :known="here(choices?.campaigns, row).map((one) => one.name)"
              @done="keep(row, end, campaign, row.campaign ?? '')"
              @left="keep(row, end, campaign, row.campaign ?? '')"
            />
          </template>
        </CellEdit>
      </template>
      <template #owner="{ row }">
        <CellEdit :label="`Owner, ${titled(row.subject)}`" :may="can(row, 'change_owner')">
          {{ row.owner.name }}
          <template #field="{ end }">
            <ChoiceField
              id="list-owner"
              label="Owner"
              :model-value="row.owner.id"
              :options="(choices?.people ?? []).map((one) => ({ value: one.id, label: one.name }))"
              @update:model-value="keepOwner(row, end, $event)"
            />
          </template>
        </CellEdit>
      </template>
      <template #boost="{ row }">{{ boost(row) }}</template>
    </ListTable>
  </div>
</template>

<style scoped>
.totals {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
  margin-bottom: 8px;
}
.of {
  padding-left: 7px;
  border-left: 3px solid var(--stage);
}
.columns {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.chips {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 2px 8px;
}
.when {
  padding: 2px 0;
  white-space: nowrap;
  text-decoration: none;
}
.when:hover {
  text-decoration: underline;
}
.subject {
  display: flex;
  gap: 8px;
  align-items: center;
  padding-left: 6px;
  border-left: 3px solid var(--stage);
}
.subject > :first-child {
  flex: 1;
  min-width: 120px;
}
.stage {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  color: var(--stage);
  white-space: nowrap;
}
</style>
