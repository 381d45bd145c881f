<script setup lang="ts">
// The steps of a route as they stand, in words.
import StampMark from '@/parts/StampMark.vue'
import { who, type Route } from './route'

defineProps<{ route: Route }>()
</script>

<template>
  <ol class="steps">
    <li v-for="step in route.steps" :key="step.id" :class="step.side">
      <StampMark
        :stamp="{
          step_id: step.id,
          name: step.name,
          side: step.side,
          required: step.required,
          state: 'not_asked',
          who: [],
          since: null,
          due: null,
        }"
        :size="22"
      />
      <span>
        <b>{{ step.name }}</b>
        <span class="quiet"
          >{{ step.side === 'client' ? 'for the client' : 'inside'
          }}{{ step.required ? '' : ', advisory: never waits, never blocks' }}</span
        >
        <span class="line"
          >{{ who(step) }}, within {{ step.hours }} working hours{{
            step.four_eyes ? '; whoever wrote part of it cannot clear it' : ''
          }}</span
        >
        <span v-if="step.when" class="line quiet">only for what is {{ step.when }}</span>
      </span>
    </li>
    <li v-if="route.steps.length === 0" class="none">
      No step: a post is drafting until somebody who may release marks it ready.
    </li>
  </ol>
</template>

<style scoped>
.steps li {
  display: flex;
  gap: 12px;
  align-items: flex-start;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}
.steps b {
  margin-right: 8px;
}
.line {
  display: block;
}
.none {
  color: var(--ink-2);
}
</style>
