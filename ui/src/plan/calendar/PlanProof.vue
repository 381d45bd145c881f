<script setup lang="ts">
// The proof of a line, beside it, while it is pointed at or has the focus: as it will look on its first channel.
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, ok } from '@/api/client'
import ProofCard from '@/parts/ProofCard.vue'
import { cardOf, picturesOf } from '@/posts/proof'
import type { Looked } from './looking'

const props = defineProps<{ looked: Looked }>()
const { data } = useQuery({
  queryKey: computed(() => ['post-proof', props.looked.post]),
  queryFn: () =>
    ok(
      api.GET('/api/w/{workspace}/posts/{post}/blocks', {
        params: { path: { workspace: props.looked.workspace, post: props.looked.post }, query: { names: 'columns' } },
      }),
    ),
  staleTime: 15_000,
})
const one = computed(() => {
  const all = data.value?.adaptations ?? []
  return all.find((adaptation) => adaptation.channel.id === props.looked.channel) ?? all[0]
})
const WIDTH = 300
// beside the line, on the side where there is room; never over the line itself
const place = computed(() => {
  const { left, right, top } = props.looked.box
  const toRight = right + 8 + WIDTH < window.innerWidth
  return {
    left: `${toRight ? right + 8 : Math.max(8, left - WIDTH - 8)}px`,
    top: `${Math.max(8, Math.min(top, window.innerHeight - 320))}px`,
  }
})
</script>

<template>
  <div v-if="one" class="plan-proof" role="status" :aria-label="`Proof on ${one.channel.name}`" :style="place">
    <p class="on">{{ one.channel.name }}</p>
    <ProofCard
      :text="one.proof.text"
      :within="one.proof.within"
      :fold="one.proof.fold"
      :pictures="picturesOf(looked.workspace, data?.media ?? {}, one.parts.descriptions.value, one.proof)"
      :card="cardOf(looked.workspace, one.proof)"
      :beside="one.proof"
    />
    <p v-if="one.proof.text === '' && one.proof.pictures.length === 0" class="quiet">Nothing is written yet.</p>
  </div>
</template>

<style scoped>
.plan-proof {
  position: fixed;
  z-index: 15;
  width: 300px;
  max-height: 312px;
  padding: 8px 12px 12px;
  overflow: hidden;
  background: var(--sheet);
  border: 1px solid var(--ink);
  border-radius: 3px;
  box-shadow: 0 4px 14px rgb(0 0 0 / 18%);
  pointer-events: none;
}
.on {
  margin-bottom: 4px;
  color: var(--ink-2);
  font-size: 12px;
}
@media print {
  .plan-proof {
    display: none;
  }
}
</style>
