<script setup lang="ts">
// The client's sign-off route: which steps, who answers, how many must, and how long they get. From a preset or step
// by step.
import { Button, Checkbox, Input, InputNumber, message } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, isProblem, ok, unread } from '@/api/client'
import { useChosen } from '@/agency/me'
import { draft } from '@/parts/drafts'
import { list } from '@/api/words'
import StampMark from '@/parts/StampMark.vue'
import { useProblem } from '@/parts/problem'
import ActButton from '@/parts/ActButton.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'

interface Step {
  name: string
  side: string
  quorum: string
  n: number | null
  hours: number
  required: boolean
  four_eyes: boolean
  people: string[]
}
const props = defineProps<{ workspace: string }>()
const queries = useQueryClient()
const path = { workspace: props.workspace }
const { workspace: client } = useChosen()
const { data, error } = useQuery({
  queryKey: ['route', props.workspace],
  queryFn: () => ok(api.GET('/api/w/{workspace}/route', { params: { path } })),
})
const steps = ref<Step[]>([])
const preset = ref<string | null>(null)
const seen = ref<string | null>(null)
const editing = ref(false)
const { busy, problem, beside, run, error: refused } = useProblem()
const may = computed(() => (client.value?.setup_step ? data.value?.can.change_settings : data.value?.can.change_route))
const wrongAt = computed(() => (problem.value?.facts as { step?: number } | undefined)?.step)

const plain = () =>
  (data.value?.steps ?? []).map(({ name, side, quorum, n, hours, required, four_eyes, people }) => ({
    name,
    side,
    quorum,
    n: n ?? null,
    hours,
    required,
    four_eyes,
    people: [...people],
  }))
watch(
  data,
  (now) => {
    if (!now || editing.value) return
    steps.value = plain()
    seen.value = now.id
  },
  { immediate: true },
)
// what is being written stays in this browser until it stands or is left
const box = draft(`route:${props.workspace}`)
const kept = JSON.parse(box.read() ?? 'null') as { steps: Step[]; seen: string | null; preset: string | null } | null
if (kept) {
  steps.value = kept.steps
  seen.value = kept.seen
  preset.value = kept.preset
  editing.value = true
}
watch(
  [steps, editing, seen, preset],
  () => {
    if (editing.value) box.write(JSON.stringify({ steps: steps.value, seen: seen.value, preset: preset.value }))
    else box.clear()
  },
  { deep: true },
)
function begin(key?: string) {
  const found = data.value?.presets.find((one) => one.key === key)
  if (found) {
    preset.value = found.key
    steps.value = found.steps.map((one) => ({
      ...one,
      quorum: 'any',
      n: null,
      hours: one.side === 'client' ? 16 : 8,
      required: true,
      four_eyes: true,
      people: everybody(one.side),
    }))
  }
  editing.value = true
}
function everybody(side: string) {
  const able = (side === 'client' ? data.value?.able.client : data.value?.able.internal) ?? []
  return able.map((one) => one.id)
}
const able = (side: string) => (side === 'client' ? data.value?.able.client : data.value?.able.internal) ?? []
function leave() {
  editing.value = false
  steps.value = plain()
}
function move(index: number, by: number) {
  steps.value.splice(index + by, 0, steps.value.splice(index, 1)[0]!)
}
function toggle(step: Step, id: string) {
  step.people = step.people.includes(id) ? step.people.filter((one) => one !== id) : [...step.people, id]
}
function turnSide(step: Step, side: string) {
  step.side = side
  step.people = everybody(side)
}
async function save() {
  const saved = await run(() =>
    ok(
      api.PUT('/api/w/{workspace}/route', {
        params: { path },
        body: { steps: steps.value, seen: seen.value, preset: preset.value },
      }),
    ),
  )
  if (saved) {
    editing.value = false
    seen.value = saved.id
    void message.success('The route stands from now on.')
    await queries.invalidateQueries({ queryKey: ['route', props.workspace] })
    void queries.invalidateQueries({ queryKey: ['posts'] })
  } else if (isProblem(refused.value) && refused.value.problem.code === 'route_changed') {
    seen.value = (refused.value.problem.facts as { seen: string }).seen
    void queries.invalidateQueries({ queryKey: ['route', props.workspace] })
  }
}
/** "any one of Wren and Ines", or just "Wren". */
function who(step: { names: string[]; quorum: string; n?: number | null }) {
  if (step.names.length === 0) return 'nobody is named yet, so nothing can be asked here'
  if (step.names.length === 1) return step.names[0]
  return `${QUORUM[step.quorum]?.(step.n ?? null)} ${list(step.names)}`
}
const QUORUM: Record<string, (n: number | null) => string> = {
  any: () => 'any one of',
  all: () => 'each of',
  n: (n) => `${n} of`,
}
</script>

<template>
  <main class="page">
    <p v-if="error" role="alert">{{ unread(error) }}</p>
    <div v-if="data" class="narrow">
      <section class="block">
        <div class="block-head">
          <h2>Sign-off route</h2>
          <span class="quiet">every post of {{ client?.name }} passes these steps, in this order</span>
        </div>
        <ol v-if="!editing" class="steps">
          <li v-for="step in data.steps" :key="step.id" :class="step.side">
            <StampMark
              :stamp="{
                step_id: step.id,
                name: step.name,
                side: step.side === 'client' ? 'client' : 'internal',
                required: step.required,
                state: 'not_asked',
                who: [],
                since: null,
                due: null,
              }"
              :size="22"
            />
            <span>
              <b>{{ step.name }}</b>
              <span class="quiet"
                >{{ step.side === 'client' ? 'for the client' : 'inside'
                }}{{ step.required ? '' : ', advisory: never waits, never blocks' }}</span
              >
              <span class="line"
                >{{ who(step) }}, within {{ step.hours }} working hours{{
                  step.four_eyes ? '; whoever wrote part of it cannot clear it' : ''
                }}</span
              >
            </span>
          </li>
          <li v-if="data.steps.length === 0" class="none">
            No step: a post is drafting until somebody who may release marks it ready.
          </li>
        </ol>
        <form v-else @submit.prevent="save">
          <fieldset
            v-for="(step, index) in steps"
            :key="index"
            class="step"
            :class="[step.side, { bad: wrongAt === index + 1 }]"
          >
            <legend>Step {{ index + 1 }}</legend>
            <div class="line-of">
              <label class="grow">Name <Input v-model:value="step.name" :maxlength="60" /></label>
              <span class="labelled"
                ><label :for="`side-${index}`">Side</label>
                <ChoiceField
                  :id="`side-${index}`"
                  :model-value="step.side"
                  :options="[
                    { value: 'internal', label: 'inside' },
                    { value: 'client', label: 'the client' },
                  ]"
                  @update:model-value="turnSide(step, $event)"
                />
              </span>
              <span class="labelled"
                ><label :for="`quorum-${index}`">How many</label>
                <ChoiceField
                  :id="`quorum-${index}`"
                  v-model="step.quorum"
                  :options="[
                    { value: 'any', label: 'any one' },
                    { value: 'all', label: 'each of them' },
                    { value: 'n', label: 'a number' },
                  ]"
                  @update:model-value="step.n = $event === 'n' ? 2 : null"
                />
              </span>
              <label v-if="step.quorum === 'n'"
                >Number
                <InputNumber
                  :value="step.n ?? undefined"
                  :min="1"
                  class="short"
                  @update:value="step.n = Number($event)"
              /></label>
              <label
                >Working hours <InputNumber v-model:value="step.hours" :min="0.5" :step="0.5" class="short"
              /></label>
            </div>
            <div class="line-of">
              <Checkbox
                v-for="one in able(step.side)"
                :key="one.id"
                :checked="step.people.includes(one.id)"
                @change="toggle(step, one.id)"
                >{{ one.name }}</Checkbox
              >
              <span v-if="able(step.side).length === 0" class="quiet"
                >Nobody of this side may answer yet; invite them, then name them here.</span
              >
            </div>
            <div class="line-of">
              <Checkbox v-model:checked="step.required">required</Checkbox>
              <Checkbox v-model:checked="step.four_eyes">four eyes</Checkbox>
              <span class="fill" />
              <Button size="small" :disabled="index === 0" @click="move(index, -1)">Earlier</Button>
              <Button size="small" :disabled="index === steps.length - 1" @click="move(index, 1)">Later</Button>
              <Button size="small" @click="steps.splice(index, 1)">Remove</Button>
            </div>
            <p v-if="wrongAt === index + 1 && problem" class="wrong" role="alert">
              {{ problem.detail }} {{ problem.way_on }}
            </p>
          </fieldset>
          <Button
            size="small"
            @click="
              steps.push({
                name: '',
                side: 'internal',
                quorum: 'any',
                n: null,
                hours: 8,
                required: true,
                four_eyes: true,
                people: everybody('internal'),
              })
            "
            >Add a step</Button
          >
          <p class="quiet">What was asked keeps its steps; what is drafting passes the new route. No yes is lost.</p>
          <p v-if="!wrongAt && beside([])" class="wrong" role="alert">{{ beside([]) }}</p>
          <div class="acts">
            <Button type="primary" html-type="submit" :loading="busy">Save the route</Button>
            <Button @click="leave">Cancel</Button>
          </div>
        </form>
        <div v-if="!editing" class="acts">
          <ActButton :may="may" @click="begin()">Change the route …</ActButton>
          <span v-if="!may?.ok" class="quiet">{{ may?.why }}</span>
        </div>
      </section>
      <section v-if="may?.ok" class="block">
        <h2>Or begin from one of these</h2>
        <ul>
          <li v-for="one in data.presets" :key="one.key">
            <button type="button" class="link-button" @click="begin(one.key)">{{ one.words }}</button>
          </li>
        </ul>
      </section>
    </div>
  </main>
</template>

<style scoped>
.labelled,
.line-of > label:not([class*='ant']) {
  display: grid;
  gap: 2px;
}

.narrow {
  max-width: 860px;
}
.steps li {
  display: flex;
  gap: 12px;
  align-items: flex-start;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}
.steps b {
  margin-right: 8px;
}
.line {
  display: block;
}
.step {
  border: 0;
  border-left: 4px solid var(--internal);
  padding: 2px 0 8px 12px;
  margin: 0 0 12px;
}
.step.client {
  border-left-color: var(--client);
}
.step.bad {
  border-left-color: var(--trouble);
}
legend {
  font-weight: 600;
  padding: 0;
}
.line-of {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: end;
  margin-top: 4px;
}
.grow {
  flex: 1 1 200px;
}
.none {
  color: var(--ink-2);
}
</style>
