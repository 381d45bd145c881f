<script setup lang="ts">
// The parts that say nothing of their own, in one line; one of them is taken up from a list.
import { Dropdown } from 'ant-design-vue'
import ActButton from '@/parts/ActButton.vue'
import { later } from '@/parts/later'
import type { PartName } from './sheet'
import type { Folded } from './standing-parts'

const LinesMenu = later(() => import('@/parts/LinesMenu.vue'))
const props = defineProps<{
  says: string
  act: string
  /** Where: heard behind the act's words. */
  where: string
  parts: Folded[]
  /** Why a part cannot be changed now. */
  off: (part: PartName) => string | undefined
}>()
const emit = defineEmits<{ choose: [part: PartName] }>()
const lines = () => props.parts.map((one) => ({ key: one.part, words: one.label, off: props.off(one.part) }))
const allOff = () => {
  const reasons = props.parts.map((one) => props.off(one.part))
  return reasons.every(Boolean) ? reasons[0] : undefined
}
</script>

<template>
  <div class="folded">
    <dt>{{ says }}</dt>
    <dd>
      <ActButton v-if="allOff()" link :off="allOff()" :aria-label="`${act} ${where}`">{{ act }}</ActButton>
      <Dropdown v-else :trigger="['click']">
        <button type="button" class="link-button" aria-haspopup="menu" :aria-label="`${act} ${where}`">
          {{ act }}
        </button>
        <template #overlay>
          <LinesMenu :lines="lines()" @choose="emit('choose', $event as PartName)" />
        </template>
      </Dropdown>
    </dd>
  </div>
</template>

<style scoped>
.folded {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  align-items: center;
  min-height: 30px;
  color: var(--ink-2);
}
dd {
  white-space: nowrap;
}
</style>
