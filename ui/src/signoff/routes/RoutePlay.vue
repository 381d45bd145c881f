<script setup lang="ts">
// A real post played through the route that is being written: in words, step by step, before it stands.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, ok, sentence } from '@/api/client'
import { list, titled } from '@/api/words'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import type { Draft } from './route'

const props = defineProps<{ workspace: string; draft: Draft }>()
const chosen = ref<string | null>(null)
const { data: posts } = useQuery({
  queryKey: ['posts', 'to play', props.workspace],
  queryFn: () => ok(api.GET('/api/posts', { params: { query: { workspace: props.workspace } } })),
})
const options = computed(() =>
  (posts.value?.posts ?? [])
    .filter((post) => post.stage !== 'out')
    .slice(0, 40)
    .map((post) => ({ value: post.id as string | null, label: titled(post.subject) })),
)
// what is asked for is what the query is known by, so that an answer never stands beside another route
const written = computed(() => JSON.stringify([props.draft.steps, props.draft.releases_itself]))
const { data, error } = useQuery({
  queryKey: computed(() => ['played', props.workspace, chosen.value, written.value]),
  enabled: computed(() => chosen.value !== null),
  queryFn: () =>
    ok(
      api.POST('/api/w/{workspace}/posts/{post}/play-route', {
        params: { path: { workspace: props.workspace, post: chosen.value! } },
        body: { steps: props.draft.steps, releases_itself: props.draft.releases_itself },
      }),
    ),
  retry: false,
})
</script>

<template>
  <div class="play">
    <label for="play-post">What would happen to</label>
    <ChoiceField id="play-post" v-model="chosen" :options="options" placeholder="a post of this client" />
    <p v-if="error" class="quiet" role="status">{{ sentence(error) }}</p>
    <div v-for="way in data?.ways ?? []" :key="way.channels.join()" class="way" role="status">
      <b>{{ list(way.channels) }}</b>
      <ol>
        <li v-for="(step, index) in way.steps" :key="index" :class="[step.side, { off: !step.wanted }]">
          <b>{{ step.name || 'Without a name' }}</b> {{ step.words }}
        </li>
      </ol>
      <p>{{ way.after }}</p>
    </div>
  </div>
</template>

<style scoped>
.play {
  display: grid;
  gap: 4px;
  padding: 8px 0;
  border-top: 1px solid var(--rule);
}
.way {
  padding: 6px 0;
}
.way li {
  padding: 2px 0 2px 8px;
  border-left: 4px solid var(--internal);
  margin: 2px 0;
}
.way .client {
  border-left-color: var(--client);
}
.way .off {
  border-left-color: var(--rule);
  color: var(--ink-2);
}
</style>
