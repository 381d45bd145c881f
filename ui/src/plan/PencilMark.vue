<script setup lang="ts">
// A pencil mark: something should go out here, and there is no content yet.
import { computed } from 'vue'
import { wallClock } from '@/api/time'
import ChannelMark from '@/parts/ChannelMark.vue'
import type { Mark } from './pencil'

const props = defineProps<{ mark: Mark; bare?: boolean }>()
defineEmits<{ open: [] }>()
const words = computed(() => props.mark.word || props.mark.label || '')
</script>

<template>
  <button type="button" class="pencil-mark" @click="$emit('open')">
    <span class="hidden">Pencil mark{{ bare ? ` on ${mark.channel}` : '' }}</span>
    <ChannelMark v-if="!bare" :network="mark.network" :initials="mark.initials" :name="mark.channel" class="small" />
    <span v-if="mark.clock" class="time">{{ wallClock(`2000-01-01T${mark.clock}`) }}</span>
    <i>{{ words }}</i>
    <span v-if="mark.word && mark.label" class="quiet">{{ mark.label }}</span>
  </button>
</template>

<style scoped>
.pencil-mark {
  display: flex;
  gap: 5px;
  align-items: center;
  width: 100%;
  min-height: 24px;
  margin: 2px 0;
  padding: 1px 6px;
  border: 1px dashed #7c8388;
  border-radius: 2px;
  background: none;
  overflow: hidden;
  text-align: left;
  white-space: nowrap;
  cursor: pointer;
}
.pencil-mark:hover {
  background: var(--well);
}
i {
  overflow: hidden;
  text-overflow: ellipsis;
}
.time,
.quiet {
  font-size: 12px;
  color: var(--ink-2);
}
.quiet {
  margin-left: auto;
}
</style>
