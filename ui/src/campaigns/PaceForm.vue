<script setup lang="ts">
// The pace that is wanted of each channel; what is empty is not looked at.
import { Button, InputNumber } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { reactive } from 'vue'
import { api, ok, type Schemas } from '@/api/client'
import FormField from '@/parts/FormField.vue'
import { useProblem } from '@/parts/problem'

const props = defineProps<{ workspace: string; limits: Schemas['PaceLimits'] }>()
const emit = defineEmits<{ done: [] }>()
const queries = useQueryClient()
type Name = keyof Schemas['PaceLimits']
const FIELDS: { name: Name; label: string; min: number; max: number }[] = [
  { name: 'week_min', label: 'Posts a week, at least', min: 1, max: 50 },
  { name: 'day_max', label: 'Posts a day, at most', min: 1, max: 20 },
  { name: 'apart', label: 'Minutes apart, at least', min: 15, max: 1_440 },
  { name: 'gap', label: 'Days without a post, at most', min: 1, max: 60 },
]
// an emptied field gives null
const wanted = reactive(
  Object.fromEntries(FIELDS.map(({ name }) => [name, props.limits[name] ?? undefined])) as Record<
    Name,
    number | undefined
  >,
)
const { busy, at, beside, run } = useProblem()
async function save() {
  const body = Object.fromEntries(FIELDS.map(({ name }) => [name, wanted[name] ?? null])) as Schemas['PaceLimits']
  const done = await run(() =>
    ok(api.PUT('/api/w/{workspace}/plan/pace', { params: { path: { workspace: props.workspace } }, body })).then(
      () => true,
    ),
  )
  if (!done) return
  await queries.invalidateQueries({ queryKey: ['plan'] })
  emit('done')
}
</script>

<template>
  <form @submit.prevent="save">
    <p class="quiet">Of each channel of this client. What is empty is not looked at.</p>
    <div class="fields">
      <FormField
        v-for="one in FIELDS"
        :id="`pace-${one.name}`"
        :key="one.name"
        :label="one.label"
        :wrong="at(one.name)"
      >
        <InputNumber
          :id="`pace-${one.name}`"
          v-model:value="wanted[one.name]"
          :min="one.min"
          :max="one.max"
          :precision="0"
        />
      </FormField>
    </div>
    <p v-if="beside(FIELDS.map((one) => one.name))" role="alert" class="wrong">
      {{ beside(FIELDS.map((one) => one.name)) }}
    </p>
    <div class="acts">
      <Button type="primary" html-type="submit" :loading="busy">Save the pace</Button>
      <Button @click="emit('done')">Cancel</Button>
    </div>
  </form>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 16px;
}
</style>
