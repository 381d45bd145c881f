<script setup lang="ts">
// The ledger's first part: who said what, on which revision, and which asks are open.
import { computed, ref } from 'vue'
import { api, ok } from '@/api/client'
import { age, brief } from '@/api/time'
import { list } from '@/api/words'
import StampMark from '@/parts/StampMark.vue'
import { useAct, type Sheet } from '@/posts/sheet'
import ActButton from '@/parts/ActButton.vue'
import { fileAddress } from '@/talk/files'
import AskRow from '@/signoff/asks/AskRow.vue'
import RouteChoice from '@/signoff/routes/RouteChoice.vue'
import RulingForm from '@/signoff/rulings/RulingForm.vue'

const props = defineProps<{ sheet: Sheet; now: string }>()
const emit = defineEmits<{ ask: [offer: Sheet['next_ask']] }>()
const path = computed(() => ({ workspace: props.sheet.workspace_id }))
// What a step waits for can be decided beside the answers, on record, by someone who may.
const waits = computed(() =>
  props.sheet.adaptations.length > 0
    ? props.sheet.strip.find((stamp) => stamp.required && ['not_asked', 'asked', 'void'].includes(stamp.state))
    : undefined,
)
// Or what one who has left wanted is set aside, which nobody could take back otherwise.
const left = computed(() =>
  props.sheet.strip.find((stamp) => props.sheet.left_blocks.some((one) => one.step_id === stamp.step_id)),
)
const decided = computed(() => left.value ?? waits.value)
const ruling = ref(false)
const paper = (kind: string) => `/api/w/${props.sheet.workspace_id}/sign-off.${kind}?post=${props.sheet.id}`
const choose = useAct<{ route_id: string | null; reason: string }>(props.sheet.id, (body) =>
  ok(
    api.PUT('/api/w/{workspace}/posts/{post}/route', {
      params: { path: { ...path.value, post: props.sheet.id } },
      body,
    }),
  ),
)
const VERDICTS: Record<string, string> = { yes: 'said yes', change: 'wanted a change', no: 'said no, not at all' }
</script>

<template>
  <section aria-labelledby="signoff">
    <h3 id="signoff">
      Sign-off <span class="quiet">{{ sheet.revision ? `revision ${sheet.revision}` : 'nothing asked yet' }}</span>
    </h3>
    <ul class="steps">
      <li v-for="stamp in sheet.strip" :key="stamp.step_id">
        <StampMark :stamp="stamp" />
        <span>
          <b>{{ stamp.who.length > 0 ? list(stamp.who) : stamp.name }}</b>
          <span class="quiet">{{
            stamp.who.length > 0 ? stamp.name : stamp.state === 'not_asked' ? 'not asked yet' : stamp.state
          }}</span>
          <span v-if="stamp.by_hand" class="quiet">{{ list(stamp.by_hand) }}</span>
        </span>
        <span v-if="stamp.since" class="quiet" :class="{ late: stamp.due && stamp.due < now }">{{
          stamp.state === 'asked' ? age(stamp.since, now) : brief(stamp.since, now)
        }}</span>
      </li>
      <li v-if="sheet.strip.length === 0" class="quiet alone">This client’s route has no step.</li>
    </ul>
    <p v-for="offer in sheet.other_asks" :key="offer.step_id" class="beside">
      “{{ offer.name }}” is advisory
      <button
        type="button"
        class="link-button"
        :disabled="!sheet.can.ask?.ok || !!offer.off"
        :title="sheet.can.ask?.why ?? offer.off ?? undefined"
        @click="emit('ask', offer)"
      >
        Ask {{ list(offer.people.map((name) => name.split(' ')[0] ?? name)) || 'there' }} too …
      </button>
    </p>
    <AskRow v-for="ask in sheet.asks" :key="ask.id" :sheet="sheet" :ask="ask" :now="now" />
    <template v-if="decided">
      <ActButton v-if="!ruling" link :may="sheet.can.rule" @click="ruling = true">{{
        left ? 'Set aside what is wanted by somebody who has left …' : `Instead of “${decided.name}” …`
      }}</ActButton>
      <RulingForm v-else :sheet="sheet" :step="decided" @done="ruling = false" />
    </template>
    <p v-if="sheet.answers.length > 0" class="papers">
      <span class="quiet">Sign-off sheet</span> <a :href="paper('pdf')" download>PDF</a>
      <a :href="paper('csv')" download>CSV</a> <a :href="paper('json')" download>proof</a>
      <a href="/review/verify" target="_blank" rel="noreferrer">verify</a>
    </p>
    <RouteChoice
      :workspace="sheet.workspace_id"
      :name="sheet.route.name"
      :own="sheet.route.by === 'post' ? sheet.route.id : null"
      usual="The one of its campaign or client"
      :may="sheet.can.choose_route"
      :put="choose.mutateAsync"
    />
    <ul class="answers">
      <li v-for="answer in sheet.answers" :key="answer.id" :class="answer.verdict">
        <b>{{ answer.for_them ? `${answer.for_them} for ${answer.person}` : answer.person }}</b>
        {{ VERDICTS[answer.verdict] }}<template v-if="answer.revision"> to revision {{ answer.revision }}</template>
        <span class="quiet"
          >&#32;· {{ brief(answer.at, now) }}, {{ list(answer.channels)
          }}<template v-if="answer.by_pass">, by link</template></span
        >
        <p v-if="answer.holds" class="quiet">{{ answer.holds }}</p>
        <p v-if="answer.words">
          “<bdi>{{ answer.words }}</bdi
          >”
        </p>
        <p v-if="answer.file_id">
          <a :href="fileAddress({ workspace: sheet.workspace_id, post: sheet.id }, answer.file_id)" download
            >What shows it</a
          >
        </p>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.beside {
  padding: 4px 0;
  color: var(--ink-2);
}
.beside button:disabled {
  color: var(--ink-2);
  text-decoration: none;
  cursor: not-allowed;
}
.steps li.alone {
  display: block;
}
.steps li {
  display: grid;
  grid-template-columns: 22px 1fr auto;
  gap: 4px;
  padding: 5px 0;
  align-items: start;
}
.steps li > span:nth-child(2) {
  display: grid;
}
.papers {
  display: flex;
  gap: 8px;
  padding: 4px 0;
}
.answers li {
  padding: 5px 0 5px 8px;
  border-left: 3px solid var(--rule);
  margin-top: 6px;
}
.answers .yes {
  border-color: var(--cleared);
}
.answers .change,
.answers .no {
  border-color: var(--change);
}
</style>
