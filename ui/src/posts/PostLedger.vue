<script setup lang="ts">
// What stands beside a post, behind the thick rule: sign-off, checks, tasks, talk, and what it was before.
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import BrandLedger from '@/clients/BrandLedger.vue'
import ActButton from '@/parts/ActButton.vue'
import AnswerPanel from '@/signoff/answers/AnswerPanel.vue'
import SignoffLedger from '@/signoff/sheets/SignoffLedger.vue'
import TalkLedger from '@/talk/TalkLedger.vue'
import TasksLedger from '@/traffic/TasksLedger.vue'
import BesideLedger from './BesideLedger.vue'
import ChecksLedger from './ChecksLedger.vue'
import RecordLedger from './RecordLedger.vue'
import RevisionsLedger from './RevisionsLedger.vue'
import type { Sheet } from './sheet'

const props = defineProps<{ sheet: Sheet; now: string; /** the client's name */ client: string; fresh: boolean }>()
const emit = defineEmits<{ ask: [offer: Sheet['next_ask']]; show: [place: string, channel: string]; discard: [] }>()
const tasks = ref<InstanceType<typeof TasksLedger>>()
const ledger = ref<HTMLElement>()
const talk = ref<HTMLElement>()
const route = useRoute()

// a notice about talk leads straight to it
watch(
  () => route.query.at === 'talk',
  (led) => led && void nextTick(toTalk),
  { immediate: true },
)
function toTalk() {
  if (ledger.value && talk.value)
    ledger.value.scrollTop += talk.value.getBoundingClientRect().top - ledger.value.getBoundingClientRect().top
}
function lookAtChecks() {
  const list = ledger.value?.querySelector<HTMLElement>('section[aria-label=Checks]')
  list?.scrollIntoView({ block: 'nearest' })
  list?.querySelector<HTMLElement>('li [tabindex], li button, summary')?.focus({ preventScroll: true })
}

// An earlier revision is taken back part by part; the text stands for them.
const takeBackOff = computed(
  () =>
    props.sheet.can['write:descriptions']?.why ??
    props.sheet.master.parts.text.off ??
    props.sheet.adaptations.map((one) => one.parts.text.off).find((why) => why) ??
    undefined,
)
defineExpose({ lookAtChecks })
</script>

<template>
  <aside ref="ledger" class="ledger" aria-label="Ledger">
    <AnswerPanel v-if="sheet.my_ask" :key="sheet.my_ask.line_id" :sheet="sheet" />
    <SignoffLedger :sheet="sheet" :now="now" @ask="emit('ask', $event)" />
    <ChecksLedger :sheet="sheet" @show="(place, channel) => emit('show', place, channel)" />
    <TasksLedger ref="tasks" :sheet="sheet" :now="now" />
    <span id="talk" ref="talk" />
    <TalkLedger
      v-for="room in ['client', 'house'] as const"
      :key="room"
      :sheet="sheet"
      :room="room"
      :now="now"
      :client="client"
      @task="tasks?.begin($event)"
    />
    <BesideLedger :sheet="sheet" />
    <BrandLedger :workspace="sheet.workspace_id" />
    <RevisionsLedger
      :workspace="sheet.workspace_id"
      :post="sheet.id"
      :newest="sheet.revision ?? null"
      :off="takeBackOff"
    />
    <RecordLedger v-if="!fresh" :workspace="sheet.workspace_id" :post="sheet.id" />
    <p v-if="!fresh">
      <ActButton link :may="sheet.can.discard" @click="emit('discard')">Discard this post</ActButton>
    </p>
  </aside>
</template>

<style scoped>
.ledger {
  flex: 0 0 292px;
  overflow: auto;
  padding: 12px 16px 40px;
  background: var(--sheet);
  border-left: 3px solid var(--ink);
}
.ledger :deep(section) {
  margin-bottom: 16px;
}
.ledger :deep(h3) {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  font-size: 13px;
  font-weight: 600;
  padding-bottom: 4px;
  border-bottom: 1px solid var(--rule);
  margin-bottom: 5px;
}
.ledger :deep(h3) {
  gap: 12px;
  white-space: nowrap;
}
.ledger :deep(h3 span) {
  overflow: hidden;
  text-overflow: ellipsis;
  font-weight: 450;
}
</style>
