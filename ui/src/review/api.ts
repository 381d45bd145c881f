// The client's door to the API: the pass is exchanged and taken out of the address; answers given without a connection
// wait here and are sent when it is back.
import type { components, paths } from '@/api/schema'
import { early } from './early'
import { refusal } from './language'

export type Review = components['schemas']['Review']
export type Line = Review['lines'][number]
export type Variant = Line['variants'][number]
export type Verdict = 'yes' | 'change' | 'no'

export class Refusal extends Error {
  constructor(
    readonly code: string,
    detail: string,
    readonly facts: Record<string, unknown> = {},
  ) {
    super(detail)
  }
}

/** Nothing came back: the answer is not lost, it waits. */
export class Offline extends Error {}

function call<T>(method: string, path: string, body?: unknown, key?: string): Promise<T> {
  return read<T>(
    fetch(path, {
      method,
      credentials: 'same-origin',
      headers: {
        ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
        ...(key ? { 'Idempotency-Key': key } : {}),
      },
      body: body === undefined ? undefined : JSON.stringify(body),
    }),
  )
}

async function read<T>(call: Promise<Response>): Promise<T> {
  let reply: Response
  try {
    reply = await call
  } catch {
    throw new Offline()
  }
  if (reply.status === 204) return undefined as T
  const data = (await reply.json().catch(() => ({}))) as Record<string, unknown>
  if (reply.ok) return data as T
  if (reply.status >= 500) throw new Offline()
  const code = String(data.code ?? 'unknown')
  throw new Refusal(
    code,
    refusal(code, [data.detail, data.way_on].filter(Boolean).join(' ')),
    (data.facts ?? {}) as Record<string, unknown>,
  )
}

// An owner who looks at the ask as its person sees it comes through another door, at which nothing can be said.
let looked: string | undefined
export const onlyLooking = () => looked !== undefined
export const fileAddress = (id: string) =>
  looked ? `/api/look-as/asks/${looked}/files/${id}` : `/api/review/files/${id}`

/** Exchanges the pass in the address for what is asked, if there is one, and takes it out of the address. */
export async function enter(): Promise<Review> {
  looked = /^#look=([0-9a-f-]{36})$/.exec(location.hash)?.[1]
  const pass = looked ? '' : location.hash.slice(1)
  if (pass === '') return fetchReview()
  try {
    return await read<Review>(early(pass))
  } finally {
    // also before a PIN was given: the device is known by its cookie from now on
    history.replaceState(null, '', location.pathname)
  }
}
export type Given = components['responses']['GivenIdeas']['content']['application/json']
export const fetchGiven = () => call<Given>('GET', '/api/review/ideas')
export const giveIdea = (said: { title: string; note: string }) => call('POST', '/api/review/ideas', said)
export const sendPin = (pin: string) => call('POST', '/api/review/pin', { pin })
export const sendPinAgain = () => call('POST', '/api/review/pin/again')
type Reply<Path extends keyof paths> = paths[Path] extends {
  post: { responses: { 200: { content: { 'application/json': infer Body } } } }
}
  ? Body
  : never
export type Receipt = Reply<'/api/review/receipt'>
export type ReceiptLine = Receipt['lines'][number]
export const fetchReceipt = (receipt: string) => call<Receipt>('POST', '/api/review/receipt', { receipt })
export const disown = (receipt: string, line: string) =>
  call<Reply<'/api/review/disown'>>('POST', '/api/review/disown', { receipt, line })

export const fetchReview = () => call<Review>('GET', looked ? `/api/look-as/asks/${looked}` : '/api/review/ask')
/** Words of one variant that something is said about, or a spot of one of its pictures, in thousandths. */
export type About = Words | Spot
export interface Words {
  kind: 'words'
  adaptation_id: string
  exact: string
  prefix: string
  suffix: string
}
export interface Spot {
  kind: 'spot'
  adaptation_id: string
  media_id: string
  x: number
  y: number
}
export const remark = (line: string, words: string, about?: About, replacement?: string) => {
  const more = about ? { pin: about, ...(replacement === undefined ? {} : { replacement }) } : {}
  return call('POST', `/api/review/lines/${line}/remark`, { words, ...more }, crypto.randomUUID())
}

export interface Waiting {
  key: string
  line: string
  body: { verdict: Verdict; words: string; shown: Record<string, string>; only?: string[]; seen: number }
}
export const sendAnswer = (one: Waiting) =>
  call<{ stage: string; left_out: { channel: string; code: string; sentence: string }[] }>(
    'POST',
    `/api/review/lines/${one.line}/answer`,
    one.body,
    one.key,
  )

// The queue belongs to one ask, so that another link on the same phone never sends it.
export class Queue {
  private readonly name: string
  constructor(review: Review) {
    this.name = `answers:${review.lines[0]?.id ?? 'none'}`
  }
  all(): Waiting[] {
    return JSON.parse(localStorage.getItem(this.name) ?? '[]') as Waiting[]
  }
  put(one: Waiting): void {
    this.write([...this.all().filter((other) => other.line !== one.line), one])
  }
  drop(key: string): void {
    this.write(this.all().filter((one) => one.key !== key))
  }
  private write(list: Waiting[]): void {
    localStorage.setItem(this.name, JSON.stringify(list))
  }
}
