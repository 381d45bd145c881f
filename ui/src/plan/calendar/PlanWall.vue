<script setup lang="ts">
// The coming pictures of a channel as its visitors will find them, in rows of three, with what is out already below. One is
// dragged, or taken by keys, into the place of another: the times stay, the pictures change them; what that costs is
// told before it is done.
import { Button, message } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, nextTick, ref } from 'vue'
import { api, ok, sentence, type Schemas } from '@/api/client'
import { plannedWall } from '@/api/time'
import { STAGES, counted, titled } from '@/api/words'
import DialogBox from '@/parts/DialogBox.vue'
import SignoffStrip from '@/parts/SignoffStrip.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import { attempt } from '@/parts/problem'
import { offerUndo } from '@/parts/undo'
import { releaseAgain } from '@/plan/moving/moves'
import { fileOf } from '@/posts/proof'
import { startDrag } from '@/plan/moving/drag'
import type { Time } from './period'
import { changes, movable, reordered, useWall, type Cell, type Change } from './wall'

const props = defineProps<{ workspace: string; channels: Schemas['PlanChannel'][] }>()
const channel = defineModel<string>('channel', { required: true })
const queries = useQueryClient()
const shown = computed(() =>
  props.channels.some((one) => one.id === channel.value) ? channel.value : props.channels[0]?.id,
)
const { data } = useWall(
  computed(() => props.workspace),
  shown,
  computed(() => true),
)
const cells = computed(() => data.value?.cells ?? [])

// one that is on its way, and the place that it is over
const held = ref<number>()
const over = ref<number>()
const order = computed(() =>
  held.value === undefined || over.value === undefined ? cells.value : reordered(cells.value, held.value, over.value),
)
const placeOf = (at: number) => `wall ${at}`
function grab(event: PointerEvent, at: number) {
  if (!movable(cells.value[at]!)) return
  startDrag(event, {
    pick: () => (held.value = over.value = at),
    over: (place) => place.startsWith('wall ') && (over.value = Number(place.slice(5))),
    drop: () => void drop(),
    leave,
  })
}
function leave() {
  held.value = over.value = undefined
}
const root = ref<HTMLElement>()
async function key(event: KeyboardEvent, at: number) {
  const step = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -3, ArrowDown: 3 }[event.key]
  const holds = held.value !== undefined
  if (event.key === 'm' && !holds && movable(cells.value[at]!)) held.value = over.value = at
  else if (event.key === 'Escape' && holds) leave()
  else if (event.key === 'Enter' && holds) await drop()
  else if (step === undefined) return
  else {
    const next = Math.min(cells.value.length - 1, Math.max(0, (holds ? over.value! : at) + step))
    if (holds && movable(cells.value[next]!)) over.value = next
    await nextTick()
    root.value?.querySelector<HTMLElement>(`[data-place="${placeOf(next)}"] a`)?.focus()
  }
  event.preventDefault()
  event.stopPropagation()
}

// before: what each change would do
type Told = Change & { costs: string[]; refused: string | null }
const told = ref<Told[]>()
const busy = ref(false)
const path = (cell: Cell) => ({ path: { workspace: cell.workspace_id, post: cell.post_id } })
const on = (cell: Cell) => cell.channels.map((one) => one.id)
async function drop() {
  const wanted = changes(cells.value, order.value)
  leave()
  if (wanted.length === 0) return
  try {
    told.value = await Promise.all(wanted.map(look))
  } catch (problem) {
    void message.error(sentence(problem), 8)
  }
}
async function look(change: Change): Promise<Told> {
  const body = { channels: on(change.cell), time: change.time }
  const cost = await ok(api.POST('/api/w/{workspace}/posts/{post}/move-cost', { params: path(change.cell), body }))
  const costs = [
    ...(cost.past ? ['That time is past.'] : []),
    ...(cost.off ? [`It falls on ${cost.off}.`] : []),
    ...new Set(cost.costs.flatMap((one) => one.costs)),
    ...new Set(cost.warnings.map((one) => one.sentence)),
  ]
  return { ...change, costs, refused: cost.refused }
}
const refused = computed(() => told.value?.filter((one) => one.refused) ?? [])
type Put = { cell: Cell; from: Time; time: Time }
/** @returns what lost its release by it, or nothing where not all could be moved */
async function put(all: Put[]): Promise<{ cell: Cell; unreleased: string[] }[] | undefined> {
  const lost: { cell: Cell; unreleased: string[] }[] = []
  const done = await attempt(async () => {
    for (const { cell, from, time } of all) {
      const body = { channels: on(cell), from, time }
      const { unreleased } = await ok(api.POST('/api/w/{workspace}/posts/{post}/move', { params: path(cell), body }))
      if (unreleased.length > 0) lost.push({ cell, unreleased })
    }
  })
  await queries.invalidateQueries({ queryKey: ['plan'] })
  return done ? lost : undefined
}
async function undo(back: Put[], lost: { cell: Cell; unreleased: string[] }[]) {
  if (!(await put(back))) return false
  const said = await Promise.all(lost.map(({ cell, unreleased }) => releaseAgain(cell, unreleased)))
  await queries.invalidateQueries({ queryKey: ['plan'] })
  return said.filter(Boolean).join(' ') || true
}
async function go() {
  const all = told.value!.map(({ cell, time }) => ({ cell, from: cell.time!, time }))
  busy.value = true
  const lost = await put(all)
  busy.value = false
  told.value = undefined
  if (!lost) return
  const back = all.map(({ cell, from, time }) => ({ cell, from: time, time: from }))
  const ended = lost.length > 0 ? ` ${counted(lost.length, 'is', 'are')} not released any more.` : ''
  offerUndo(`${counted(all.length, 'post has', 'posts have')} another time.${ended}`, () => undo(back, lost))
}
</script>

<template>
  <div ref="root" class="plan-wall">
    <p class="which">
      <label for="wall-channel">Channel</label>
      <ChoiceField
        id="wall-channel"
        :model-value="shown"
        :options="channels.map((one) => ({ value: one.id as string | undefined, label: one.name }))"
        @update:model-value="channel = $event ?? ''"
      />
      <span class="quiet">the latest first, as visitors find it; dragged, or M and the arrows, to change places</span>
    </p>
    <ul class="wall" aria-label="The wall">
      <li
        v-for="(cell, at) in order"
        :key="cell.post_id"
        :data-place="placeOf(at)"
        :class="[`stage-${cell.stage}`, { out: !movable(cell), held: held !== undefined && cell === cells[held] }]"
      >
        <router-link
          :to="{ name: 'post', params: { workspace: cell.workspace_id, post: cell.post_id } }"
          draggable="false"
          @pointerdown="grab($event, at)"
          @keydown="key($event, at)"
        >
          <span class="picture">
            <img
              v-if="cell.media"
              :src="fileOf(cell.workspace_id, cell.media.id)"
              alt=""
              draggable="false"
              loading="lazy"
            />
            <span v-else class="copy words" dir="auto">{{ cell.words || 'No picture yet' }}</span>
            <span v-if="cell.media?.video" class="kind">video</span>
          </span>
          <span class="facts">
            <b dir="auto">{{ titled(cell.subject) }}</b>
            <span class="quiet">{{ plannedWall(cell.time!) }}</span>
            <span class="stage">{{ STAGES[cell.stage] }} <SignoffStrip :strip="cell.strip" :size="11" /></span>
          </span>
        </router-link>
      </li>
    </ul>
    <p v-if="data && cells.length === 0" class="quiet">Nothing is planned on this channel yet.</p>
    <DialogBox v-if="told" title="Other times" :width="520" @close="told = undefined">
      <ul class="told">
        <li v-for="one in told" :key="one.cell.post_id">
          <b>{{ titled(one.cell.subject) }}</b> {{ plannedWall(one.cell.time!) }} → {{ plannedWall(one.time) }}
          <p v-if="one.refused" class="wrong">{{ one.refused }}</p>
          <p v-for="cost in one.costs" v-else :key="cost" class="quiet">{{ cost }}</p>
        </li>
      </ul>
      <p v-if="refused.length > 0" role="alert" class="wrong">It cannot be done as a whole, so nothing is changed.</p>
      <div class="acts">
        <Button type="primary" :loading="busy" :disabled="refused.length > 0" @click="go">
          Change {{ counted(told.length, 'time', 'times') }}
        </Button>
        <Button @click="told = undefined">Cancel</Button>
      </div>
    </DialogBox>
  </div>
</template>

<style scoped>
.which {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  margin-bottom: 10px;
}
.wall {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 6px;
  max-width: 660px;
}
.wall a {
  display: block;
  text-decoration: none;
  touch-action: manipulation;
  user-select: none;
}
.picture {
  position: relative;
  display: block;
  aspect-ratio: 1;
  overflow: hidden;
  background: var(--sheet);
}
.picture img {
  width: 100%;
  height: 100%;
  object-fit: cover;
}
.words {
  display: block;
  padding: 12px;
}
.kind {
  position: absolute;
  top: 6px;
  right: 6px;
  padding: 0 6px;
  background: var(--ink);
  color: var(--sheet);
  font-size: 12px;
}
.facts {
  display: block;
  padding: 4px 0 6px 7px;
  border-left: 4px solid var(--stage);
  font-size: 12px;
}
.facts > * {
  display: block;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.facts .stage {
  display: flex;
  gap: 8px;
  align-items: center;
}
.out .picture img {
  opacity: 0.75;
}
.held {
  outline: 3px solid var(--ink);
  outline-offset: 1px;
}
.told li {
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
</style>
