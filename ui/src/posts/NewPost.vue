<script setup lang="ts">
// Begins a draft in the chosen client, which is made with its first word; with none chosen it asks for which, in the list that the switcher has too.
import { message } from 'ant-design-vue'
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import ClientList from '@/agency/ClientList.vue'
import { useChosen } from '@/agency/me'
import { recentFirst } from '@/agency/recent'
import { api, ok, sentence } from '@/api/client'
import { begun } from '@/api/fresh'
import ActButton from '@/parts/ActButton.vue'

const router = useRouter()
const queries = useQueryClient()
const { workspace, workspaces } = useChosen()
const able = computed(() => recentFirst(workspaces.value.filter((one) => one.can.make_post?.ok)))
const facts = computed(() => Object.fromEntries(workspaces.value.map((one) => [one.id, one])))
const choosing = ref(false)
const off = computed(() => {
  const can = workspace.value
    ? workspace.value.can.make_post
    : (workspaces.value.find((one) => one.can.make_post?.ok) ?? workspaces.value[0])?.can.make_post
  return can?.ok ? undefined : (can?.why ?? 'No client of yours takes a new post from you.')
})

const make = useMutation({
  mutationFn: (id: string) => ok(api.GET('/api/w/{workspace}/new-posts', { params: { path: { workspace: id } } })),
  onSuccess: (sheet) => {
    begun(sheet.id)
    queries.setQueryData(['post', sheet.id], sheet)
    void router.push({
      name: 'post',
      params: { workspace: sheet.workspace_id, post: sheet.id },
      query: { new: '' },
    })
  },
  onError: (problem) => void message.error(sentence(problem), 8),
})

function start() {
  const only = workspace.value ?? (able.value.length === 1 ? able.value[0] : undefined)
  if (only) make.mutate(only.id)
  else choosing.value = true
}
function picked(id: string | undefined) {
  choosing.value = false
  if (id) make.mutate(id)
}
</script>

<template>
  <span class="new">
    <ActButton :off="off" :loading="make.isPending.value" shortcut="N" opens @click="start">New post</ActButton>
    <ClientList
      v-if="choosing"
      class="for"
      name="new-for"
      label="New post for which client"
      :entries="able"
      :facts="facts"
      @choose="picked"
      @leave="choosing = false"
    />
  </span>
</template>

<style scoped>
.new {
  position: relative;
}
.for {
  right: 0;
}
</style>
