<script setup lang="ts">
// Every revision that was kept, and what for; each can be laid beside the one before, or any other.
import { useQuery } from '@tanstack/vue-query'
import { Button, message } from 'ant-design-vue'
import { ref } from 'vue'
import { api, ok } from '@/api/client'
import { moment } from '@/api/time'
import { useAct } from './sheet'
import ActButton from '@/parts/ActButton.vue'
import { later } from '@/parts/later'

const CompareRevisions = later(() => import('./CompareRevisions.vue'))

const props = defineProps<{ workspace: string; post: string; newest: number | null; off?: string }>()
const open = ref(false)
const comparing = ref<{ from: number; to: number }>()
const wanted = ref<number>()
const back = useAct<number, { number: number }>(
  props.post,
  (number) =>
    ok(
      api.POST('/api/w/{workspace}/posts/{post}/take-revision-back', {
        params: { path: { workspace: props.workspace, post: props.post } },
        body: { number },
      }),
    ),
  ({ number }, taken) => {
    wanted.value = undefined
    void message.success(
      number === taken
        ? `The post says what revision ${taken} said.`
        : `Revision ${number} says again what revision ${taken} said.`,
    )
  },
)
const { data } = useQuery({
  queryKey: ['revisions', props.post, () => props.newest],
  queryFn: () =>
    ok(
      api.GET('/api/w/{workspace}/posts/{post}/revisions', {
        params: { path: { workspace: props.workspace, post: props.post } },
      }),
    ),
  enabled: open,
})
</script>

<template>
  <section aria-label="Revisions">
    <h3>
      <button type="button" class="link-button" :aria-expanded="open" @click="open = !open">Revisions</button>
      <span class="quiet">{{ newest ?? 'none yet' }}</span>
    </h3>
    <ol v-if="open && data">
      <li v-for="one in data.revisions" :key="one.number">
        <span
          ><b>Revision {{ one.number }}</b>
          <span class="quiet"
            >{{ moment(one.at) }} · {{ one.by
            }}<template v-if="one.for.length > 0"> · {{ one.for.join(', ') }}</template></span
          ></span
        >
        <span class="acts">
          <ActButton link :off="off" :aria-label="`Restore revision ${one.number}`" @click="wanted = one.number"
            >restore</ActButton
          >
          <button
            v-if="one.number > 1"
            type="button"
            class="link-button"
            :aria-label="`Compare revision ${one.number} with the one before`"
            @click="comparing = { from: one.number - 1, to: one.number }"
          >
            compare
          </button>
        </span>
        <div v-if="wanted === one.number" class="sure" role="alert">
          <p>
            The post says again what revision {{ one.number }} said, on every channel; what stands now stays with its
            own revision. The time is not changed.
          </p>
          <Button size="small" type="primary" :loading="back.isPending.value" @click="back.mutate(one.number)"
            >Restore it</Button
          >
          <Button size="small" @click="wanted = undefined">Cancel</Button>
        </div>
      </li>
      <li v-if="data.revisions.length === 0" class="quiet">
        A revision is kept whenever the post is asked for or released.
      </li>
    </ol>
    <CompareRevisions
      v-if="comparing && data"
      :workspace="workspace"
      :post="post"
      :from="comparing.from"
      :to="comparing.to"
      :numbers="data.revisions.map((one) => one.number)"
      @close="comparing = undefined"
    />
  </section>
</template>

<style scoped>
.acts {
  display: flex;
  gap: 8px;
}
.sure {
  flex-basis: 100%;
  padding: 8px;
  border: 1px solid var(--ink);
}
.sure p {
  margin-bottom: 6px;
}
li .quiet {
  margin-left: 6px;
}
li {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 4px 8px;
  padding: 4px 0;
  border-bottom: 1px solid var(--hairline);
}
</style>
