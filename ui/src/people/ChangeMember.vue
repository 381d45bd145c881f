<script setup lang="ts">
// Changes a member's role, title, channels or last day; says first what that touches.
import { LENGTHS } from '@/api/lengths'
import { Button, Input, message } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, isProblem, ok, type Schemas } from '@/api/client'
import FormField from '@/parts/FormField.vue'
import { useProblem } from '@/parts/problem'
import ChannelLimit from './ChannelLimit.vue'
import HeirField from './HeirField.vue'
import DialogBox from '@/parts/DialogBox.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import DayField from '@/parts/fields/DayField.vue'

const props = defineProps<{
  workspace: string
  person: Schemas['ClientPeople']['people'][number]
  here: Schemas['ClientPeople']
  holds?: Schemas['MemberSheet']['holds']
}>()
const emit = defineEmits<{ close: [] }>()
const queries = useQueryClient()
const form = ref({
  role_id: props.person.role_id,
  title: props.person.title,
  channel_ids: props.person.channel_ids ?? null,
  until: props.person.until ?? '',
})
const to = ref('')
const version = ref(props.person.version)
const { busy, at, beside, run, error } = useProblem()
const roles = computed(() => props.here.roles.filter((one) => one.side === props.person.side))
const held = computed(() =>
  props.holds ? props.holds.tasks.length + props.holds.asks.length + props.holds.steps.length : 0,
)
const other = computed(() => form.value.role_id !== props.person.role_id)

async function save() {
  const saved = await run(() =>
    ok(
      api.PUT('/api/w/{workspace}/people/{membership}', {
        params: {
          path: { workspace: props.workspace, membership: props.person.id },
          header: { 'If-Match': `"${version.value}"` },
        },
        body: { ...form.value, until: form.value.until || null, to: to.value || null },
      }),
    ),
  )
  if (saved) {
    void message.success(`Changed what ${props.person.name} may do here.`)
    void queries.invalidateQueries({ queryKey: ['people', props.workspace] })
    emit('close')
  } else if (isProblem(error.value) && error.value.problem.code === 'member_changed') {
    version.value = (error.value.problem.facts as { version: number }).version
    void queries.invalidateQueries({ queryKey: ['people', props.workspace] })
  }
}
</script>

<template>
  <DialogBox :width="480" :title="`Change what ${person.name} may do here`" @close="emit('close')">
    <form @submit.prevent="save">
      <div class="pair">
        <FormField id="change-role" label="Role here" :wrong="at('role_id') ?? at('role')">
          <ChoiceField
            id="change-role"
            v-model="form.role_id"
            :options="roles.map((one) => ({ value: one.id, label: one.name }))"
          />
        </FormField>
        <FormField id="change-title" label="Title" :wrong="at('title')"
          ><Input id="change-title" v-model:value="form.title" :maxlength="LENGTHS.title"
        /></FormField>
      </div>
      <template v-if="person.side === 'agency'">
        <ChannelLimit v-model="form.channel_ids" :channels="here.channels" :wrong="at('channel_ids')" />
        <FormField id="change-until" label="Last day of access" :wrong="at('until')" hint="Empty: no end."
          ><DayField id="change-until" v-model="form.until"
        /></FormField>
      </template>
      <p v-else class="quiet">A member never changes sides: what each side may see differs for good.</p>
      <div v-if="other && held > 0 && holds" class="touches">
        <p>
          {{ person.name.split(' ')[0] }} has <b>{{ holds.tasks.length }}</b> open tasks,
          <b>{{ holds.asks.length }}</b> asks and <b>{{ holds.steps.length }}</b> steps of the route in hand.
        </p>
        <HeirField
          id="change-heir"
          v-model="to"
          :person="person"
          :here="here"
          label="Who takes them over"
          :wrong="at('to')"
        />
      </div>
      <p v-if="beside(['role_id', 'role', 'title', 'channel_ids', 'until', 'to'])" class="wrong" role="alert">
        {{ beside(['role_id', 'role', 'title', 'channel_ids', 'until', 'to']) }}
      </p>
      <div class="acts">
        <Button type="primary" html-type="submit" :loading="busy">Change it</Button>
        <Button @click="emit('close')">Cancel</Button>
      </div>
    </form>
  </DialogBox>
</template>

<style scoped>
.touches {
  border-left: 4px solid var(--ink);
  padding: 4px 10px;
  background: var(--ground);
}
</style>
