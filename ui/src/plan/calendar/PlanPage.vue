<script setup lang="ts">
// The plan of one client or of all of mine, by month, week or channel. What stands in it is taken to another time by
// pointer, by touch or by keys.
import { useMediaQuery } from '@vueuse/core'
import { computed, nextTick, reactive, ref, watch } from 'vue'
import { unread } from '@/api/client'
import { counted } from '@/api/words'
import ComingShape from '@/parts/ComingShape.vue'
import KeysHelp from '@/parts/KeysHelp.vue'
import { opening, useKeys } from '@/parts/keys'
import { later } from '@/parts/later'
import { entitle } from '@/parts/title'
import SeveralBar from '@/plan/bulk/SeveralBar.vue'
import { usePicking } from '@/plan/bulk/picking'
import type { Chosen } from '@/plan/bulk/several'
import type { KeyDate } from '@/plan/dates/key-dates'
import type { Mark } from '@/plan/marks/pencil'
import FilterRow from './FilterRow.vue'
import MonthNote from './MonthNote.vue'
import PlanDialogs from './PlanDialogs.vue'
import PlanHead from './PlanHead.vue'
import PlanShown from './PlanShown.vue'
import ViewsRow from './ViewsRow.vue'
import { useAskDays } from './ask-days'
import type { Dialog } from './dialogs'
import type { Kind } from './filter'
import { useHolding } from './holding'
import { useLooking } from './looking'
import { useMenu } from './menu'
import { useOpening } from './opening'
import type { Line } from './period'
import { usePencilling } from './pencilling'
import { placeOf, type View } from './place'
import { providePlan } from './plan'
import { keysOf } from './plan-keys'
import { useShown } from './shown'
import { addressOf } from './views'
import { useWalking } from './walking'

const PasteDialog = later(() => import('@/plan/bulk/PasteDialog.vue'))
const PlanProof = later(() => import('./PlanProof.vue'))
const SheetLayer = later(() => import('@/posts/SheetLayer.vue'))
const TimeDialog = later(() => import('@/plan/moving/TimeDialog.vue'))

const plan = useShown()
const shown = reactive(plan)
const { id, workspace, set, clear, turn, today, view, day, span, hidden, narrowing } = plan
const { choices, offered, off, narrowed, channels, columns, data, year, listed, error, heading, days, dates, note } =
  plan
const narrow = useMediaQuery('(max-width: 700px)')
const filtering = ref(Object.keys(narrowing.value).length > 0)
watch(heading, (words) => entitle(`Plan, ${words}`), { immediate: true })

const picking = usePicking(id)
const holding = useHolding(plan, picking, () => walks.standing.value)
const { moving, over, drop, leave } = holding
const walking = computed<View>(() => (narrow.value ? 'month' : view.value))
const walks = useWalking({
  view: walking,
  days,
  channels: columns,
  now: plan.now,
  day,
  show: (next) => set({ day: next }),
  held: () => moving.value?.place,
  reach: holding.reach,
  over: holding.overOwn,
})
const { focused, standing, here, go } = walks
const open = ref<Dialog>()
const { pencil, sheet, marksIn, pencilHere, written, unwritten } = usePencilling(
  plan,
  walks,
  walking,
  () => !!moving.value,
  (onto) => (open.value = { dialog: 'mark', day: onto }),
)
const asks = useAskDays(plan, () => here.value)
const ask = (posts: Chosen) => posts.size > 0 && (open.value = { dialog: 'ask', posts })
const mayDate = computed(() => workspace.value?.can.plan_dates)
function dateHere() {
  if (!workspace.value || moving.value) return
  open.value = { dialog: 'date', day: view.value === 'year' ? day.value : placeOf(here.value).day }
}
const { more, choose } = useMenu(plan, asks, (dialog) => (open.value = dialog), dateHere)
async function print() {
  open.value = undefined
  await nextTick()
  window.print()
}

// on a phone a post has the page to itself
const { open: openPost, clicked, close: closePost } = useOpening()
const { looked, look, away } = useLooking()
providePlan(
  reactive({
    look,
    away,
    moving,
    standing,
    clientOf: plan.clientOf,
    focus: (place: string) => (focused.value = place),
    grab: (event: PointerEvent, line: Line, place: string) => holding.grab(event, holding.ofLine(line, place)),
    take: (line: Line, place: string) => holding.take(holding.ofLine(line, place)),
    picked: (post: string) => picking.picked.value.has(post),
    pick: picking.pick,
    marksIn,
    dates: computed(() => data.value?.dates ?? []),
    openDate: (date: KeyDate) => (open.value = { dialog: 'date', day: date.first, date }),
    openMark: (mark: Mark) =>
      (open.value = mark.fixture_id ? { dialog: 'fixture-mark', mark } : { dialog: 'mark', day: mark.day, mark }),
    typing: sheet.typing,
    chosen: (place: string) => sheet.several.value && sheet.chosen.value.has(place),
    write: (place: string) => sheet.begin(place),
    written,
    leave: unwritten,
  }),
)
useKeys({
  ArrowRight: () => void go(1, 0),
  ArrowLeft: () => void go(-1, 0),
  ArrowDown: () => void go(0, 1),
  ArrowUp: () => void go(0, -1),
  PageDown: () => turn(1),
  PageUp: () => turn(-1),
  T: () => set({ day: today.value }),
  P: opening(pencilHere),
  D: () => mayDate.value?.ok && dateHere(),
  A: () => picking.pickAll(data.value?.lines ?? [], sheet.several.value ? sheet.chosen.value : undefined),
  F: () => (filtering.value = !filtering.value),
  Q: () => ask(asks.ofDay.value),
  W: () => ask(asks.ofWeek.value),
})
</script>

<template>
  <main
    class="plan"
    @focusin="asks.touch"
    @keydown.enter="holding.enter"
    @keydown.esc="leave"
    @click.capture="!narrow && clicked($event)"
  >
    <PlanHead
      :heading="heading"
      :dates="dates"
      :client="workspace"
      :zone="data?.zone"
      :view="view"
      :span="span"
      :narrowed="narrowed"
      :filtering="filtering"
      :cut="data?.cut || listed.data.value?.cut"
      :more="more"
      :marks="data?.marks.length ?? 0"
      @turn="turn"
      @today="set({ day: today })"
      @view="(next) => set({ view: next === 'month' ? '' : next, span: '', day })"
      @span="(next) => set({ span: next, day: next === '30' || next === '60' || next === '90' ? today : day })"
      @filter="filtering = !filtering"
      @pencil="pencilHere"
      @choose="choose"
    />
    <MonthNote v-if="note" :key="`${id} ${note.month}`" v-bind="note" :workspace="workspace!.id" :may="mayDate" />
    <ViewsRow
      v-if="filtering"
      :workspace="id"
      :look="view"
      :narrowing="narrowing"
      :may-share="workspace?.can.share_view"
      @choose="(saved) => set({ ...addressOf(saved), day })"
    />
    <FilterRow
      v-if="filtering"
      :narrowing="narrowing"
      :offered="offered"
      @set="(kind: Kind, value: string) => set({ [kind]: value })"
      @clear="clear"
    />
    <p v-if="off > 0" class="quiet">
      {{ counted(off, 'channel is', 'channels are') }} switched off in your views.
      <button type="button" class="link-button" @click="set({ all: hidden ? 'yes' : '' })">
        {{ hidden ? 'Show everything' : 'Hide again' }}
      </button>
    </p>
    <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
    <ComingShape v-if="!(view === 'year' ? year : data) && !error" label="Fetching the plan" :lines="14" />
    <PlanShown
      :shown="shown"
      :sheet="sheet"
      :narrow="narrow"
      @time="holding.retime"
      @grab="(event, post) => holding.grab(event, holding.ofTray(post))"
      @take="(post) => holding.take(holding.ofTray(post))"
    />
    <SeveralBar
      v-if="picking.picked.value.size > 0"
      :chosen="picking.picked.value"
      :labels="choices?.labels ?? []"
      :campaigns="choices?.campaigns ?? []"
      :people="choices?.people ?? []"
      :today="today"
      @clear="picking.clear"
    />
    <PlanProof v-if="looked && !moving && !openPost" :looked="looked" />
    <SheetLayer v-if="openPost" :key="openPost.post" v-bind="openPost" @close="closePost" />
    <PlanDialogs
      v-if="open"
      :open="open"
      :shown="shown"
      :pencil="pencil"
      @open="open = $event"
      @close="open = undefined"
      @apply="(change, of) => pencil.apply(change, of)"
      @print="print"
    />
    <TimeDialog v-if="view === 'list' && moving" :moving="moving" @over="over" @drop="drop()" @leave="leave" />
    <PasteDialog
      v-if="sheet.pasting.value"
      v-bind="sheet.pasting.value"
      :channels="channels"
      :at="pencil.at"
      :may-write="workspace?.can.make_post"
      @apply="(change) => pencil.apply(change)"
      @drafts="pencil.write"
      @close="sheet.pasting.value = undefined"
    />
    <KeysHelp :keys="keysOf(view)" />
  </main>
</template>

<style scoped>
.plan {
  padding: 12px 20px 32px;
}
@media print {
  .plan {
    padding: 0;
  }
  .tray {
    display: none;
  }
}
@media (max-width: 700px) {
  .plan {
    padding: 12px 12px 32px;
  }
}
</style>
