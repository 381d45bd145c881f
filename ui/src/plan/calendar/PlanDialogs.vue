<script setup lang="ts">
// The dialogs of the plan, of which one is open at a time.
import { computed, type UnwrapNestedRefs } from 'vue'
import { later } from '@/parts/later'
import type { Change } from '@/plan/bulk/block'
import type { usePencil } from '@/plan/marks/pencil'
import type { Dialog } from './dialogs'
import type { Shown } from './shown'

const AskSeveralDialog = later(() => import('@/signoff/asks/AskSeveralDialog.vue'))
const BalanceDialog = later(() => import('@/campaigns/BalanceDialog.vue'))
const CarryOverDialog = later(() => import('@/plan/marks/CarryOverDialog.vue'))
const CopyMarksDialog = later(() => import('@/plan/marks/CopyMarksDialog.vue'))
const ExportDialog = later(() => import('./ExportDialog.vue'))
const FixtureMarkDialog = later(() => import('@/plan/fixtures/FixtureMarkDialog.vue'))
const FixturesDialog = later(() => import('@/plan/fixtures/FixturesDialog.vue'))
const KeyDateDialog = later(() => import('@/plan/dates/KeyDateDialog.vue'))
const MarkDialog = later(() => import('@/plan/marks/MarkDialog.vue'))

const props = defineProps<{
  open: Dialog
  shown: UnwrapNestedRefs<Shown>
  pencil: ReturnType<typeof usePencil>
}>()
const emit = defineEmits<{
  close: []
  open: [dialog: Dialog]
  apply: [change: Change, workspace?: string]
  print: []
}>()
/** Of which client what is opened is: its own, or the one that is shown. */
const ofMark = computed(() =>
  props.open.dialog === 'mark' ? (props.open.mark?.workspace_id ?? props.shown.id) : undefined,
)
const ofDate = computed(() =>
  props.open.dialog === 'date' ? (props.open.date?.workspace_id ?? props.shown.id) : undefined,
)
const look = computed(() => {
  const { view, span } = props.shown
  return view === 'list' || (span !== 'month' && span !== 'week') ? 'list' : span
})
</script>

<template>
  <AskSeveralDialog v-if="open.dialog === 'ask'" :posts="open.posts" @close="emit('close')" />
  <MarkDialog
    v-else-if="open.dialog === 'mark' && ofMark"
    :key="`${open.day} ${open.mark?.channel_id}`"
    :workspace="ofMark"
    :mark="open.mark"
    :day="open.day"
    :channels="(shown.choices?.channels ?? []).filter((one) => one.workspace_id === shown.workspace?.id)"
    :labels="(shown.choices?.labels ?? []).filter((one) => one.workspace_id === ofMark)"
    :may-write="shown.facts[ofMark]?.can.make_post"
    @apply="(change) => emit('apply', change, ofMark)"
    @close="emit('close')"
  />
  <FixtureMarkDialog
    v-else-if="open.dialog === 'fixture-mark'"
    :key="`${open.mark.day} ${open.mark.fixture_id}`"
    :mark="open.mark"
    :may-write="shown.facts[open.mark.workspace_id]?.can.make_post"
    :may="shown.facts[open.mark.workspace_id]?.can.pencil"
    @change="
      emit('open', {
        dialog: 'fixtures',
        workspace: open.mark.workspace_id,
        fixture: open.mark.fixture_id ?? undefined,
      })
    "
    @close="emit('close')"
  />
  <FixturesDialog
    v-else-if="open.dialog === 'fixtures'"
    :workspace="open.workspace"
    :fixture="open.fixture"
    :day="shown.today"
    :choices="shown.choices"
    :may="shown.facts[open.workspace]?.can.pencil"
    @close="emit('close')"
  />
  <CarryOverDialog
    v-else-if="open.dialog === 'carry' && shown.id"
    :workspace="shown.id"
    :year="Number(shown.day.slice(0, 4))"
    @close="emit('close')"
  />
  <BalanceDialog
    v-else-if="open.dialog === 'balance' && shown.id"
    :workspace="shown.id"
    :days="shown.inside"
    :may="shown.workspace?.can.order_labels"
    @close="emit('close')"
  />
  <KeyDateDialog
    v-else-if="open.dialog === 'date' && ofDate"
    :key="open.date?.id ?? open.day"
    :workspace="ofDate"
    :day="open.day"
    :date="open.date"
    :may="shown.facts[ofDate]?.can.plan_dates"
    :of="open.date && shown.clientOf(open.date.workspace_id)?.name"
    @close="emit('close')"
  />
  <ExportDialog
    v-else-if="open.dialog === 'export' && shown.days.length > 0"
    :workspace="shown.id"
    :shows="`${shown.workspace?.name ?? 'All your clients'}, ${shown.narrowed ? `narrowed to “${shown.narrowed}”` : 'everything planned'}`"
    :narrowing="shown.narrowing"
    :names="shown.names"
    :now="shown.me?.now ?? shown.now"
    :days="[shown.days[0]!.date, shown.days[shown.days.length - 1]!.date]"
    :month="shown.day.slice(0, 7)"
    :look="look"
    :hidden="shown.hidden"
    @close="emit('close')"
    @print="emit('print')"
  />
  <CopyMarksDialog
    v-else-if="open.dialog === 'copy' && shown.days.length > 0"
    :marks="pencil.all.value"
    :from="shown.days[0]!.date"
    :at="pencil.at"
    @apply="(change) => emit('apply', change)"
    @close="emit('close')"
  />
</template>
