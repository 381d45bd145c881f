<script setup lang="ts">
// Posts of mine that can be asked for from the Desk: each with why it waits, and the press that asks.
import type { Schemas } from '@/api/client'
import { titled } from '@/api/words'
import ActButton from '@/parts/ActButton.vue'
import SignoffStrip from '@/parts/SignoffStrip.vue'
import DeskRows from './DeskRows.vue'

type Row = Schemas['PostRow']
defineProps<{
  rows: Row[]
  count: number
  names: Record<string, string>
  /** the word before the subject */
  what: string
  why: (row: Row) => string
  may: Record<string, { ok: boolean; why?: string } | undefined>
  when: (at: string | null | undefined, workspace: string) => string
}>()
const emit = defineEmits<{ ask: [row: Row]; whole: [] }>()
</script>

<template>
  <DeskRows :id="(one) => one.id" v-slot="{ row }" :rows="rows" :count="count" :names="names" @whole="emit('whole')">
    <span class="with-act" :data-ask="row.id">
      <router-link data-row :to="{ name: 'post', params: { workspace: row.workspace_id, post: row.id } }">
        <span class="line"
          ><b>{{ what }}: {{ titled(row.subject) }}</b
          ><SignoffStrip :strip="row.strip"
        /></span>
        <span class="line quiet"
          ><span>{{ names[row.workspace_id] }} · {{ why(row) }}</span
          ><span>{{ when(row.at, row.workspace_id) }}</span></span
        >
      </router-link>
      <ActButton
        size="small"
        :may="may[row.workspace_id]"
        :aria-label="`Ask …: ${titled(row.subject)}`"
        @click="emit('ask', row)"
        >Ask …</ActButton
      >
    </span>
  </DeskRows>
</template>
