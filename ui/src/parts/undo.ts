// What was done can be undone: by a button for a while, by Ctrl+Z for some minutes, the latest first. It is said what was
// undone, and what of it was not.
import { message } from 'ant-design-vue'
import { h, onBeforeUnmount, onMounted } from 'vue'
import { dialogOpen } from './keys'

const SECONDS = 12 // that the button stands
const MINUTES = 10 // that Ctrl+Z reaches back
const MOST = 50

/** What came of it: false where it could not be undone, which was said; words where they are not the usual ones. */
export type Undone = boolean | string | void | undefined
interface Step {
  words: string
  undo: () => Promise<Undone>
  at: number
  button?: string
}
let steps: Step[] = []
let count = 0

/** @param words what was done, a whole sentence @param undo takes it back, and says itself what goes wrong */
export function offerUndo(words: string, undo: () => Promise<Undone>): void {
  const button = `undo-${(count += 1)}`
  const step = remember({ words, undo, at: Date.now(), button })
  message.open({
    key: button,
    duration: SECONDS,
    content: () =>
      h('span', { role: 'status' }, [
        `${words} `,
        h('button', { type: 'button', class: 'link-button', onClick: () => void take(step) }, 'Undo'),
      ]),
  })
}

/** For what needs no words while it is done: by Ctrl+Z alone. */
export function rememberUndo(words: string, undo: () => Promise<Undone>): void {
  remember({ words, undo, at: Date.now() })
}

function remember(step: Step): Step {
  steps = [...steps.slice(1 - MOST), step]
  return step
}

/** Undoes what was done last. */
export async function undoLast(): Promise<void> {
  steps = steps.filter((one) => Date.now() - one.at < MINUTES * 60_000)
  const last = steps[steps.length - 1]
  if (last) await take(last)
  else void message.info(`Nothing was done in the last ${MINUTES} minutes that can be undone.`)
}

async function take(step: Step): Promise<void> {
  if (!steps.includes(step)) return
  steps = steps.filter((one) => one !== step)
  if (step.button) message.destroy(step.button)
  const undone = await step.undo()
  if (undone !== false) void message.success(typeof undone === 'string' ? undone : `Undone: ${step.words}`, 6)
}

/** Ctrl+Z, but where something is typed (a field has its own) or a dialog asks something. */
export function useUndoKey(): void {
  function press(event: KeyboardEvent) {
    if (event.key.toLowerCase() !== 'z' || event.shiftKey || event.altKey || !(event.ctrlKey || event.metaKey)) return
    const at = event.target instanceof Element ? event.target : document.body
    if (at.closest('input, textarea, select, [contenteditable]')) return
    if (dialogOpen(at.closest('[role="dialog"]') ?? undefined)) return
    event.preventDefault()
    void undoLast()
  }
  onMounted(() => window.addEventListener('keydown', press))
  onBeforeUnmount(() => window.removeEventListener('keydown', press))
}
