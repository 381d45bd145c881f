<script setup lang="ts">
// The head of a channel's column: its mark and name, how many findings it has, how much of its limit is used; how far it
// is, where that is not what the whole post is.
import { computed } from 'vue'
import { STAGES } from '@/api/words'
import ChannelLogo from '@/parts/ChannelLogo.vue'
import SignoffStrip from '@/parts/SignoffStrip.vue'
import { useChecks } from './checks'
import type { Adaptation, Sheet } from './sheet'

const props = defineProps<{ sheet: Sheet; one: Adaptation; now?: string }>()
const emit = defineEmits<{ findings: [] }>()
const checks = useChecks()
const proof = computed(() => checks.of(props.one))
const share = computed(() => Math.min(100, Math.round((proof.value.count / proof.value.limit) * 100)))
const over = computed(() => proof.value.count > proof.value.limit)
const found = computed(() => proof.value.checks.length)
const faults = computed(() => proof.value.checks.some((one) => one.level === 'fault'))
const differs = computed(
  () =>
    props.one.opened ||
    props.one.stage !== props.sheet.stage ||
    JSON.stringify(props.one.strip) !== JSON.stringify(props.sheet.strip),
)
</script>

<template>
  <h2>
    <ChannelLogo :network="one.channel.network" :initials="one.channel.initials" />
    <span class="name" dir="auto">{{ one.channel.name }}</span>
    <button
      v-if="found > 0"
      type="button"
      class="found"
      :class="{ fault: faults }"
      :aria-label="`${found} to look at on ${one.channel.name}`"
      @click="emit('findings')"
    >
      <span class="ringed" aria-hidden="true">{{ found }}</span>
    </button>
    <span class="count" :class="{ late: over }" aria-live="polite">{{ proof.count }} of {{ proof.limit }}</span>
  </h2>
  <div class="bar" aria-hidden="true"><span :class="{ over }" :style="{ width: `${share}%` }" /></div>
  <p v-if="differs" class="stands">
    <SignoffStrip :strip="one.strip" :now="now" />
    <b>{{ STAGES[one.stage] }}</b>
    <span v-if="one.opened" class="opened">unlocked</span>
  </p>
</template>

<style scoped>
h2 {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 26px;
  font-size: 13px;
  font-weight: 600;
}
.name {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.found {
  display: grid;
  place-items: center;
  width: 24px;
  height: 24px;
  padding: 0;
  border: 0;
  background: none;
  cursor: pointer;
}
.found .ringed {
  width: 18px;
  height: 18px;
  font-size: 12px;
}
.count {
  font-weight: 450;
  color: var(--ink-2);
  white-space: nowrap;
}
.count.late {
  color: var(--trouble);
  font-weight: 600;
}
.bar {
  height: 3px;
  margin: 6px 0 12px;
  background: var(--rule);
}
.bar span {
  display: block;
  height: 100%;
  background: var(--ink);
}
.bar .over {
  background: var(--trouble);
}
.stands {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 8px;
  min-height: 22px;
  margin: -4px 0 8px;
  color: var(--stage);
}
.opened {
  color: var(--ink-2);
}
</style>
