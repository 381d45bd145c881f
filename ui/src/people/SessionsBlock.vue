<script setup lang="ts">
// Where I am signed in; signing out there.
import { Button, message } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { api, ok, sentence } from '@/api/client'
import { moment } from '@/api/time'

const queries = useQueryClient()
const { data } = useQuery({ queryKey: ['sessions'], queryFn: () => ok(api.GET('/api/profile/sessions')) })
async function end(session: string) {
  try {
    queries.setQueryData(
      ['sessions'],
      await ok(api.DELETE('/api/profile/sessions/{session}', { params: { path: { session } } })),
    )
  } catch (problem) {
    void message.error(sentence(problem))
  }
}
/** What a browser calls itself, in short. */
function device(text: string) {
  const system = /Windows|Mac OS X|Android|iPhone|iPad|Linux/.exec(text)?.[0]?.replace('Mac OS X', 'Mac')
  return system ? `a browser on ${system}` : text.slice(0, 40) || 'an unknown device'
}
</script>

<template>
  <section class="block" aria-label="Sessions">
    <h2>Where I am signed in</h2>
    <ul>
      <li v-for="one in data?.sessions ?? []" :key="one.id">
        <span
          ><b>{{ device(one.device) }}</b
          >, {{ one.from
          }}<span class="quiet"> · since {{ moment(one.since) }}, last used {{ moment(one.last_use) }}</span></span
        >
        <b v-if="one.here">here</b>
        <Button v-else size="small" @click="end(one.id)">Sign out there</Button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  align-items: center;
  padding: 5px 0;
  border-bottom: 1px solid var(--hairline);
}
</style>
