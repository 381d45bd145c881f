<script setup lang="ts">
// Posts without a time: they are dragged in, or taken with M.
import PlanLine from './PlanLine.vue'
import type { Period } from './period'
import { usePlan } from './plan'

type Bare = Period['tray']['posts'][number]
defineProps<{ tray: Period['tray'] }>()
defineEmits<{ grab: [event: PointerEvent, post: Bare]; take: [post: Bare] }>()
const plan = usePlan()
</script>

<template>
  <section v-if="tray.count > 0" class="tray" aria-labelledby="tray">
    <h2 id="tray">
      Without a time <span class="number">{{ tray.count }}</span>
    </h2>
    <p v-if="tray.count > tray.posts.length" class="quiet">The newest {{ tray.posts.length }}.</p>
    <div class="lines">
      <PlanLine
        v-for="post in tray.posts"
        :key="post.id"
        v-bind="post"
        :workspace="post.workspace_id"
        :post="post.id"
        :client="plan.clientOf(post.workspace_id)"
        :held="plan.moving?.held.post_id === post.id"
        :chosen="plan.picked(post.id)"
        @choose="plan.pick(post.workspace_id, post.id)"
        @grab="$emit('grab', $event, post)"
        @take="$emit('take', post)"
      />
    </div>
  </section>
</template>

<style scoped>
.tray {
  margin-top: 18px;
}
.tray h2 {
  font-size: 15px;
  padding-bottom: 4px;
  border-bottom: 2px solid var(--ink);
}
.lines {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: 2px 16px;
}
</style>
