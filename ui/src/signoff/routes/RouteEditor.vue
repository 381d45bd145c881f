<script setup lang="ts">
// A route as it is written, step by step, with what that does to what is asked and what would happen to a real post.
import { LENGTHS } from '@/api/lengths'
import { Button, Checkbox, Input } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { api, isProblem, ok } from '@/api/client'
import { useProblem } from '@/parts/problem'
import RouteAsked from './RouteAsked.vue'
import RoutePlay from './RoutePlay.vue'
import RouteStep from './RouteStep.vue'
import { newStep, type Draft } from './route'
import type { Known } from './known'

const props = defineProps<{ workspace: string; known: Known }>()
const draft = defineModel<Draft>({ required: true })
const emit = defineEmits<{ saved: []; cancel: []; changed: [] }>()
const letGo = ref<string[]>([])
const { busy, problem, beside, run, error: refused } = useProblem()
const wrongAt = computed(() => (problem.value?.facts as { step?: number } | undefined)?.step)
const isNew = computed(() => draft.value.id === null)

function move(index: number, by: number) {
  draft.value.steps.splice(index + by, 0, draft.value.steps.splice(index, 1)[0]!)
}
async function save() {
  const { id, name, steps, seen, preset, releases_itself, locks_time } = draft.value
  const path = { workspace: props.workspace }
  const body = { name, steps, seen, preset, releases_itself, locks_time, let_go: letGo.value }
  const saved = await run(() =>
    id
      ? ok(api.PUT('/api/w/{workspace}/routes/{route}', { params: { path: { ...path, route: id } }, body }))
      : ok(api.POST('/api/w/{workspace}/routes', { params: { path }, body })),
  )
  if (saved) return emit('saved')
  if (isProblem(refused.value) && refused.value.problem.code === 'route_changed') {
    draft.value.seen = (refused.value.problem.facts as { seen: number }).seen
    emit('changed')
  }
}
</script>

<template>
  <form @submit.prevent="save">
    <label class="name"
      >Name of the route <Input v-model:value="draft.name" :maxlength="LENGTHS.name" placeholder="In a hurry"
    /></label>
    <p v-if="problem?.field === 'name'" class="wrong" role="alert">{{ problem.detail }} {{ problem.way_on }}</p>
    <RouteStep
      v-for="(step, index) in draft.steps"
      :key="index"
      v-model="draft.steps[index]!"
      :index="index"
      :last="index === draft.steps.length - 1"
      :known="known"
      :wrong="wrongAt === index + 1 && problem ? `${problem.detail} ${problem.way_on}` : undefined"
      @move="move(index, $event)"
      @remove="draft.steps.splice(index, 1)"
    />
    <Button size="small" @click="draft.steps.push(newStep(known, 'internal'))">Add a step</Button>
    <div class="rest">
      <Checkbox v-model:checked="draft.releases_itself">what has all its yeses releases itself for its time</Checkbox>
      <Checkbox v-model:checked="draft.locks_time">the time is locked with the rest once all have said yes</Checkbox>
    </div>
    <RouteAsked v-if="!isNew" v-model="letGo" :workspace="workspace" :draft="draft" :rule="known.can.rule" />
    <RoutePlay :workspace="workspace" :draft="draft" />
    <p v-if="!wrongAt && beside(['name'])" class="wrong" role="alert">{{ beside(['name']) }}</p>
    <div class="acts">
      <Button type="primary" html-type="submit" :loading="busy">Save the route</Button>
      <Button @click="emit('cancel')">Cancel</Button>
    </div>
  </form>
</template>

<style scoped>
.name {
  display: grid;
  gap: 2px;
  max-width: 320px;
  margin-bottom: 12px;
}
.rest {
  display: grid;
  gap: 2px;
  padding: 8px 0;
}
</style>
