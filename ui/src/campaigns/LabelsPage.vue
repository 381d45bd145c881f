<script setup lang="ts">
// The labels of a client: what they are called and look like, which stand below which, merged, and the mix that the
// plan shall have.
import { Button, Input, InputNumber, Radio, RadioGroup, message } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useChosen } from '@/agency/me'
import { api, ok, unread, type Schemas } from '@/api/client'
import { LENGTHS } from '@/api/lengths'
import { counted } from '@/api/words'
import ActButton from '@/parts/ActButton.vue'
import ComingShape from '@/parts/ComingShape.vue'
import DialogBox from '@/parts/DialogBox.vue'
import FormField from '@/parts/FormField.vue'
import LabelChip from '@/parts/LabelChip.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import { useProblem } from '@/parts/problem'

type Label = Schemas['Labels']['labels'][number]
const props = defineProps<{ workspace: string }>()
const { workspace: client } = useChosen()
const queries = useQueryClient()
const path = { workspace: props.workspace }
const { data, error } = useQuery({
  queryKey: ['plan', props.workspace, 'labels'],
  queryFn: () => ok(api.GET('/api/w/{workspace}/labels', { params: { path } })),
})
async function again() {
  await queries.invalidateQueries({ queryKey: ['plan'] })
  void queries.invalidateQueries({ queryKey: ['plan-choices'] })
}

// upper ones, each with what stands below it
const rows = computed(() => {
  const all = data.value?.labels ?? []
  return all
    .filter((one) => !one.parent_id)
    .flatMap((top) => [
      { ...top, below: false },
      ...all.filter((one) => one.parent_id === top.id).map((one) => ({ ...one, below: true })),
    ])
})
const tops = (one: Label) => [
  { value: null, label: 'nothing' },
  ...(data.value?.labels ?? [])
    .filter((top) => !top.parent_id && top.id !== one.id)
    .map((top) => ({ value: top.id as string | null, label: top.name })),
]
const others = (one: Label) =>
  (data.value?.labels ?? [])
    .filter((other) => other.id !== one.id)
    .map((other) => ({ value: other.id, label: other.name }))

const changing = ref<Label>()
const merging = ref<Label>()
const into = ref('')
const { busy, at, beside, run, clear } = useProblem()
function change(one: Label) {
  clear()
  changing.value = { ...one }
}
function merge(one: Label) {
  clear()
  into.value = others(one)[0]?.value ?? ''
  merging.value = one
}
async function keep() {
  const { id, name, initials, colour, parent_id: parent } = changing.value!
  const body = { name, initials, colour, parent }
  const done = await run(() =>
    ok(api.PUT('/api/w/{workspace}/labels/{label}', { params: { path: { ...path, label: id } }, body })).then(
      () => true,
    ),
  )
  if (done) changing.value = undefined
  await again()
}
async function mergeNow() {
  const one = merging.value!
  const params = { path: { ...path, label: one.id } }
  const done = await run(() =>
    ok(api.POST('/api/w/{workspace}/labels/{label}/merge', { params, body: { into: into.value } })),
  )
  if (!done) return
  merging.value = undefined
  void message.success(`“${one.name}” is merged; ${counted(done.posts, 'post carries', 'posts carry')} the other now.`)
  await again()
}

// the mix, by label
const shares = ref<Record<string, number | undefined>>({})
watch(
  data,
  (found) => found && (shares.value = Object.fromEntries(found.targets.map((one) => [one.label_id, one.percent]))),
  { immediate: true },
)
const sum = computed(() => Object.values(shares.value).reduce<number>((all, one) => all + (one ?? 0), 0))
const changed = computed(() => {
  const now = Object.entries(shares.value).filter(([, share]) => share)
  const was = data.value?.targets ?? []
  return now.length !== was.length || was.some((one) => shares.value[one.label_id] !== one.percent)
})
const mixing = useProblem()
async function want() {
  const targets = Object.entries(shares.value).flatMap(([label_id, percent]) =>
    percent ? [{ label_id, percent }] : [],
  )
  const done = await mixing.run(() =>
    ok(api.PUT('/api/w/{workspace}/plan/mix', { params: { path }, body: { targets } })).then(() => true),
  )
  if (done) void message.success('The mix is kept.')
  await again()
}
</script>

<template>
  <main class="labels">
    <div class="page-head">
      <h1>Labels</h1>
      <span class="quiet">{{ client?.name }}</span>
      <span class="fill" />
      <router-link :to="{ name: 'plan', query: { client: workspace } }">Back to the plan</router-link>
    </div>
    <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
    <ComingShape v-if="!data && !error" label="Fetching the labels" :lines="6" />
    <form v-if="data" @submit.prevent="want">
      <table>
        <thead>
          <tr>
            <th scope="col">Label</th>
            <th scope="col" class="right">posts</th>
            <th scope="col" class="right">pencil marks</th>
            <th scope="col">wanted in the plan</th>
            <th scope="col"><span class="hidden">acts</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.id">
            <th scope="row" :class="{ below: row.below }"><LabelChip v-bind="row" /></th>
            <td class="right">{{ row.posts }}</td>
            <td class="right">{{ row.marks }}</td>
            <td>
              <InputNumber
                v-model:value="shares[row.id]"
                :min="0"
                :max="100"
                :precision="0"
                :disabled="!data.can.order_labels?.ok"
                :aria-label="`Percent of ${row.name}`"
              />
              %
            </td>
            <td class="do">
              <ActButton link :may="data.can.order_labels" :aria-label="`Change ${row.name}`" @click="change(row)"
                >Change</ActButton
              >
              <ActButton
                link
                :may="data.can.order_labels"
                :off="data.labels.length < 2 && 'There is no other label.'"
                :aria-label="`Merge ${row.name}`"
                @click="merge(row)"
                >Merge</ActButton
              >
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="rows.length === 0" class="quiet none">
        No label yet. A post gets one in its sheet, or several at once in the plan.
      </p>
      <p v-else class="sum">
        <span :class="sum > 100 ? 'late' : 'quiet'"
          >{{ sum }} % in all; what is left to 100 is for posts without one of these.</span
        >
        <Button type="primary" html-type="submit" :disabled="!changed" :loading="mixing.busy.value"
          >Keep the mix</Button
        >
      </p>
      <p v-if="mixing.beside([])" role="alert" class="wrong">{{ mixing.beside([]) }}</p>
    </form>
    <DialogBox
      v-if="changing"
      :title="`Change “${data?.labels.find((one) => one.id === changing!.id)?.name}”`"
      :width="400"
      @close="changing = undefined"
    >
      <form @submit.prevent="keep">
        <FormField id="label-name" label="Name" hint="It changes on every post that carries it." :wrong="at('name')">
          <Input id="label-name" v-model:value="changing.name" :maxlength="LENGTHS.name" />
        </FormField>
        <FormField id="label-initials" label="Initials, one or two letters" :wrong="at('initials')">
          <Input id="label-initials" v-model:value="changing.initials" :maxlength="2" />
        </FormField>
        <FormField id="label-parent" label="Stands below" :wrong="at('parent')">
          <ChoiceField id="label-parent" v-model="changing.parent_id" :options="tops(changing)" />
        </FormField>
        <RadioGroup v-model:value="changing.colour" class="colours" aria-label="Colour">
          <Radio v-for="(_, name) in data?.colours" :key="name" :value="name">
            <LabelChip
              :name="String(name)"
              :colour="String(name)"
              :initials="changing.initials || changing.name.slice(0, 1)"
            />
          </Radio>
        </RadioGroup>
        <p v-if="beside(['name', 'initials', 'parent'])" role="alert" class="wrong">
          {{ beside(['name', 'initials', 'parent']) }}
        </p>
        <div class="acts">
          <Button type="primary" html-type="submit" :loading="busy">Save</Button>
          <Button @click="changing = undefined">Cancel</Button>
        </div>
      </form>
    </DialogBox>
    <DialogBox v-if="merging" :title="`Merge “${merging.name}”`" :width="400" @close="merging = undefined">
      <form @submit.prevent="mergeNow">
        <FormField id="label-into" label="into" :wrong="at('into')">
          <ChoiceField id="label-into" v-model="into" :options="others(merging)" />
        </FormField>
        <p>
          {{ counted(merging.posts, 'post', 'posts') }} and
          {{ counted(merging.marks, 'pencil initials', 'pencil marks') }} carry the other label then; saved views that
          name this one show what they showed. This cannot be undone.
        </p>
        <p v-if="beside(['into'])" role="alert" class="wrong">{{ beside(['into']) }}</p>
        <div class="acts">
          <Button type="primary" html-type="submit" :loading="busy">Merge them</Button>
          <Button @click="merging = undefined">Cancel</Button>
        </div>
      </form>
    </DialogBox>
  </main>
</template>

<style scoped>
.labels {
  max-width: 900px;
  padding: 14px 20px 40px;
}
table {
  width: 100%;
  border-collapse: collapse;
  border-top: 2px solid var(--ink);
}
th,
td {
  padding: 5px 14px 5px 0;
  border-bottom: 1px solid var(--rule);
  font-weight: 450;
  text-align: left;
}
thead th {
  color: var(--ink-2);
  font-weight: 600;
}
.right {
  text-align: right;
}
.below {
  padding-left: 24px;
}
td.do {
  text-align: right;
  white-space: nowrap;
}
td.do > * {
  margin-left: 14px;
}
.sum {
  display: flex;
  gap: 14px;
  align-items: center;
  justify-content: flex-end;
  margin-top: 10px;
}
.none {
  margin-top: 10px;
}
.colours {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  margin-bottom: 12px;
}
</style>
