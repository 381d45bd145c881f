<script setup lang="ts">
// Which route a post or a campaign passes, and another one instead, for a reason that stays on record.
import { LENGTHS } from '@/api/lengths'
import { Button, Input } from 'ant-design-vue'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import ActButton from '@/parts/ActButton.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import { useProblem } from '@/parts/problem'
import { useRoutes } from './known'

const props = defineProps<{
  workspace: string
  /** the one that it passes now */
  name: string
  /** its own choice, if it made one */
  own: string | null
  usual: string
  may?: Schemas['Can'][string]
  put: (body: { route_id: string | null; reason: string }) => Promise<unknown>
}>()
const choosing = ref(false)
const chosen = ref<string | null>(props.own)
const reason = ref('')
const { data } = useRoutes(props.workspace)
const options = computed(() => [
  { value: null as string | null, label: props.usual },
  ...(data.value?.routes ?? [])
    .filter((one) => !one.default)
    .map((one) => ({ value: one.id as string | null, label: one.name })),
])
const { busy, beside, run } = useProblem()
async function save() {
  const done = await run(async () => {
    await props.put({ route_id: chosen.value, reason: reason.value })
    return true
  })
  if (!done) return
  choosing.value = false
  reason.value = ''
}
</script>

<template>
  <p v-if="!choosing" class="route">
    <span class="quiet">Route</span> {{ name }}
    <ActButton v-if="options.length > 1" link :may="may" @click="choosing = true">another one …</ActButton>
  </p>
  <form v-else class="route" @submit.prevent="save">
    <label for="route-choice">Route</label>
    <ChoiceField id="route-choice" v-model="chosen" :options="options" />
    <label for="route-reason">Why (stays on record, agency side only)</label>
    <Input id="route-reason" v-model:value="reason" :maxlength="LENGTHS.reason" />
    <p v-if="beside([])" class="wrong" role="alert">{{ beside([]) }}</p>
    <div class="acts">
      <Button html-type="submit" size="small" :disabled="reason.trim() === ''" :loading="busy">Choose it</Button>
      <Button size="small" @click="choosing = false">Cancel</Button>
    </div>
  </form>
</template>

<style scoped>
.route {
  padding: 4px 0;
}
form.route {
  display: grid;
  gap: 4px;
}
</style>
