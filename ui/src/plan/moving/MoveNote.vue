<script setup lang="ts">
// What moving a line to this place would do, said before it is dropped.
import { computed } from 'vue'
import { STAGES, counted } from '@/api/words'
import type { Moving } from './moving'
import { reasons, steps } from '@/plan/bulk/several'

const props = defineProps<{
  moving: Moving
  /** it stands in a dialog, which has buttons of its own */ still?: boolean
}>()
const words = computed(() => props.moving.move?.words)
const lines = computed(() => {
  const { move, cost, several, problem } = props.moving
  if (!move) return []
  if (problem) return [problem]
  if (several) return ofEach(several)
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

function ofEach(several: NonNullable<Moving['several']>) {
  const can = several.filter((one) => one.done).length
  return [
    ...(can < several.length ? [`${counted(can, 'post', 'posts')} will be moved.`] : []),
    ...steps(several).map(
      (one) => `${counted(one.count, 'goes', 'go')} from ${STAGES[one.from]} to ${STAGES[one.to]}.`,
    ),
    ...reasons(several).map((one) => `${counted(one.count, 'stays', 'stay')}: ${one.why}`),
  ]
}

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
      <template v-if="words"
        ><b>{{ words[0] }}</b> {{ words[1] }}</template
      >
      <template v-else>Where it is.</template>
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
  color: var(--sheet);
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
