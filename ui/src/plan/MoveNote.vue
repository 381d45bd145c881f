<script setup lang="ts">
// What moving a line to this place would do, said before it is dropped.
import { computed } from 'vue'
import { plannedWall } from '@/api/time'
import { timeOn, type Moving } from './moving'

const props = defineProps<{
  moving: Moving
  /** it stands in a dialog, which has buttons of its own */ still?: boolean
}>()
const time = computed(() => timeOn(props.moving.held, props.moving.place))
const stays = computed(() => props.moving.held.time?.wall.slice(0, 16) === time.value.wall.slice(0, 16))
const lines = computed(() => {
  const { cost, problem } = props.moving
  if (stays.value) return []
  if (problem) return [problem]
  if (!cost) return ['…']
  if (cost.refused) return [cost.refused]
  const found = [
    ...(cost.past ? ['That time is past.'] : []),
    ...(cost.off ? [`It falls on ${cost.off}.`] : []),
    ...together(cost.costs.flatMap((one) => one.costs.map((words) => [one.channel, words] as const))),
    ...together(cost.warnings.map((one) => [one.channel, one.sentence] as const)),
  ]
  return found.length > 0 ? found : ['Nothing stands against it.']
})

/** What is the same on several channels is said once, with their names. */
function together(said: (readonly [string, string])[]): string[] {
  const by = new Map<string, string[]>()
  for (const [channel, words] of said) by.set(words, [...(by.get(words) ?? []), channel])
  return [...by].map(([words, channels]) => `${channels.join(', ')}: ${words}`)
}
</script>

<template>
  <div class="move-note" :class="{ still }" role="status">
    <p>
      <b>{{ plannedWall(time) }}</b>
      {{ stays ? 'where it is' : moving.held.time ? `from ${plannedWall(moving.held.time)}` : 'its first time' }}
    </p>
    <p v-for="line in lines" :key="line">{{ line }}</p>
    <p v-if="still && moving.cost?.refused">It stays where it is.</p>
    <p v-else-if="still" />
    <p v-else-if="!moving.cost?.refused" class="keys"><b>Enter</b> drops it, <b>Esc</b> leaves it</p>
    <p v-else class="keys">It stays where it is. <b>Esc</b> leaves it</p>
  </div>
</template>

<style scoped>
.move-note {
  position: absolute;
  top: calc(100% + 4px);
  left: 0;
  z-index: 12;
  width: 262px;
  padding: 8px 11px;
  border-radius: 3px;
  background: var(--ink);
  color: #fff;
  pointer-events: none;
}
.still {
  position: static;
  width: auto;
  padding: 0;
  background: none;
  color: inherit;
}
.move-note p {
  margin: 0;
  overflow-wrap: anywhere;
}
.keys {
  margin-top: 4px;
}
</style>
