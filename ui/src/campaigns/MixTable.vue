<script setup lang="ts">
// Shares of labels against what is wanted: what is there as a bar, what is wanted as a stroke on it.
import LabelChip from '@/parts/LabelChip.vue'
import { advice, type Mix } from './campaigns'

defineProps<{ mix: Mix }>()
</script>

<template>
  <div class="mix">
    <p :class="{ balanced: mix.balanced }">{{ advice(mix) }}</p>
    <table v-if="mix.rows.length > 0">
      <thead>
        <tr>
          <th scope="col">Label</th>
          <th scope="col" class="right">posts</th>
          <th scope="col"><span class="hidden">share</span></th>
          <th scope="col" class="right">is</th>
          <th scope="col" class="right">wanted</th>
          <th scope="col" class="right">add</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in mix.rows" :key="row.label?.id ?? ''">
          <th scope="row">
            <LabelChip v-if="row.label" v-bind="row.label" />
            <span v-else class="quiet">none of these</span>
          </th>
          <td class="right">{{ row.count }}</td>
          <td>
            <svg class="share" viewBox="0 0 100 10" preserveAspectRatio="none" aria-hidden="true">
              <rect width="100" height="10" fill="var(--well)" />
              <rect :width="row.share" height="10" fill="var(--ink-2)" />
              <rect :x="Math.min(99, row.target)" width="1" height="10" fill="var(--ink)" />
            </svg>
          </td>
          <td class="right">{{ row.share }} %</td>
          <td class="right">{{ row.target }} %</td>
          <td class="right">
            <b v-if="row.more">{{ row.more }}</b>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
p {
  margin-bottom: 6px;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  padding: 4px 8px 4px 0;
  border-bottom: 1px solid var(--hairline);
  font-weight: 450;
  text-align: left;
}
thead th {
  color: var(--ink-2);
  font-size: 12px;
}
.right {
  text-align: right;
  white-space: nowrap;
}
.share {
  display: block;
  width: 100%;
  min-width: 90px;
  height: 10px;
}
</style>
