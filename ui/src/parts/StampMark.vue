<script setup lang="ts">
// One stamp of the sign-off strip. The shape says it without colour.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { list } from '@/api/words'

const props = defineProps<{ stamp: Schemas['Stamp']; size?: number }>()
const SAYS: Record<Schemas['Stamp']['state'], string> = {
  not_asked: 'not asked yet',
  asked: 'asked, waiting for',
  yes: 'yes from',
  change: 'change wanted by',
  skipped: 'skipped on record',
  void: 'made void by a later change, was a yes from',
}
// not said by who should say it: that stays in sight for ever
const byHand = computed(() => (props.stamp.by_hand?.length ? `(${list(props.stamp.by_hand)})` : ''))
const label = computed(() =>
  [`${props.stamp.name}: ${SAYS[props.stamp.state]}`, list(props.stamp.who), byHand.value].filter(Boolean).join(' '),
)
</script>

<template>
  <span class="stamp" :class="[stamp.side, stamp.state]" role="img" :aria-label="label" :title="label">
    <svg :width="size ?? 16" :height="size ?? 16" viewBox="0 0 16 16" aria-hidden="true">
      <circle v-if="stamp.state === 'not_asked'" cx="8" cy="8" r="6" class="dotted" />
      <g v-else-if="stamp.state === 'asked'">
        <circle cx="8" cy="8" r="6" class="ring" />
        <path d="M8 4.6V8l2.2 1.6" class="line" />
      </g>
      <g v-else-if="stamp.state === 'yes'">
        <circle cx="8" cy="8" r="7" class="disc" />
        <path d="M4.8 8.3l2.2 2.2 4.2-4.6" class="white" />
        <path v-if="byHand" d="M11 15h4v-4z" class="hand" />
      </g>
      <g v-else-if="stamp.state === 'change'">
        <circle cx="8" cy="8" r="7" class="disc" />
        <path d="M10.9 6.4A3.3 3.3 0 1 0 11.2 9M11.1 4.2v2.4H8.7" class="white" />
      </g>
      <g v-else-if="stamp.state === 'skipped'">
        <circle cx="8" cy="8" r="6" class="ring" />
        <path d="M3.6 12.4l8.8-8.8" class="line" />
      </g>
      <g v-else>
        <path d="M8 2a6 6 0 0 1 6 6M14 10a6 6 0 0 1-4 3.7M6 13.7A6 6 0 0 1 2 8a6 6 0 0 1 3-5.2" class="ring" />
        <path d="M5.2 8.2l2 2 3.6-4" class="faint" />
      </g>
    </svg>
  </span>
</template>

<style scoped>
.stamp {
  display: inline-flex;
  color: var(--internal);
}
.stamp.client {
  color: var(--client);
}
.stamp.change {
  color: var(--change);
}
.stamp.not_asked {
  color: var(--ink-faint);
}
svg * {
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.6;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.dotted {
  stroke-dasharray: 0.2 3;
  stroke-width: 1.8;
}
.disc {
  fill: currentcolor;
  stroke: none;
}
.white {
  stroke: var(--sheet);
}
.hand {
  fill: var(--ink);
  stroke: var(--sheet);
  stroke-width: 1;
}
.faint {
  opacity: 0.75;
  stroke-width: 1.2;
}
</style>
