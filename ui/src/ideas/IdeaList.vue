<script setup lang="ts">
// Ideas under each other, in one order over all groups.
import type { Schemas } from '@/api/client'
import ChannelLogo from '@/parts/ChannelLogo.vue'
import { became, came, rating, timing, type Group, type Idea } from './ideas'

const props = defineProps<{
  ideas: Idea[]
  groups: Group[]
  channels: Schemas['PlanChoices']['channels']
  shown?: string
}>()
const emit = defineEmits<{ show: [id: string] }>()
const channel = (one: Idea) => props.channels.find((each) => each.id === one.channel_id)
const group = (one: Idea) => props.groups.find((each) => each.id === one.group_id)?.name ?? ''
</script>

<template>
  <table class="idea-table">
    <thead>
      <tr>
        <th scope="col">Idea</th>
        <th scope="col">Group</th>
        <th scope="col">For</th>
        <th scope="col">Its day</th>
        <th scope="col">The house thinks</th>
        <th scope="col">Became</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="one in ideas" :key="one.id" :class="{ shown: one.id === shown }">
        <th scope="row">
          <button
            type="button"
            data-row
            :data-idea="one.id"
            :aria-pressed="one.id === shown"
            @click="emit('show', one.id)"
          >
            <span class="title" dir="auto">{{ one.title }}</span>
            <span class="quiet">{{ [one.category, came(one), one.given_by].filter(Boolean).join(' · ') }}</span>
          </button>
        </th>
        <td>{{ group(one) }}</td>
        <td><ChannelLogo v-if="channel(one)" v-bind="channel(one)!" /></td>
        <td :class="{ late: timing(one).loud }">{{ timing(one).words }}</td>
        <td>{{ rating(one) }}</td>
        <td>{{ became(one) }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.idea-table {
  width: 100%;
  border-collapse: collapse;
  background: var(--sheet);
  border-top: 2px solid var(--ink);
}
.idea-table th,
.idea-table td {
  padding: 4px 10px;
  text-align: left;
  border-bottom: 1px solid var(--rule);
}
.idea-table thead th {
  font-weight: 450;
  color: var(--ink-2);
  white-space: nowrap;
}
.idea-table tbody th {
  padding: 0;
  color: var(--ink);
  font-weight: 450;
}
td {
  white-space: nowrap;
}
button {
  display: grid;
  width: 100%;
  padding: 7px 10px;
  border: 0;
  background: none;
  text-align: left;
  cursor: pointer;
}
.title {
  font: 500 15px/1.35 var(--serif);
  overflow-wrap: anywhere;
}
tr.shown {
  box-shadow: inset 3px 0 var(--ink);
}
@media (max-width: 700px) {
  td:nth-child(2),
  td:nth-child(5),
  thead th:nth-child(2),
  thead th:nth-child(5) {
    display: none;
  }
}
</style>
