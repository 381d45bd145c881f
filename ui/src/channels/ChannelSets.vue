<script setup lang="ts">
// Channel sets: channels under one name, chosen together in a post, a filter, an ask.
import { LENGTHS } from '@/api/lengths'
import { Button, Checkbox, Input } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, isProblem, ok, type Schemas } from '@/api/client'
import { useProblem } from '@/parts/problem'

const props = defineProps<{ workspace: string; here: Schemas['ClientChannels'] }>()
const queries = useQueryClient()
const path = { workspace: props.workspace }
const editing = ref<{ id?: string; version: number; name: string; channel_ids: string[] }>()
const { busy, at, beside, run, error } = useProblem()
const may = computed(() => props.here.can.connect?.ok === true)
const names = computed(() => Object.fromEntries(props.here.channels.map((one) => [one.id, one.name])))

function edit(one?: Schemas['ClientChannels']['sets'][number]) {
  editing.value = one ? { ...one, channel_ids: [...one.channel_ids] } : { version: 0, name: '', channel_ids: [] }
}
function toggle(id: string) {
  const set = editing.value!
  set.channel_ids = set.channel_ids.includes(id)
    ? set.channel_ids.filter((one) => one !== id)
    : [...set.channel_ids, id]
}
async function save() {
  const { id, version, name, channel_ids } = editing.value!
  const body = { name, channel_ids }
  const done = await run(async () => {
    if (id)
      await ok(
        api.PUT('/api/w/{workspace}/channel-sets/{set}', {
          params: { path: { ...path, set: id }, header: { 'If-Match': `"${version}"` } },
          body,
        }),
      )
    else await ok(api.POST('/api/w/{workspace}/channel-sets', { params: { path }, body }))
    return true
  })
  if (done) editing.value = undefined
  else if (isProblem(error.value) && error.value.problem.code === 'set_changed')
    editing.value!.version = (error.value.problem.facts as { version: number }).version
  void queries.invalidateQueries({ queryKey: ['channels', props.workspace] })
}
async function drop(set: string) {
  await run(() => ok(api.DELETE('/api/w/{workspace}/channel-sets/{set}', { params: { path: { ...path, set } } })))
  editing.value = undefined
  void queries.invalidateQueries({ queryKey: ['channels', props.workspace] })
}
</script>

<template>
  <section class="block" aria-label="Channel sets">
    <h2>Channel sets</h2>
    <p class="quiet">Chosen together in a post, in the list, in an ask. A set that is changed changes no post.</p>
    <ul>
      <li v-for="one in here.sets" :key="one.id">
        <button v-if="may" type="button" class="link-button" @click="edit(one)">{{ one.name }}</button><b v-else>{{
          one.name
        }}</b>
        <span class="quiet">{{
          one.channel_ids
            .map((id) => names[id])
            .filter(Boolean)
            .join(', ')
        }}</span>
      </li>
    </ul>
    <form v-if="editing" @submit.prevent="save">
      <div class="field" :class="{ bad: at('name') }">
        <label for="set-name">Name</label>
        <Input id="set-name" v-model:value="editing.name" :maxlength="LENGTHS.name" placeholder="such as all in town" />
        <span v-if="at('name')" class="wrong" role="alert">{{ at('name') }}</span>
      </div>
      <Checkbox
        v-for="one in here.channels"
        :key="one.id"
        :checked="editing.channel_ids.includes(one.id)"
        @change="toggle(one.id)"
        >{{ one.name }}</Checkbox
      >
      <p v-if="at('channel_ids') ?? beside(['name', 'channel_ids'])" class="wrong" role="alert">
        {{ at('channel_ids') ?? beside(['name', 'channel_ids']) }}
      </p>
      <div class="acts">
        <Button type="primary" size="small" html-type="submit" :loading="busy">Save the set</Button>
        <Button size="small" @click="editing = undefined">Cancel</Button>
        <Button v-if="editing.id" size="small" danger @click="drop(editing.id)">Remove</Button>
      </div>
    </form>
    <Button
      v-else
      size="small"
      :disabled="!may || here.channels.length === 0"
      :title="here.can.connect?.why"
      @click="edit()"
      >New set</Button
    >
  </section>
</template>

<style scoped>
li {
  padding: 3px 0;
  border-bottom: 1px solid var(--hairline);
}
li .quiet {
  display: block;
}
</style>
