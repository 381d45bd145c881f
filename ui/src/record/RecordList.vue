<script setup lang="ts">
// Lines of the record in words: who, when, what, on which post.
import type { Schemas } from '@/api/client'
import { said } from '@/posts/record'
import { titled } from '@/api/words'
import { moment } from '@/api/time'

defineProps<{ rows: Schemas['RecordRow'][]; clients?: Record<string, string> }>()
</script>

<template>
  <table class="list" tabindex="0">
    <thead>
      <tr>
        <th scope="col">When</th>
        <th v-if="clients" scope="col">Client</th>
        <th scope="col">Who</th>
        <th scope="col">What</th>
        <th scope="col">Post</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.id">
        <td class="when">{{ moment(row.at, true) }}</td>
        <td v-if="clients">{{ row.workspace_id ? clients[row.workspace_id] : 'the agency' }}</td>
        <td>{{ row.who }}<span v-if="row.by_pass" class="quiet"> by link</span></td>
        <td class="what">{{ said(row) }}</td>
        <td>
          <router-link
            v-if="row.post_id && row.workspace_id"
            :to="{ name: 'post', params: { workspace: row.workspace_id, post: row.post_id } }"
            >{{ titled(row.subject ?? '') }}</router-link
          >
        </td>
      </tr>
      <tr v-if="rows.length === 0">
        <td colspan="5" class="quiet">Nothing is on record for this.</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.when {
  white-space: nowrap;
}
.what {
  overflow-wrap: anywhere;
}
</style>
