<script setup lang="ts">
// One act over several posts: what will and will not happen to each, before it is done; what did, after.
import { Button, CheckboxGroup, InputNumber, message } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { watchDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useChosen } from '@/agency/me'
import { api, ok, sentence } from '@/api/client'
import { STAGES, counted } from '@/api/words'
import DialogBox from '@/parts/DialogBox.vue'
import FormField from '@/parts/FormField.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import ClockField from '@/parts/fields/ClockField.vue'
import DayField from '@/parts/fields/DayField.vue'
import SuggestField from '@/parts/fields/SuggestField.vue'
import { offerUndo } from '@/parts/undo'
import {
  lookAt,
  reasons,
  run,
  spreadOver,
  steps,
  takeBack,
  undoing,
  type Asked,
  type Chosen,
  type One,
  type Order,
} from './several'
import { WORDS, notBack } from './several-words'
import { attempt } from '@/parts/problem'

const props = defineProps<{
  kind: Asked
  chosen: Chosen
  names: string[]
  people: { id: string; name: string }[]
  today: string
}>()
const emit = defineEmits<{ done: []; close: [] }>()
const queries = useQueryClient()
const words = computed(() => WORDS[props.kind])
const days = ref<number>(1)
const name = ref('')
const clock = ref('09:00')
const person = ref(props.people[0]?.id ?? '')
const first = ref(
  [...props.chosen.values()]
    .flatMap((one) => one.wall ?? [])
    .sort()[0]
    ?.slice(0, 10) ?? props.today,
)
const every = ref(2)
// copies
const { workspaces, id: here } = useChosen()
const homes = new Set([...props.chosen.values()].map((one) => one.workspace))
const home = here.value ?? (homes.size === 1 ? [...homes][0] : undefined)
const target = ref(home ?? workspaces.value[0]?.id ?? '')
const onto = ref<string[]>([])
const later = ref<number | undefined>(0)
const targets = computed(() => workspaces.value.filter((one) => one.can.make_post?.ok && !one.archived))
const { data: known } = useQuery({
  queryKey: computed(() => ['plan-choices', target.value]),
  queryFn: () => ok(api.GET('/api/plan/choices', { params: { query: { workspace: target.value } } })),
  enabled: computed(() => props.kind === 'copy' && !!target.value),
})
const targetChannels = computed(() => (known.value?.channels ?? []).filter((one) => one.workspace_id === target.value))
watch(target, () => (onto.value = []))
const named = computed(() => props.kind === 'label' || props.kind === 'campaign')
const posts = new Map(props.chosen)
const order = computed<Order>(() => {
  if (props.kind === 'spread') {
    const each = spreadOver(posts, first.value, every.value)
    return { kind: 'move', posts: new Map([...posts].filter(([id]) => id in each)), each }
  }
  const more: Partial<Record<Asked, Partial<Order>>> = {
    move: { days: days.value },
    clock: { clock: clock.value },
    owner: { person: person.value },
    label: { name: name.value.trim() },
    campaign: { name: name.value.trim() },
    copy: {
      client: target.value === home ? undefined : target.value,
      channels: onto.value,
      days: later.value ?? undefined, // an emptied field gives null
    },
  }
  return { kind: props.kind, posts, ...more[props.kind] }
})
const READY: Partial<Record<Asked, () => boolean>> = {
  move: () => !!days.value,
  clock: () => !!clock.value,
  spread: () => !!first.value && order.value.posts.size > 0,
  owner: () => !!person.value,
  label: () => name.value.trim() !== '',
  copy: () => onto.value.length > 0,
}
const ready = computed(() => READY[props.kind]?.() ?? true)
const timeless = computed(() => (props.kind === 'spread' ? posts.size - order.value.posts.size : 0))

// before: the same acts, done and taken back at once
const found = ref<One[]>()
const looked = ref(0)
const problem = ref('')
let look = 0
watchDebounced(
  order,
  async (asked) => {
    const mine = (look += 1)
    found.value = undefined
    looked.value = 0
    problem.value = ''
    if (!ready.value) return
    try {
      const answer = await lookAt(asked, (count) => mine === look && (looked.value = count))
      if (mine === look) found.value = answer
    } catch (error) {
      if (mine === look) problem.value = sentence(error)
    }
  },
  { immediate: true, debounce: 250 },
)
const can = computed(() => found.value?.filter((one) => one.done).length ?? 0)

const busy = ref(false)
async function go() {
  const asked = order.value
  const able = new Set(found.value?.filter((one) => one.done).map((one) => one.post_id))
  busy.value = true
  look += 1
  try {
    const doing = { ...asked, posts: new Map([...asked.posts].filter(([id]) => able.has(id))) }
    const answer = await run(doing)
    if (answer.found.length > 0) tell(doing, answer.found)
    emit('done')
    emit('close')
  } catch (error) {
    problem.value = sentence(error)
  } finally {
    busy.value = false
    again()
  }
}
const again = () => {
  for (const key of ['plan', 'batches', 'posts', 'desk']) void queries.invalidateQueries({ queryKey: [key] })
}
function tell(asked: Order, answer: One[]) {
  const back = undoing(asked, answer)
  const did = answer.filter((one) => one.done).length
  const left = answer.length - did
  const said = `${counted(did, 'post is', 'posts are')} ${words.value.did}.${left > 0 ? ` ${left} could not be, meanwhile.` : ''}`
  if (back.length === 0) return void message.info(said)
  offerUndo(said, () => undo(back))
}
async function undo(back: Order[]) {
  let stayed: Awaited<ReturnType<typeof takeBack>>['stayed'] = []
  const done = await attempt(async () => ({ stayed } = await takeBack(back)))
  if (stayed.length > 0) void message.warning(notBack(stayed), 12)
  again()
  return done && stayed.length === 0
}
</script>

<template>
  <DialogBox :title="`${words.title} ${counted(chosen.size, 'post', 'posts')}`" :width="480" @close="emit('close')">
    <form @submit.prevent="go">
      <FormField v-if="kind === 'move'" id="several-days" label="By how many days" hint="Less than 0: earlier.">
        <InputNumber id="several-days" v-model:value="days" :min="-366" :max="366" :precision="0" />
      </FormField>
      <FormField v-if="kind === 'clock'" id="several-clock" label="Hour">
        <ClockField id="several-clock" v-model="clock" label="Hour" />
      </FormField>
      <FormField v-if="kind === 'owner'" id="several-owner" label="Owner">
        <ChoiceField
          id="several-owner"
          v-model="person"
          :options="people.map((one) => ({ value: one.id, label: one.name }))"
        />
      </FormField>
      <div v-if="kind === 'spread'" class="spread">
        <FormField id="several-first" label="From"><DayField id="several-first" v-model="first" /></FormField>
        <FormField id="several-every" label="Days from one to the next">
          <InputNumber id="several-every" v-model:value="every" :min="1" :max="60" :precision="0" />
        </FormField>
      </div>
      <template v-if="kind === 'copy'">
        <FormField id="several-client" label="For">
          <ChoiceField
            id="several-client"
            v-model="target"
            :options="
              targets.map((one) => ({ value: one.id, label: one.id === home ? `${one.name}, here` : one.name }))
            "
          />
        </FormField>
        <fieldset class="onto">
          <legend>On</legend>
          <CheckboxGroup
            v-model:value="onto"
            :options="targetChannels.map((one) => ({ value: one.id, label: one.name }))"
          />
        </fieldset>
        <FormField
          id="several-later"
          label="Days later"
          :hint="
            target === home
              ? '0 keeps the time; less than 0 is earlier.'
              : 'Empty: without a time. 0 keeps day and hour.'
          "
        >
          <InputNumber id="several-later" v-model:value="later" :min="-366" :max="366" :precision="0" />
        </FormField>
        <p v-if="target !== home" class="quiet">
          Words, link and files come along, as files of that client. Talk, labels, tags and budgets stay here.
        </p>
      </template>
      <p v-if="timeless > 0" class="quiet">
        {{ counted(timeless, 'post has', 'posts have') }} no time, or stood where it was not seen, and
        {{ timeless === 1 ? 'stays' : 'stay' }} out.
      </p>
      <FormField
        v-if="named"
        id="several-name"
        :label="kind === 'label' ? 'Label' : 'Campaign'"
        :hint="
          kind === 'label'
            ? 'A new name makes a new label.'
            : 'A new name makes a new campaign; none takes them out of theirs.'
        "
      >
        <SuggestField id="several-name" v-model="name" :label="kind" :known="names" />
      </FormField>
      <div class="look" role="status">
        <p v-if="problem" class="wrong">{{ problem }}</p>
        <p v-else-if="!ready" class="quiet">Say which first.</p>
        <p v-else-if="!found" class="quiet">
          Looking what that would do …{{ looked > 0 ? ` ${looked} of ${order.posts.size}` : '' }}
        </p>
        <template v-else>
          <p>
            <b>{{ counted(can, 'post', 'posts') }}</b> {{ words.will }}.
          </p>
          <p v-for="step in steps(found)" :key="`${step.from} ${step.to}`" class="step">
            {{ counted(step.count, 'goes', 'go') }} from {{ STAGES[step.from] }} to {{ STAGES[step.to] }}.
          </p>
          <p v-for="{ why, count } in reasons(found)" :key="why">
            <b>{{ counted(count, 'post', 'posts') }}</b> will stay as {{ count === 1 ? 'it is' : 'they are' }}:
            {{ why }}
          </p>
        </template>
      </div>
      <div class="acts">
        <Button type="primary" html-type="submit" :disabled="can === 0" :loading="busy"
          >{{ words.act }} {{ can > 0 ? can : '' }}</Button
        >
        <Button @click="emit('close')">Cancel</Button>
      </div>
    </form>
  </DialogBox>
</template>

<style scoped>
.onto {
  border: 0;
  padding: 0;
  margin: 0 0 12px;
}
.onto legend {
  padding: 0;
  font-weight: 600;
}
.spread {
  display: flex;
  gap: 12px;
}
.look {
  max-height: 40vh;
  min-height: 60px;
  overflow: auto;
}
.look p {
  margin: 0 0 6px;
}
</style>
