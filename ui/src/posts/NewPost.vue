<script setup lang="ts">
// Makes a draft in the chosen client; with none chosen it asks for which.
import { message } from 'ant-design-vue'
import { useMutation } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { useChosen } from '@/agency/me'
import { api, ok, sentence } from '@/api/client'
import ActButton from '@/parts/ActButton.vue'

const router = useRouter()
const { workspace, workspaces } = useChosen()
const able = computed(() => workspaces.value.filter((one) => one.can.make_post?.ok))
const why = computed(() => (workspace.value ? workspace.value.can.make_post : workspaces.value[0]?.can.make_post)?.why)
const choosing = ref(false)

const make = useMutation({
  mutationFn: (id: string) => ok(api.POST('/api/w/{workspace}/posts', { params: { path: { workspace: id } }, body: {} })).then((made) => ({ id, post: made.id })),
  onSuccess: ({ id, post }) => void router.push({ name: 'post', params: { workspace: id, post } }),
  onError: (problem) => void message.error(sentence(problem), 8),
})

function start() {
  const only = workspace.value ?? (able.value.length === 1 ? able.value[0] : undefined)
  if (only) make.mutate(only.id)
  else choosing.value = !choosing.value
}
const off = computed(() => (workspace.value ? !workspace.value.can.make_post?.ok : able.value.length === 0))
</script>

<template>
  <span class="new">
    <ActButton :off="off && (why ?? 'No client of yours takes a new post from you.')" :loading="make.isPending.value" shortcut="N" opens @click="start">New post</ActButton>
    <ul v-if="choosing" class="for" aria-label="For which client">
      <li v-for="one in able" :key="one.id">
        <button type="button" @click="make.mutate(one.id)">for {{ one.name }}</button>
      </li>
    </ul>
  </span>
</template>

<style scoped>
.new {
  position: relative;
}
.for {
  position: absolute;
  right: 0;
  top: 34px;
  z-index: 5;
  min-width: 200px;
  background: var(--sheet);
  border: 1px solid var(--ink);
  box-shadow: 0 6px 20px rgb(22 25 28 / 18%);
}
.for button {
  width: 100%;
  padding: 8px 12px;
  text-align: left;
  background: none;
  border: 0;
  cursor: pointer;
}
.for button:hover,
.for button:focus {
  background: var(--well);
}
</style>
