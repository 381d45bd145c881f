// Files on their way into a client's media, in pieces (tus 1.0): several at once, each with how far it is, stopped and
// gone on with, also after the line broke or the tab was closed. They go on while their person looks at other pages.
import { reactive } from 'vue'
import { Upload, type DetailedError } from 'tus-js-client'
import { api, isProblem, ok, sentence } from '@/api/client'

export interface Going {
  key: string
  workspace: string
  name: string
  bytes: number
  sent: number
  state: 'waits' | 'goes' | 'stopped' | 'is being taken' | 'there' | 'same' | 'failed'
  why?: string
  /** In the library, once it is there. */
  id?: string
}

const PIECE = 1_000_000 // bytes: what is lost when the line breaks is at most one of these
const AT_ONCE = 3
const AGAIN = [1_000, 3_000, 8_000, 20_000, 60_000] // ms until the next try

export const uploads = reactive<Going[]>([])
const tries = new Map<string, { file: File; folder: string | null; upload?: Upload; done: (id?: string) => void }>()

/** @returns ids in the library of those that came, in the order of the files */
export function send(workspace: string, files: Iterable<File>, folder: string | null = null): Promise<string[]> {
  const all = [...files].map(
    (file) =>
      new Promise<string | undefined>((done) => {
        const key = crypto.randomUUID()
        uploads.push({ key, workspace, name: file.name, bytes: file.size, sent: 0, state: 'waits' })
        tries.set(key, { file, folder, done })
      }),
  )
  next()
  return Promise.all(all).then((ids) => ids.filter((id) => id !== undefined))
}

function next() {
  const going = uploads.filter((one) => one.state === 'goes' || one.state === 'is being taken').length
  for (const one of uploads.filter((each) => each.state === 'waits').slice(0, Math.max(0, AT_ONCE - going))) begin(one)
}

function begin(one: Going) {
  const mine = tries.get(one.key)
  if (!mine) return
  one.state = 'goes'
  const upload = (mine.upload = new Upload(mine.file, {
    endpoint: `/api/w/${one.workspace}/uploads`,
    chunkSize: PIECE,
    retryDelays: AGAIN,
    // without a connection too: it comes back
    onShouldRetry: ({ originalResponse: reply }) =>
      !reply || reply.getStatus() >= 500 || [409, 423].includes(reply.getStatus()),
    removeFingerprintOnSuccess: true,
    metadata: { filename: mine.file.name },
    // the same file into the same client goes on where it was
    fingerprint: (file) =>
      Promise.resolve(
        ['upload', one.workspace, (file as File).name, (file as File).size, (file as File).lastModified].join(':'),
      ),
    onProgress: (sent) => (one.sent = sent),
    onError: (problem) => end(one, { state: 'failed', why: reason(problem) }),
    onSuccess: () => void keep(one, upload),
  }))
  void upload.findPreviousUploads().then(([before]) => {
    if (before) upload.resumeFromPreviousUpload(before)
    if (one.state === 'goes') upload.start()
  })
}

async function keep(one: Going, upload: Upload) {
  one.state = 'is being taken'
  const folder = tries.get(one.key)?.folder ?? null
  const path = { workspace: one.workspace, upload: upload.url!.split('/').pop()! }
  for (const pause of [...AGAIN, undefined]) {
    try {
      const kept = await ok(
        api.POST('/api/w/{workspace}/uploads/{upload}/keep', {
          params: { path },
          body: { folder_id: folder },
          headers: { 'Idempotency-Key': one.key }, // its reply may be lost
        }),
      )
      return end(one, { state: kept.same ? 'same' : 'there', id: kept.id })
    } catch (problem) {
      if (isProblem(problem) || pause === undefined) return end(one, { state: 'failed', why: sentence(problem) })
      await new Promise((done) => setTimeout(done, pause))
    }
  }
}

function end(one: Going, how: Pick<Going, 'state' | 'why' | 'id'>) {
  Object.assign(one, how)
  if (how.state !== 'failed') {
    tries.get(one.key)?.done(how.id)
    tries.delete(one.key)
  }
  next()
}

function reason(problem: Error | DetailedError): string {
  const body = 'originalResponse' in problem ? problem.originalResponse?.getBody() : ''
  try {
    const said = JSON.parse(body ?? '') as { detail?: string; way_on?: string }
    if (said.detail) return [said.detail, said.way_on].filter(Boolean).join(' ')
  } catch {
    // it was no reply of ours
  }
  return 'The connection broke off. What has come is kept: go on when there is one.'
}

const find = (key: string) => uploads.find((one) => one.key === key)

export function stop(key: string): void {
  const one = find(key)
  if (!one || !['waits', 'goes'].includes(one.state)) return
  one.state = 'stopped'
  void tries.get(key)?.upload?.abort()
  next()
}

/** One that was stopped, or that did not come. */
export function goOn(key: string): void {
  const one = find(key)
  if (!one || !tries.has(key) || !['stopped', 'failed'].includes(one.state)) return
  one.state = 'waits'
  one.why = undefined
  next()
}

/** Takes one out of the list; what is still on its way is given up. */
export function drop(key: string): void {
  const at = uploads.findIndex((one) => one.key === key)
  if (at < 0) return
  const [one] = uploads.splice(at, 1)
  const mine = tries.get(key)
  if (one && mine && one.state !== 'is being taken') void mine.upload?.abort(true).catch(() => undefined)
  mine?.done()
  tries.delete(key)
  next()
}

/** In a few words: "3 of 12 are there, 2 did not come". */
export function told(list: Going[]): string {
  const there = list.filter((one) => one.state === 'there' || one.state === 'same').length
  const failed = list.filter((one) => one.state === 'failed').length
  return `${there} of ${list.length} ${there === 1 ? 'is' : 'are'} there${failed ? `, ${failed} did not come` : ''}`
}

export const under = (list: Going[]) => list.some((one) => ['waits', 'goes', 'is being taken'].includes(one.state))
export const share = (one: Going) => (one.bytes === 0 ? 0 : Math.round((one.sent / one.bytes) * 100))

// Leaving the program while files go up is asked about; what has come is kept either way.
window.addEventListener('beforeunload', (event) => {
  if (under(uploads)) event.preventDefault()
})
