<script setup lang="ts">
// One line of a day: when, where, how far, and what. It opens the post, and can be taken to another day.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { STAGES, titled } from '@/api/words'
import { wallClock } from '@/api/time'
import ClientLogo from '@/parts/ClientLogo.vue'
import ChannelLogos from '@/parts/ChannelLogos.vue'
import SignoffStrip from '@/parts/SignoffStrip.vue'

const props = defineProps<{
  workspace: string
  post: string
  subject: string
  stage: Schemas['Stage']
  strip: Schemas['Stamp'][]
  channels: { network: string; initials: string; name: string }[]
  wall?: string
  late?: boolean
  /** Of several clients: whose it is. */
  client?: { id: string; name: string; initials: string; edge: string; picture: boolean }
  held?: boolean
  /** One of several that something is done with. */
  chosen?: boolean
}>()
const emit = defineEmits<{ grab: [event: PointerEvent]; take: []; choose: []; look: [event: Event]; away: [] }>()

/** With Shift or Ctrl it is chosen, and not opened. */
function clicked(event: MouseEvent) {
  if (!event.shiftKey && !event.ctrlKey && !event.metaKey) return
  event.preventDefault()
  event.stopPropagation()
  emit('choose')
}
const state = computed(() => (props.late ? 'past its time, not out' : STAGES[props.stage]))
const title = computed(() =>
  [titled(props.subject), props.client?.name, props.channels.map((one) => one.name).join(', '), state.value]
    .filter(Boolean)
    .join(' · '),
)
</script>

<template>
  <router-link
    class="plan-line"
    :class="[`stage-${stage}`, { late, held, chosen }]"
    :to="{ name: 'post', params: { workspace, post } }"
    :title="title"
    draggable="false"
    data-row
    @pointerdown="stage !== 'out' && emit('grab', $event)"
    @pointerenter="(event: PointerEvent) => event.pointerType === 'mouse' && event.buttons === 0 && emit('look', event)"
    @pointerleave="emit('away')"
    @focus="emit('look', $event)"
    @blur="emit('away')"
    @keydown="emit('away')"
    @click.capture="clicked"
    @keydown.m.stop.prevent="emit('take')"
    @keydown.x.stop.prevent="emit('choose')"
  >
    <svg v-if="chosen" class="tick" width="15" height="15" viewBox="0 0 15 15" role="img" aria-label="chosen">
      <rect width="15" height="15" rx="2" :style="{ fill: 'var(--ink)' }" />
      <path d="M3.5 8l2.8 2.8L11.5 4.5" fill="none" :style="{ stroke: 'var(--sheet)' }" stroke-width="2" />
    </svg>
    <span class="facts">
      <ClientLogo v-if="client" v-bind="client" :size="16" />
      <span v-if="wall" class="time">{{ wallClock(wall) }}</span>
      <ChannelLogos :channels="channels" />
      <span v-if="stage === 'trouble' || late" class="loud">{{ stage === 'trouble' ? 'trouble' : 'late' }}</span>
      <span v-else-if="stage === 'held'" class="quiet">held</span>
      <SignoffStrip class="strip" :strip="strip" :size="11" />
    </span>
    <span class="subject">{{ titled(subject) }}</span>
  </router-link>
</template>

<style scoped>
.plan-line {
  display: block;
  margin: 2px 0;
  padding: 2px 4px 2px 7px;
  border-left: 3px solid var(--stage);
  text-decoration: none;
  line-height: 1.35;
  touch-action: manipulation;
  user-select: none;
}
.plan-line:hover {
  background: var(--well);
}
.facts {
  display: flex;
  gap: 5px;
  align-items: center;
  min-height: 18px;
  font-size: 12px;
}
.facts :deep(svg) {
  flex: none;
}
.time {
  color: var(--ink-2);
  font-variant-numeric: tabular-nums;
}
.strip {
  margin-left: auto;
}
.loud {
  color: var(--trouble);
  font-weight: 600;
}
.subject {
  display: block;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.chosen {
  position: relative;
  background: var(--well);
  outline: 2px solid var(--ink);
  outline-offset: -2px;
}
.tick {
  position: absolute;
  right: 3px;
  bottom: 3px;
}
@media print {
  .subject {
    white-space: normal;
  }
}
.held {
  opacity: 0.45;
}
</style>
