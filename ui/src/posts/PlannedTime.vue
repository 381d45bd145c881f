<script setup lang="ts">
// A planned time, typed as one says it ("thu 7:30") or chosen by arrows and pointer, over the month and what else goes
// out on that day. Nothing is planned before Enter, a day in the grid, or leaving the field.
import { Input } from 'ant-design-vue'
import { computed, nextTick, ref, watch } from 'vue'
import { useMe } from '@/agency/me'
import { calendarDay, place, readerLanguage, wallAt, wallClock } from '@/api/time'
import ChannelLogos from '@/parts/ChannelLogos.vue'
import DayGrid from './DayGrid.vue'
import { useDays } from './days'
import { moved, movedByMonths, read } from './when'

const props = defineProps<{
  id: string
  workspace: string
  post?: string
  wall: string
  zone: string
  label: string
  off?: string
}>()
const emit = defineEmits<{ choose: [wall: string] }>()
const { data: me } = useMe()
const now = computed(() => wallAt(me.value?.now ?? new Date().toISOString(), props.zone))

const inWords = (wall: string) =>
  wall === '' ? '' : `${calendarDay(wall, { weekday: true, year: true })}, ${wallClock(wall)}`
const typed = ref(inWords(props.wall))
const touched = ref(false)
const open = ref(false)
watch(
  () => props.wall,
  (wall) => !touched.value && (typed.value = inWords(wall)),
)
const around = computed(() => ({ now: now.value, planned: props.wall, language: readerLanguage() }))
// what was stepped to by keys or the grid stands in the field in words, and needs no reading
const stepped = ref('')
const found = computed(() => {
  if (!touched.value) return { wall: props.wall }
  return stepped.value && typed.value === inWords(stepped.value)
    ? { wall: stepped.value }
    : read(typed.value, around.value)
})
const understood = computed(() => ('wall' in found.value ? found.value.wall : undefined))
const wrong = computed(() => ('wrong' in found.value ? found.value.wrong : undefined))

/** What was understood, unless the field says it word for word. */
const said = computed(() => {
  const words = inWords(understood.value ?? '')
  return words === '' || words === typed.value.trim() ? place(props.zone) : `${words} ${place(props.zone)}`
})

// the month that is shown: of what is understood, turned by hand
const turned = ref('')
const shown = computed(() => (open.value ? turned.value || understood.value || props.wall || now.value : ''))
const starts = ref(1)
const { data } = useDays(props.workspace, shown, starts)
watch(data, (said) => said && (starts.value = said.week_starts))
const days = computed(() => data.value?.days ?? [])
const chosen = computed(() => (understood.value ?? '').slice(0, 10))
const day = computed(() => days.value.find((one) => one.date === chosen.value))
const others = computed(() => day.value?.posts.filter((one) => one.id !== props.post) ?? [])
const lines = computed(() =>
  [
    ...others.value.map((one) => ({ ...one, mine: false })),
    ...(understood.value
      ? [{ id: 'this', wall: understood.value, subject: 'this one', channels: [], mine: true }]
      : []),
  ].sort((a, b) => a.wall.localeCompare(b.wall)),
)

const root = ref<HTMLElement>()
function enter() {
  if (!props.off) open.value = true
}
// whole in sight, also once its days are there
watch(
  [open, days],
  ([now]) => now && void nextTick(() => root.value?.querySelector('.panel')?.scrollIntoView({ block: 'nearest' })),
)
function type(text: string) {
  open.value = true
  typed.value = text
  touched.value = true
  turned.value = ''
}
function commit() {
  const wall = understood.value
  if (!touched.value || wall === undefined) return
  touched.value = false
  typed.value = inWords(wall)
  open.value = false
  if (wall !== props.wall) emit('choose', wall)
}
function back() {
  touched.value = false
  typed.value = inWords(props.wall)
}
/** Another time in the field, not planned yet. */
function put(wall: string) {
  stepped.value = wall
  type(inWords(wall))
}
function key(event: KeyboardEvent) {
  if (event.key === 'Escape') return back()
  if (event.key === 'Enter') {
    event.preventDefault()
    return commit()
  }
  const from = stepped.value || understood.value || props.wall || `${now.value.slice(0, 10)}T09:00`
  const by: Record<string, () => string> = {
    ArrowUp: () => moved(from, event.shiftKey ? 15 : -1440),
    ArrowDown: () => moved(from, event.shiftKey ? -15 : 1440),
    PageUp: () => movedByMonths(from, -1),
    PageDown: () => movedByMonths(from, 1),
  }
  const next = by[event.key]
  if (!next) return
  event.preventDefault()
  put(next())
}
function pick(date: string) {
  const hour = (understood.value || props.wall).slice(11, 16)
  if (hour) {
    put(`${date}T${hour}`)
    commit()
  } else type(`${calendarDay(date, { weekday: true, year: true })} `)
}
function left(event: FocusEvent) {
  if (root.value?.contains(event.relatedTarget as Node | null)) return
  open.value = false
  turned.value = ''
  commit()
}
const turn = (months: number) => (turned.value = movedByMonths(shown.value, months))
</script>

<template>
  <div ref="root" class="planned" :class="{ open }" @focusout="left" @focusin="enter">
    <label :for="id" class="hidden">{{ label }}</label>
    <span class="typed">
      <Input
        :id="id"
        :value="typed"
        :readonly="!!off"
        :title="off"
        :aria-invalid="!!wrong"
        :aria-describedby="`${id}-read`"
        autocomplete="off"
        spellcheck="false"
        placeholder="thu 7:30"
        @update:value="type"
        @keydown="key"
      />
      <span :id="`${id}-read`" class="quiet read" :class="{ late: wrong }" role="status">
        {{ wrong ?? said }}
      </span>
    </span>
    <div v-if="open" class="panel">
      <DayGrid
        v-if="days.length > 0"
        :days="days"
        :month="shown"
        :chosen="chosen"
        :today="now.slice(0, 10)"
        @choose="pick"
        @turn="turn"
      />
      <p v-if="day && day.off" class="quiet">{{ day.off }}, a day off</p>
      <template v-if="lines.length > 0">
        <b class="that">That day</b>
        <ul>
          <li v-for="line in lines" :key="line.id + line.wall" :class="{ mine: line.mine }">
            <span>{{ wallClock(line.wall) }}</span>
            <ChannelLogos v-if="line.channels.length > 0" :channels="line.channels" />
            <bdi>{{ line.subject || 'Untitled' }}</bdi>
          </li>
        </ul>
      </template>
      <p class="quiet keys">↑ ↓ a day · Shift ↑ ↓ a quarter of an hour · PgUp PgDn a month · Enter plans it</p>
    </div>
  </div>
</template>

<style scoped>
.typed {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  align-items: center;
}
.typed :deep(input) {
  flex: 1 1 170px;
  width: auto;
}
.read {
  flex: 1 1 80px;
}
.planned {
  position: relative;
}
/* it floats: what stands below stays where it is */
.panel {
  position: absolute;
  top: calc(100% + 4px);
  left: 0;
  z-index: 5;
  width: min(420px, 100%);
  padding: 10px;
  border: 1px solid var(--ink);
  background: var(--sheet);
  box-shadow: 0 6px 20px rgb(22 25 28 / 18%);
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
}
.that {
  padding-top: 6px;
  border-top: 1px solid var(--rule);
}
li {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 24px;
}
li > :first-child {
  flex: 0 0 52px;
}
li bdi {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.mine {
  background: var(--ground);
  font-weight: 600;
}
.keys {
  font-size: 12px;
}
</style>
