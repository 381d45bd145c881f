<script setup lang="ts">
// One cell of a grid: what stands in it, and what a move to it would do.
import { computed } from 'vue'
import CellInput from './CellInput.vue'
import MoveNote from '@/plan/moving/MoveNote.vue'
import PencilMark from '@/plan/marks/PencilMark.vue'
import PlanLine from './PlanLine.vue'
import { keyOf, type Line } from './period'
import { usePlan } from './plan'

const props = defineProps<{ place: string; lines: Line[]; /** one channel alone stands here */ bare?: boolean }>()
const plan = usePlan()
const target = computed(() => plan.moving?.place === props.place)
const marks = computed(() => plan.marksIn(props.place))
const typing = computed(() => plan.typing === props.place)
const held = (line: Line) => plan.moving?.held.post_id === line.post_id && plan.moving.held.place === props.place
</script>

<template>
  <div
    class="cell"
    role="gridcell"
    :class="{ target, chosen: plan.chosen(place) }"
    :aria-selected="plan.chosen(place) || undefined"
    :data-place="place"
    :tabindex="plan.standing === place ? 0 : -1"
    @focus="plan.focus(place)"
    @dblclick.self="plan.write(place)"
  >
    <slot />
    <PlanLine
      v-for="line in lines"
      :key="keyOf(line)"
      v-bind="line"
      :channels="bare ? [] : line.channels"
      :workspace="line.workspace_id"
      :post="line.post_id"
      :client="plan.clientOf(line.workspace_id)"
      :held="held(line)"
      :chosen="plan.picked(line.post_id)"
      @grab="(event) => (plan.away(), plan.grab(event, line, place))"
      @look="plan.look($event, line)"
      @away="plan.away()"
      @take="plan.take(line, place)"
      @choose="plan.pick(line.workspace_id, line.post_id, line.wall)"
    />
    <CellInput v-if="typing" :word="marks[0]?.word ?? ''" @done="plan.written" @leave="plan.leave" />
    <template v-else>
      <PencilMark
        v-for="mark in marks"
        :key="`${mark.channel_id} ${mark.fixture_id}`"
        :mark="mark"
        :bare="bare"
        @open="plan.openMark(mark)"
      />
    </template>
    <MoveNote v-if="target" :moving="plan.moving!" />
  </div>
</template>

<style scoped>
.cell {
  position: relative;
  min-width: 0;
  padding: 3px 5px 6px;
  border-left: 1px solid var(--rule);
  background: var(--sheet);
}
.chosen {
  box-shadow: inset 0 0 0 2px var(--ink-2);
}
/* a note opens to where there is room */
.right > .move-note {
  right: 0;
  left: auto;
}
.low > .move-note {
  top: auto;
  bottom: calc(100% + 4px);
}
.target {
  outline: 2px solid var(--ink);
  outline-offset: -2px;
}
</style>
