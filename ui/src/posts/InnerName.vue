<script setup lang="ts">
// The agency's own name for a post, where its subject line, which the client reads, does not say enough.
import { Input } from 'ant-design-vue'
import { computed } from 'vue'
import { LENGTHS } from '@/api/lengths'
import { usePart } from './part'
import SaysState from './SaysState.vue'
import type { Sheet } from './sheet'

const props = defineProps<{ sheet: Sheet; /** why it cannot be changed */ off?: string }>()
const server = computed(() => ({ value: props.sheet.inner_name, version: props.sheet.inner_name_version }))
const where = { workspace: props.sheet.workspace_id, post: props.sheet.id, part: 'inner_name' as const }
const { value, state, problem, theirs, change, save, keepMine, takeTheirs, drop } = usePart<string>(where, server, '')
</script>

<template>
  <Input
    class="inner"
    :value="value ?? ''"
    aria-label="Inner name, never read by the client"
    placeholder="Inner name"
    :maxlength="LENGTHS.subject"
    :readonly="!!off"
    :title="off ?? 'A name of your own beside the subject; the client never reads it'"
    @update:value="change"
    @blur="save()"
  />
  <SaysState
    :state="state"
    :problem="problem"
    :by="theirs?.by"
    :theirs="theirs?.value"
    @mine="keepMine"
    @theirs="takeTheirs"
    @drop="drop"
  />
</template>

<style scoped>
.inner {
  margin-bottom: 6px;
}
</style>
