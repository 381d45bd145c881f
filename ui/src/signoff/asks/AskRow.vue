<script setup lang="ts">
// One ask that is open: nudged, withdrawn for this post or for all that it is about, and taken back as long as nobody
// has been told; the links of those who answer without an account.
import { message } from 'ant-design-vue'
import { computed } from 'vue'
import { useQueryClient } from '@tanstack/vue-query'
import { api, ok } from '@/api/client'
import { brief, planned } from '@/api/time'
import { counted, list } from '@/api/words'
import ActButton from '@/parts/ActButton.vue'
import { offerUndo } from '@/parts/undo'
import { useAct, type Sheet } from '@/posts/sheet'
import { attempt } from '@/parts/problem'

type Ask = Sheet['asks'][number]
const props = defineProps<{ sheet: Sheet; ask: Ask; now: string }>()
const queries = useQueryClient()
const path = computed(() => ({ workspace: props.sheet.workspace_id, ask: props.ask.id }))
const first = (name: string) => name.split(' ')[0] ?? name
const people = computed(() => list(props.ask.people.map(first)))

const nudge = useAct<undefined, { reminded: string[] }>(
  props.sheet.id,
  () => ok(api.POST('/api/w/{workspace}/asks/{ask}/nudge', { params: { path: path.value } })),
  ({ reminded }) => void message.success(`${list(reminded)} ${reminded.length === 1 ? 'is' : 'are'} reminded.`),
)
const withdraw = useAct<string | null>(
  props.sheet.id,
  (post) =>
    post
      ? ok(
          api.POST('/api/w/{workspace}/asks/{ask}/withdraw/{post}', {
            params: { path: { ...path.value, post } },
          }),
        )
      : ok(api.POST('/api/w/{workspace}/asks/{ask}/withdraw', { params: { path: path.value } })),
  (_, post) => offerUndo(said(post), () => back(post)),
)
const said = (post: string | null) =>
  post && props.ask.posts > 1
    ? `${people.value} are no longer asked about this post; the others of that ask go on.`
    : 'The ask is withdrawn.'
async function back(post: string | null) {
  const body = { post_id: props.ask.posts > 1 ? post : null }
  const done = await attempt(() =>
    ok(api.POST('/api/w/{workspace}/asks/{ask}/not-withdrawn', { params: { path: path.value }, body })),
  )
  void queries.invalidateQueries({ queryKey: ['post', props.sheet.id] })
  return done
}
const pass = useAct<{ id: string; act: 'revoke' | 'renew' }>(props.sheet.id, ({ id, act }) => {
  const params = { path: { workspace: props.sheet.workspace_id, pass: id } }
  return act === 'revoke'
    ? ok(api.POST('/api/w/{workspace}/passes/{pass}/revoke', { params }))
    : ok(api.POST('/api/w/{workspace}/passes/{pass}/renew', { params }))
})
// several mails may have brought several links; they are one person's
const links = computed(() => [...new Map(props.ask.passes.map((one) => [one.person, one])).values()])
</script>

<template>
  <ul class="ask">
    <li>
      Asked by {{ ask.asked_by }} {{ brief(ask.asked_at, now) }}, due {{ planned(ask.due_at, sheet.zone)
      }}<template v-if="ask.posts > 1">, with {{ counted(ask.posts - 1, 'other post', 'other posts') }}</template
      ><template v-if="ask.reminded_at">; reminded {{ brief(ask.reminded_at, now) }}</template>
    </li>
    <li v-if="ask.places.nobody" class="late">
      Too few of those who were asked can still answer here. Ask whom the step names now, or decide beside it below.
    </li>
    <li class="acts">
      <ActButton
        v-if="!ask.places.nobody"
        size="small"
        :may="sheet.can.ask"
        :loading="nudge.isPending.value"
        @click="nudge.mutate(undefined)"
        >Nudge {{ people }}</ActButton
      >
      <ActButton size="small" :may="sheet.can.withdraw" @click="withdraw.mutate(ask.posts > 1 ? sheet.id : null)">{{
        ask.posts > 1 ? 'Withdraw this post' : 'Withdraw the ask'
      }}</ActButton>
      <ActButton v-if="ask.posts > 1" size="small" :may="sheet.can.withdraw" @click="withdraw.mutate(null)"
        >Withdraw all {{ ask.posts }}</ActButton
      >
    </li>
    <li v-for="one in links" :key="one.id" class="quiet link">
      {{ one.person }} has a link until {{ brief(one.expires_at, now) }}
      <ActButton
        link
        :may="sheet.can.ask"
        :aria-label="`send anew: a link for ${one.person}`"
        @click="pass.mutate({ id: one.id, act: 'renew' })"
        >send anew</ActButton
      >
      <ActButton
        link
        :may="sheet.can.withdraw"
        :aria-label="`stop the link of ${one.person}`"
        @click="pass.mutate({ id: one.id, act: 'revoke' })"
        >stop the link</ActButton
      >
    </li>
  </ul>
</template>

<style scoped>
.ask {
  padding: 6px 0;
  border-top: 1px solid var(--rule);
}
.link {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin: 4px 0;
}
</style>
