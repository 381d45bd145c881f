<script setup lang="ts">
// The record across clients, or of the agency itself, with filters; as a file too.
import { Button, Radio, RadioGroup } from 'ant-design-vue'
import { useInfiniteQuery, useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, ok, unread } from '@/api/client'
import { useChosen } from './me'
import RecordList from '@/record/RecordList.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import DayField from '@/parts/fields/DayField.vue'

const { workspaces } = useChosen()
const of = ref<'clients' | 'agency'>('clients')
const workspace = ref('')
const person = ref('')
const from = ref('')
const to = ref('')
const filters = computed(() => ({
  of: of.value,
  workspace: workspace.value || undefined,
  person: person.value || undefined,
  from: from.value || undefined,
  to: to.value || undefined,
}))
const { data, error, hasNextPage, fetchNextPage, isFetchingNextPage } = useInfiniteQuery({
  queryKey: ['agency-record', filters],
  queryFn: ({ pageParam }) =>
    ok(api.GET('/api/agency/record', { params: { query: { ...filters.value, before: pageParam } } })),
  initialPageParam: undefined as string | undefined,
  getNextPageParam: (last) => last.next ?? undefined,
})
const { data: agency } = useQuery({ queryKey: ['agency-people'], queryFn: () => ok(api.GET('/api/agency/people')) })
const rows = computed(() => data.value?.pages.flatMap((page) => page.rows) ?? [])
const names = computed(() => Object.fromEntries(workspaces.value.map((one) => [one.id, one.name])))
function file(as: string) {
  const query = new URLSearchParams(
    Object.entries({ ...filters.value, as }).filter((pair): pair is [string, string] => pair[1] !== undefined),
  )
  return `/api/agency/record-file?${query}`
}
</script>

<template>
  <main class="page">
    <div class="page-head">
      <RadioGroup v-model:value="of" aria-label="Whose record">
        <Radio value="clients">of clients</Radio>
        <Radio value="agency">of the agency itself</Radio>
      </RadioGroup>
      <template v-if="of === 'clients'">
        <label for="of-client">Client</label>
        <ChoiceField
          id="of-client"
          v-model="workspace"
          :options="[{ value: '', label: 'all' }, ...workspaces.map((one) => ({ value: one.id, label: one.name }))]"
        />
        <label for="who">Who</label>
        <ChoiceField
          id="who"
          v-model="person"
          :options="[
            { value: '', label: 'everybody' },
            ...(agency?.people ?? []).map((one) => ({ value: one.id, label: one.name })),
          ]"
        />
        <label for="from">From</label><DayField id="from" v-model="from" /> <label for="to">To</label
        ><DayField id="to" v-model="to" />
      </template>
      <span class="fill" />
      <a :href="file('csv')" download>As CSV</a>
      <a :href="file('json')" download>As JSON</a>
    </div>
    <p v-if="error" role="alert">{{ unread(error) }}</p>
    <RecordList :rows="rows" :clients="names" />
    <div v-if="hasNextPage" class="acts">
      <Button :loading="isFetchingNextPage" @click="fetchNextPage()">Show older</Button>
    </div>
  </main>
</template>
