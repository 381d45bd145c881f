<script setup lang="ts">
// What becomes of everything that is asked now, once the route is changed so; and what shall go instead of going on.
import { Checkbox } from 'ant-design-vue'
import { useQuery } from '@tanstack/vue-query'
import { computed, watch } from 'vue'
import { api, ok, type Schemas } from '@/api/client'
import { counted, list } from '@/api/words'
import type { Draft } from './route'

const props = defineProps<{ workspace: string; draft: Draft; rule?: Schemas['Can'][string] }>()
const letGo = defineModel<string[]>({ required: true })
const written = computed(() => JSON.stringify(props.draft.steps))
const { data } = useQuery({
  queryKey: computed(() => ['asked on route', props.workspace, props.draft.id, written.value]),
  queryFn: () =>
    ok(
      api.POST('/api/w/{workspace}/routes/{route}/look', {
        params: { path: { workspace: props.workspace, route: props.draft.id! } },
        body: { steps: props.draft.steps },
      }),
    ),
  retry: false,
})
type Asked = NonNullable<typeof data.value>['asked'][number]
watch(data, (now) => {
  const gone = (now?.asked ?? []).filter((one) => !one.stays).map((one) => one.step_id)
  letGo.value = letGo.value.filter((id) => gone.includes(id))
})
function becomes(one: Asked) {
  const asked = one.posts > 0 ? `${counted(one.posts, 'post', 'posts')} asked of ${list(one.waiting)}` : ''
  const yeses = one.answered > 0 ? `${counted(one.answered, 'post has', 'posts have')} a yes there` : ''
  const what = [asked, yeses].filter(Boolean).join('; ')
  if (one.stays) return `${what}: goes on, and every yes counts.`
  if (letGo.value.includes(one.step_id)) return `${what}: is withdrawn; these posts pass the new steps alone.`
  return `${what}: goes on; these posts need this step and the new ones.`
}
function flip(id: string) {
  letGo.value = letGo.value.includes(id) ? letGo.value.filter((one) => one !== id) : [...letGo.value, id]
}
</script>

<template>
  <div v-if="(data?.asked ?? []).length > 0" class="asked" role="status">
    <p><b>What is asked now</b></p>
    <ul>
      <li v-for="one in data!.asked" :key="one.step_id">
        <b>{{ one.name }}</b> {{ becomes(one) }}
        <Checkbox
          v-if="!one.stays"
          :checked="letGo.includes(one.step_id)"
          :disabled="!rule?.ok"
          :title="rule?.why ?? undefined"
          @change="flip(one.step_id)"
          >let it go, on record</Checkbox
        >
      </li>
    </ul>
  </div>
  <p v-else class="quiet">Nothing is asked at these steps now. No yes is lost.</p>
</template>

<style scoped>
.asked {
  padding: 8px 0;
  border-top: 1px solid var(--rule);
}
.asked li {
  padding: 3px 0;
}
</style>
