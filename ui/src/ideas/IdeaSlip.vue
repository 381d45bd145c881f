<script setup lang="ts">
// An idea as a slip of paper: its words, its day, what the house thinks and what has become of it.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { thumb } from '@/media/library/library'
import ChannelLogo from '@/parts/ChannelLogo.vue'
import { became, came, rating, timing, type Idea } from './ideas'

const props = defineProps<{
  workspace: string
  idea: Idea
  channels: Schemas['PlanChoices']['channels']
  shown: boolean
  held?: boolean
}>()
const channel = computed(() => props.channels.find((one) => one.id === props.idea.channel_id))
const day = computed(() => timing(props.idea))
const beside = computed(() => [came(props.idea), props.idea.category, rating(props.idea)].filter(Boolean).join(' · '))
</script>

<template>
  <button
    type="button"
    class="slip"
    :class="{
      shown,
      held,
      done: ['post', 'out', 'pencilled', 'aside'].includes(idea.state),
      ready: idea.state === 'ready',
    }"
    data-row
    :data-idea="idea.id"
    :aria-pressed="shown"
  >
    <img
      v-if="idea.media_ids[0]"
      :src="thumb(workspace, idea.media_ids[0])"
      alt=""
      loading="lazy"
      decoding="async"
      draggable="false"
    />
    <span class="words">
      <span class="title" dir="auto">{{ idea.title }}</span>
      <span v-if="day.words || became(idea) || channel" class="line">
        <ChannelLogo v-if="channel" v-bind="channel" />
        <b v-if="became(idea)" class="became">{{ became(idea) }}</b>
        <span v-if="day.words" :class="day.loud ? 'late' : 'quiet'">{{ day.words }}</span>
      </span>
      <span v-if="beside" class="quiet">{{ beside }}</span>
    </span>
  </button>
</template>

<style scoped>
.slip {
  display: flex;
  gap: 10px;
  width: 100%;
  padding: 9px 10px 10px;
  background: var(--sheet);
  border: 0;
  border-left: 3px solid var(--rule);
  text-align: left;
  cursor: pointer;
  user-select: none;
}
.slip.ready {
  border-left-color: var(--cleared);
}
.slip.done {
  background: transparent;
  border-left-color: transparent;
}
.slip.shown {
  outline: 2px solid var(--ink);
}
.slip.held {
  opacity: 0.5;
}
img {
  flex: none;
  width: 52px;
  height: 52px;
  object-fit: cover;
  background: var(--well);
}
.words {
  display: grid;
  flex: 1;
  gap: 1px;
  align-content: start;
  min-width: 0;
}
.title {
  font: 500 15px/1.35 var(--serif);
  overflow-wrap: anywhere;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 8px;
  align-items: center;
}
.became {
  font-weight: 600;
}
</style>
