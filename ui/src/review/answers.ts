// The answers of one ask: what was given counts here at once, waits on this phone while nothing can be reached, and
// is said to be lost only when it is.
import { computed, ref } from 'vue'
import {
  Offline,
  Queue,
  Refusal,
  enter,
  fetchReview,
  onlyLooking,
  remark,
  sendAnswer,
  type About,
  type Line,
  type Review,
  type Verdict,
  type Waiting,
} from './api'
import { kept } from './kept'
import { fill, plural, refusal, t } from './language'

// what is answered by a page that shows anew what stands
const CHANGED = ['outdated', 'answered_since', 'withdrawn', 'moved', 'taken_off', 'too_late']
const OVER = ['pass_unknown', 'pass_expired', 'pass_revoked', 'pass_replaced', 'ask_withdrawn']

export function useAnswers() {
  const review = ref<Review>()
  const over = ref('')
  const unreached = ref(false)
  const note = ref('')
  // for which channels the last answer could not be taken, and why; the others have it
  const left = ref<string[]>([])
  const busy = ref(false)
  const waiting = ref(0)
  const looking = ref(false)
  const pinWanted = ref(false)
  const given = ref<Record<string, Verdict>>({})
  let queue: Queue | undefined
  let flushing = false

  const lines = computed(() => review.value?.lines ?? [])
  const verdictOf = (one: Line): Verdict | undefined =>
    given.value[one.id] ?? (one.verdict as Verdict | null) ?? undefined
  /** The colleague of the agency who said in the person's name what stands as their answer. */
  const saidBy = (one: Line) => (given.value[one.id] ? undefined : (one.by ?? undefined))
  /** Whether something is still wanted from the person. */
  const open = (one: Line) => verdictOf(one) === undefined && !one.ended

  /** @returns whether the page is there */
  async function load(): Promise<boolean> {
    try {
      review.value = await enter()
      looking.value = onlyLooking()
      over.value = ''
      pinWanted.value = false
    } catch (error) {
      unreached.value = error instanceof Offline
      pinWanted.value = error instanceof Refusal && error.code === 'pin_needed'
      over.value = unreached.value ? t().unreachable : (error as Error).message
      return false
    }
    if (!looking.value) {
      queue = new Queue(review.value)
      waiting.value = queue.all().length
      void flush()
    }
    return true
  }

  async function fetchAnew() {
    try {
      review.value = await fetchReview()
    } catch (error) {
      if (!(error instanceof Offline)) over.value = (error as Error).message
    }
  }

  /** @returns whether it counts, or waits to be sent */
  async function give(one: Line, verdict: Verdict, words: string, only: string[] = []): Promise<boolean> {
    if (!queue || busy.value) return false
    busy.value = true
    left.value = []
    note.value = ''
    const item: Waiting = {
      key: crypto.randomUUID(),
      line: one.id,
      body: {
        verdict,
        words,
        shown: one.shown,
        seen: one.seen,
        ...(verdict !== 'yes' && only.length > 0 ? { only } : {}),
      },
    }
    queue.put(item)
    try {
      const reply = await sendAnswer(item)
      queue.drop(item.key)
      left.value = reply.left_out.map(leftOut)
      counts(one, verdict)
      await fetchAnew()
      return true
    } catch (error) {
      if (error instanceof Offline) {
        waiting.value = queue.all().length
        counts(one, verdict)
        return true
      }
      await refused(item, error as Error, false)
      return false
    } finally {
      busy.value = false
    }
  }

  function counts(one: Line, verdict: Verdict) {
    given.value = { ...given.value, [one.id]: verdict }
    kept('change', one.id).clear()
    kept('say', one.id).clear()
  }

  // What could not be taken is not dropped: its words go back into their field, and the page says so.
  async function refused(item: Waiting, error: Error, waited: boolean) {
    queue!.drop(item.key)
    const { [item.line]: _gone, ...rest } = given.value
    given.value = rest
    if (item.body.words) kept(item.body.verdict === 'yes' ? 'say' : 'change', item.line).write(item.body.words)
    note.value = item.body.words ? `${error.message} ${t().kept}` : error.message
    if (error instanceof Refusal && OVER.includes(error.code))
      over.value = lost(error.message, waited ? [item, ...queue!.all()] : queue!.all(), waited ? '' : item.body.words)
    else if (error instanceof Refusal && CHANGED.includes(error.code)) await fetchAnew()
  }

  function lost(why: string, items: Waiting[], written: string) {
    if (items.length === 0) return written ? `${why} ${fill(t().written, { words: written })}` : why
    const words = items.map((one) => one.body.words).filter(Boolean)
    const said = words.length > 0 ? `: “${words.join('”, “')}”` : ''
    const tell = fill(t().tell, { asker: review.value?.asked_by ?? t().agency })
    return `${why} ${plural(items.length, t().lost)}${said}. ${tell}`
  }

  async function flush() {
    if (!queue || busy.value || flushing) return
    flushing = true
    try {
      await sendWaiting(queue)
    } finally {
      flushing = false
    }
  }

  async function sendWaiting(from: Queue) {
    for (const one of from.all()) {
      try {
        const reply = await sendAnswer(one)
        from.drop(one.key)
        left.value = [...left.value, ...reply.left_out.map(leftOut)]
      } catch (error) {
        if (error instanceof Offline) break
        await refused(one, error as Error, true)
      }
    }
    const before = waiting.value
    waiting.value = from.all().length
    if (before > 0 && waiting.value === 0 && over.value === '') await fetchAnew()
  }

  /** @returns whether it was said */
  async function say(one: Line, words: string, about?: About, replacement?: string): Promise<boolean> {
    try {
      await remark(one.id, words, about, replacement)
    } catch (error) {
      note.value = error instanceof Offline ? t().notSaid : `${(error as Error).message} ${t().wordsStay}`
      return false
    }
    note.value = fill(t().said, { asker: review.value?.asked_by ?? t().agency })
    await fetchAnew()
    return true
  }

  const leftOut = (out: { channel: string; code: string; sentence: string }) => refusal(out.code, out.sentence)

  const state = { review, over, unreached, note, left, busy, waiting, looking, pinWanted, lines }
  return { ...state, verdictOf, saidBy, open, load, give, say, flush }
}
export type Answers = ReturnType<typeof useAnswers>
