<script setup lang="ts">
// At the address of a post that opens for nobody: that it was discarded, by whom and when, and the way back. What was
// never there, or is another's, stays a plain refusal.
import { Button } from 'ant-design-vue'
import { useQuery } from '@tanstack/vue-query'
import { api, ok } from '@/api/client'
import { moment } from '@/api/time'
import { titled } from '@/api/words'
import ChannelLogos from '@/parts/ChannelLogos.vue'
import { useProblem } from '@/parts/problem'
import { restorePost } from './discarded'

const props = defineProps<{ workspace: string; post: string; refusal: string }>()
const emit = defineEmits<{ restored: [] }>()
const path = { workspace: props.workspace, post: props.post }
const { data, isPending } = useQuery({
  queryKey: ['posts', 'discarded', props.post],
  queryFn: () => ok(api.GET('/api/w/{workspace}/discarded-posts/{post}', { params: { path } })),
  retry: false,
})
const { busy, run, beside } = useProblem()
async function restore() {
  if (await run(() => restorePost(path).then(() => true))) emit('restored')
}
</script>

<template>
  <section v-if="data" class="discarded" aria-labelledby="discarded">
    <h1 id="discarded">{{ titled(data.subject) }}</h1>
    <p>Discarded by {{ data.by }}, {{ moment(data.discarded_at) }}. Nothing of it is lost.</p>
    <ChannelLogos :channels="data.channels" />
    <p class="acts">
      <Button type="primary" :loading="busy" :disabled="!data.restore.ok" :title="data.restore.why" @click="restore"
        >Restore it</Button
      >
      <router-link :to="{ name: 'posts', query: { client: workspace, discarded: 'yes' } }"
        >All that was discarded</router-link
      >
    </p>
    <p v-if="!data.restore.ok" class="quiet">{{ data.restore.why }}</p>
    <p v-if="beside([])" role="alert" class="late">{{ beside([]) }}</p>
  </section>
  <p v-else-if="!isPending" role="alert">{{ refusal }} <router-link to="/desk">Go to the Desk</router-link></p>
</template>

<style scoped>
.discarded {
  display: grid;
  gap: 10px;
  max-width: 640px;
}
h1 {
  font: 750 20px/1.3 var(--sans);
}
.acts {
  display: flex;
  gap: 16px;
  align-items: center;
}
</style>
