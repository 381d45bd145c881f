<script setup lang="ts">
// The planned time, a wall time in the client's zone. What another time costs is said before it is saved.
import { Button, message } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { api, ok, sentence, type Schemas } from '@/api/client'
import { place } from '@/api/time'
import { useAct } from './sheet'

const props = defineProps<{ workspace: string; post: string; channel?: string; server: Schemas['Part']; zone: string; off?: string }>()
const saved = computed(() => props.server.value as { wall: string; zone: string } | null)
const wall = ref('')
const cost = ref<Schemas['TimeCost']>()
const id = computed(() => `time-${props.channel ?? 'master'}`)
watch(saved, (now) => (wall.value = now?.wall.slice(0, 16) ?? ''), { immediate: true })
const changed = computed(() => wall.value !== (saved.value?.wall.slice(0, 16) ?? ''))

async function weigh() {
  cost.value = undefined
  if (!changed.value || wall.value === '') return
  try {
    cost.value = await ok(
      api.POST('/api/w/{workspace}/posts/{post}/time-cost', {
        params: { path: { workspace: props.workspace, post: props.post } },
        body: { channel: props.channel ?? null, value: { wall: wall.value, zone: props.zone } },
      }),
    )
    if (cost.value.costs.length === 0 && cost.value.kind === 'ordinary' && !cost.value.past) save.mutate(undefined)
  } catch (problem) {
    void message.error(sentence(problem), 8)
  }
}

const save = useAct<undefined>(
  props.post,
  () =>
    ok(
      api.PUT('/api/w/{workspace}/posts/{post}/parts/{part}', {
        params: { path: { workspace: props.workspace, post: props.post, part: 'time' }, query: { channel: props.channel }, header: { 'If-Match': `"${props.server.own ? props.server.version : 0}"` } },
        body: { value: wall.value === '' ? null : { wall: wall.value, zone: props.zone } },
      }),
    ),
  () => (cost.value = undefined),
)

function back() {
  wall.value = saved.value?.wall.slice(0, 16) ?? ''
  cost.value = undefined
}
</script>

<template>
  <div>
    <label :for="id" class="hidden">Planned time in {{ place(zone) }}</label>
    <input :id="id" v-model="wall" type="datetime-local" :disabled="!!off" :title="off ?? `Wall time in ${place(zone)}`" @change="weigh" />
    <span class="quiet">{{ place(zone) }}</span>
    <div v-if="cost && changed" class="cost" role="alert">
      <p v-if="cost.past">That moment has passed: it cannot be released for it.</p>
      <p v-if="cost.kind === 'gap'">The clock jumps over that time in {{ place(zone) }}; it is read as an hour later by the new clock.</p>
      <p v-if="cost.kind === 'doubled'">The clock shows that time twice in {{ place(zone) }}; the first one is meant.</p>
      <template v-for="one in cost.costs" :key="one.channel">
        <p v-for="line in one.costs" :key="line">
          <b>{{ one.channel }}:</b> {{ line }}
        </p>
      </template>
      <Button type="primary" size="small" :loading="save.isPending.value" @click="save.mutate(undefined)">Change the time</Button>
      <Button size="small" @click="back">Leave it</Button>
    </div>
  </div>
</template>

<style scoped>
input {
  font: inherit;
  width: 100%;
  height: 26px;
  padding: 0 4px;
  border: 1px solid #9ba09d;
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
}
.cost {
  margin-top: 6px;
  padding: 8px;
  border: 1px solid var(--ink);
  background: var(--sheet);
  text-align: left;
}
.cost p {
  margin-bottom: 6px;
}
.cost button {
  margin-right: 6px;
}
</style>
