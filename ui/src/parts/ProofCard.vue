<script setup lang="ts">
// The proof of one adaptation in our own plain frame: the text as it will be sent, its fold, what is over the limit shown
// apart, its pictures as they will be cut. It imitates no network's screen.
import { computed } from 'vue'

const props = defineProps<{
  text: string
  within?: number
  over?: number
  fold?: number | null
  pictures: { src: string; alt: string; width: number; height: number; crop?: number[]; full?: [number, number] }[]
}>()

const points = computed(() => Array.from(props.text))
const kept = computed(() => points.value.slice(0, props.within ?? points.value.length))
const beyond = computed(() => points.value.slice(props.within ?? points.value.length).join(''))
const head = computed(() => kept.value.slice(0, props.fold ?? kept.value.length).join(''))
const rest = computed(() => (props.fold == null ? '' : kept.value.slice(props.fold).join('').replace(/^\n+/, '')))

// Shows the cut of the whole picture: the frame has the cut's shape, the picture inside is moved and sized.
function cut(picture: (typeof props.pictures)[number]) {
  if (!picture.crop || !picture.full) return {}
  const [left = 0, top = 0, width = 1, height = 1] = picture.crop
  const [w, h] = picture.full
  return { width: `${(w / width) * 100}%`, marginLeft: `${(-left / width) * 100}%`, marginTop: `${(-top / width) * 100}%`, aspectRatio: `${w} / ${h}`, maxHeight: `${(h / height) * 100}%` }
}
</script>

<template>
  <div class="proof">
    <figure v-for="picture in pictures" :key="picture.src" :style="{ aspectRatio: picture.crop ? `${picture.crop[2]} / ${picture.crop[3]}` : `${picture.width} / ${picture.height}` }">
      <img :src="picture.src" :alt="picture.alt" :style="cut(picture)" />
    </figure>
    <div v-if="text" class="copy body">
      <span>{{ head }}</span>
      <span v-if="rest" class="fold"><span>cut here until opened</span></span>
      <span v-if="rest" class="rest">{{ rest }}</span>
      <span v-if="beyond" class="over"
        ><span class="over-label">{{ over }} over the limit; this part cannot go out</span>{{ beyond }}</span
      >
    </div>
    <p v-else class="body empty">No text yet</p>
  </div>
</template>

<style scoped>
.proof {
  background: var(--sheet);
  border: 1px solid var(--rule);
}
figure {
  overflow: hidden;
  background: var(--well);
}
figure + figure {
  border-top: 2px solid var(--sheet);
}
img {
  display: block;
  width: 100%;
}
.body {
  padding: 10px 12px 12px;
}
.empty {
  color: var(--ink-2);
}
.fold {
  display: block;
  border-top: 1px dashed var(--ink-faint);
  margin: 4px 0 2px;
  text-align: right;
}
.fold span {
  font: 600 12px/1.3 var(--sans);
  color: var(--ink-2);
}
.rest {
  color: var(--ink-2);
}
.over {
  display: block;
  margin-top: 8px;
  padding: 6px 8px;
  border-left: 4px solid var(--trouble);
  background: #fbeef0;
}
.over-label {
  display: block;
  font: 600 12px/1.4 var(--sans);
  color: var(--trouble);
}
</style>
