<script setup lang="ts">
// Links under which the client sees the plan without an account: made, told once, and ended.
import { Button, Checkbox, Input, InputNumber, message } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, ok, sentence, unread } from '@/api/client'
import { brief } from '@/api/time'
import { LENGTHS } from '@/api/lengths'
import { counted } from '@/api/words'
import DialogBox from '@/parts/DialogBox.vue'
import FormField from '@/parts/FormField.vue'
import { useProblem } from '@/parts/problem'

const props = defineProps<{ workspace: string; name: string; now: string }>()
const emit = defineEmits<{ close: [] }>()
const queries = useQueryClient()
const path = { workspace: props.workspace }
const key = ['plan-links', props.workspace]
const { data, error } = useQuery({
  queryKey: key,
  queryFn: () => ok(api.GET('/api/w/{workspace}/plan/links', { params: { path } })),
})
const again = () => queries.invalidateQueries({ queryKey: key })
const name = ref(props.name)
const weeks = ref(8)
const days = ref(90)
const marks = ref(false)
const money = ref(false)
const address = ref('')
const field = ref<{ select?: () => void }>()
const { busy, at, beside, run } = useProblem()
const FIELDS = ['name', 'weeks', 'days']

async function make() {
  const body = { name: name.value, weeks: weeks.value, days: days.value, marks: marks.value, money: money.value }
  const made = await run(() => ok(api.POST('/api/w/{workspace}/plan/links', { params: { path }, body })))
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
async function revoke(link: string) {
  try {
    await ok(api.DELETE('/api/w/{workspace}/plan/links/{link}', { params: { path: { ...path, link } } }))
  } catch (problem) {
    void message.error(sentence(problem), 8)
  }
  void again()
}
</script>

<template>
  <DialogBox title="Plan links" :width="540" @close="emit('close')">
    <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
    <ul v-if="data && data.links.length > 0" class="links">
      <li v-for="one in data.links" :key="one.id">
        <span
          ><b dir="auto">{{ one.name }}</b> {{ counted(one.weeks, 'week', 'weeks') }} ahead<template v-if="one.marks"
            >, pencil marks</template
          ><template v-if="one.money">, boosts</template>
          <span class="quiet"
            >made by {{ one.made_by }}, until {{ brief(one.expires_at, now) }},
            {{ one.read_at ? `opened last ${brief(one.read_at, now)}` : 'not opened yet' }}</span
          ></span
        >
        <button type="button" class="link-button" :aria-label="`End the link ${one.name}`" @click="revoke(one.id)">
          End it
        </button>
      </li>
    </ul>
    <div v-if="address" class="made" role="status">
      <p><b>This is the link. It is told once: copy it now.</b> Whoever has it sees the plan until it ends.</p>
      <p class="row">
        <Input ref="field" :value="address" readonly aria-label="Plan link" />
        <Button type="primary" @click="copy">Copy</Button>
      </p>
    </div>
    <form @submit.prevent="make">
      <FormField id="link-name" label="For whom" :wrong="at('name')">
        <Input id="link-name" v-model:value="name" :maxlength="LENGTHS.name" />
      </FormField>
      <div class="row">
        <FormField id="link-weeks" label="Weeks ahead" :wrong="at('weeks')">
          <InputNumber id="link-weeks" v-model:value="weeks" :min="1" :max="26" :precision="0" />
        </FormField>
        <FormField id="link-days" label="Ends after days" :wrong="at('days')">
          <InputNumber id="link-days" v-model:value="days" :min="1" :max="365" :precision="0" />
        </FormField>
      </div>
      <p><Checkbox v-model:checked="marks">with pencil marks</Checkbox></p>
      <p><Checkbox v-model:checked="money">with what boosts cost</Checkbox></p>
      <p class="quiet">It shows what the client was asked for and what is out: no draft, no house talk.</p>
      <p v-if="beside(FIELDS)" role="alert" class="wrong">{{ beside(FIELDS) }}</p>
      <div class="acts">
        <Button type="primary" html-type="submit" :loading="busy">Make a link</Button>
        <Button @click="emit('close')">Close</Button>
      </div>
    </form>
  </DialogBox>
</template>

<style scoped>
.links {
  margin-bottom: 12px;
  border-top: 1px solid var(--rule);
}
.links li {
  display: flex;
  gap: 12px;
  justify-content: space-between;
  padding: 7px 0;
  border-bottom: 1px solid var(--rule);
}
.links .quiet {
  display: block;
}
.row {
  display: flex;
  gap: 12px;
}
.made {
  margin-bottom: 14px;
  padding-left: 10px;
  border-left: 3px solid var(--ink);
}
</style>
