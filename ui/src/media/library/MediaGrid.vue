<script setup lang="ts">
// Media side by side, each with its name, what it is, and what is to be known before it is used.
import { Checkbox } from 'ant-design-vue'
import { measures, standing, thumb, type Medium } from './library'

defineProps<{
  workspace: string
  media: Medium[]
  shown?: string
  chosen: Set<string>
  /** The words of the tick: what choosing means here. */
  choosing: string
}>()
const emit = defineEmits<{ show: [id: string]; choose: [id: string] }>()
</script>

<template>
  <ul class="grid">
    <li v-for="one in media" :key="one.id" :class="{ shown: one.id === shown, chosen: chosen.has(one.id) }">
      <button
        type="button"
        data-row
        class="open"
        :data-media="one.id"
        :aria-pressed="one.id === shown"
        @click="emit('show', one.id)"
      >
        <span class="picture">
          <span v-if="!one.read" class="quiet coming">being read …</span>
          <img
            v-else
            :src="thumb(workspace, one.id, one.cover_ms)"
            :alt="one.description"
            loading="lazy"
            decoding="async"
            :width="one.width"
            :height="one.height"
          />
          <span v-if="one.kind !== 'picture'" class="kind" aria-hidden="true">{{
            one.kind === 'video' ? '▶' : '≡'
          }}</span>
        </span>
        <span class="name" dir="auto">{{ one.name }}</span>
        <span class="quiet told"
          >{{ measures(one)
          }}<template v-if="standing(one).words">
            · <b v-if="standing(one).loud" class="late">{{ standing(one).words }}</b><template v-else>{{
              standing(one).words
            }}</template></template
          ></span
        >
      </button>
      <Checkbox
        class="choose"
        :checked="chosen.has(one.id)"
        :aria-label="`${choosing} ${one.name}`"
        @change="emit('choose', one.id)"
      />
    </li>
  </ul>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(168px, 1fr));
  gap: 14px 12px;
}
li {
  position: relative;
  /* of thousands only what is near the window is laid out */
  content-visibility: auto;
  contain-intrinsic-size: 168px 172px;
}
.open {
  display: block;
  width: 100%;
  padding: 0;
  border: 0;
  background: none;
  text-align: left;
  cursor: pointer;
}
.picture {
  position: relative;
  display: block;
  height: 124px;
  background: var(--well);
}
img {
  width: 100%;
  height: 100%;
  object-fit: cover;
}
.coming {
  display: grid;
  place-items: center;
  height: 100%;
}
/* inside its own edge: what stands outside is not painted (see content-visibility) */
.shown .picture::after,
.chosen .picture::after {
  content: '';
  position: absolute;
  inset: 0;
  border: 3px solid var(--ink);
  box-shadow: inset 0 0 0 2px var(--sheet);
}
.chosen .picture::after {
  border-color: var(--client);
}
.kind {
  position: absolute;
  right: 6px;
  bottom: 6px;
  display: grid;
  place-items: center;
  width: 24px;
  height: 20px;
  font-size: 11px;
  color: var(--sheet);
  background: var(--ink);
}
.name {
  display: block;
  margin-top: 5px;
  overflow: hidden;
  font-weight: 600;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.told {
  display: block;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.choose {
  position: absolute;
  top: 6px;
  left: 6px;
  padding: 3px 4px;
  background: var(--sheet);
  line-height: 1;
}
</style>
