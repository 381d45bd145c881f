// Cells of the channels as in a sheet: chosen with Shift and the arrows, written into, filled, copied and pasted.
import { computed, ref, watch, type Ref } from 'vue'
import * as blocks from './block'
import type { Block, Change, Said } from './block'
import { placeOf } from '@/plan/calendar/place'

interface Sheet {
  days: Ref<string[]>
  channels: Ref<string[]>
  /** the cell that has the focus */
  focused: Ref<string>
  /** whether this member may put marks here */
  may: Ref<boolean>
  at: (id: string) => Said | undefined
  apply: (change: Change) => Promise<boolean>
}
const reads = (target: EventTarget | null) => target instanceof Element && !!target.closest('input, textarea')

export function useSelecting({ days, channels, focused, may, at, apply }: Sheet) {
  const anchor = ref('')
  let extending = false
  watch(focused, (now) => {
    if (!extending) anchor.value = now
  })
  const cells = computed(() => {
    const other = placeOf(anchor.value).channel === undefined ? focused.value : anchor.value
    return placeOf(focused.value).channel === undefined
      ? []
      : blocks.between(days.value, channels.value, other, focused.value)
  })
  const chosen = computed(() => new Set(cells.value.flat()))
  const several = computed(() => chosen.value.size > 1)

  // writing into a cell
  const typing = ref('')
  function begin(place = focused.value) {
    if (may.value && placeOf(place).channel) typing.value = place
  }
  /** What is written stands in every chosen cell. */
  function commit(word: string) {
    const place = typing.value
    typing.value = ''
    const into = chosen.value.has(place) ? cells.value : [[place]]
    const before = at(place)
    if (before && before.word === word && !several.value) return
    void apply(blocks.fill(into, { ...(before ?? blocks.BARE), word: word.trim() }))
  }

  const acts: Record<string, () => void> = {
    Delete: () => void apply(blocks.erase(cells.value, at)),
    Backspace: () => void apply(blocks.erase(cells.value, at)),
    'ctrl d': () => void apply(blocks.fillOn(cells.value, 'down', at)),
    'ctrl r': () => void apply(blocks.fillOn(cells.value, 'right', at)),
  }
  function keydown(event: KeyboardEvent) {
    extending = event.shiftKey
    if (!may.value || reads(event.target)) return
    const own = event.target instanceof Element && event.target.matches('[data-place]')
    if (own && (event.key === 'Enter' || event.key === 'F2')) {
      event.preventDefault()
      event.stopPropagation()
      return begin()
    }
    const act = acts[event.ctrlKey || event.metaKey ? `ctrl ${event.key.toLowerCase()}` : event.key]
    if (!act || (!own && !event.ctrlKey && !event.metaKey)) return
    event.preventDefault()
    act()
  }
  const pointerdown = (event: PointerEvent) => (extending = event.shiftKey)

  // through the clipboard: with all that a mark says within the plan, with its word to and from anywhere else
  let taken: { text: string; block: Block } | undefined
  const pasting = ref<{ change: Change; outside: number }>()
  function copy(event: ClipboardEvent) {
    if (reads(event.target) || cells.value.length === 0) return
    const block = blocks.copy(cells.value, at)
    taken = { text: blocks.inText(block), block }
    event.clipboardData?.setData('text/plain', taken.text)
    event.preventDefault()
  }
  async function paste(event: ClipboardEvent) {
    const text = event.clipboardData?.getData('text/plain') ?? ''
    if (!may.value || reads(event.target) || text === '' || cells.value.length === 0) return
    event.preventDefault()
    const own = taken?.text === text.replaceAll('\r\n', '\n') ? taken.block : undefined
    const block = own ?? blocks.fromText(await rowsOf(text))
    const laid = blocks.lay(block, days.value, channels.value, cells.value[0]![0]!)
    if (own && laid.outside === 0) void apply(laid.change)
    else pasting.value = laid
  }
  return { cells, chosen, several, typing, begin, commit, keydown, pointerdown, copy, paste, pasting }
}

async function rowsOf(text: string): Promise<string[][]> {
  const { default: papa } = await import('papaparse')
  return papa.parse<string[]>(text, { delimiter: '\t' }).data
}
