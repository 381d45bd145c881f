<script setup lang="ts">
// What another time would cost, in sentences, before it is so.
import { Button } from 'ant-design-vue'
import type { Schemas } from '@/api/client'
import { place } from '@/api/time'

defineProps<{ cost: Schemas['MoveCost']; zone: string; act: string }>()
const emit = defineEmits<{ sure: []; back: [] }>()
</script>

<template>
  <div class="cost" role="alert">
    <p v-if="cost.past">That moment has passed: it cannot be released for it.</p>
    <p v-if="cost.kind === 'gap'">
      The clock jumps over that time in {{ place(zone) }}; it is read as an hour later by the new clock.
    </p>
    <p v-if="cost.kind === 'doubled'">The clock shows that time twice in {{ place(zone) }}; the first one is meant.</p>
    <template v-for="one in cost.costs" :key="one.channel">
      <p v-for="line in one.costs" :key="line">
        <b>{{ one.channel }}:</b> {{ line }}
      </p>
    </template>
    <Button type="primary" size="small" @click="emit('sure')">{{ act }}</Button>
    <Button size="small" @click="emit('back')">Cancel</Button>
  </div>
</template>

<style scoped>
.cost {
  margin-top: 6px;
  padding: 8px;
  border: 1px solid var(--ink);
  background: var(--sheet);
  text-align: left;
}
.cost p {
  margin-bottom: 6px;
}
.cost button {
  margin-right: 6px;
}
</style>
