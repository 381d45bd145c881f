// @vitest-environment jsdom
import { beforeEach, describe, expect, it, vi } from 'vitest'

interface Options {
  onProgress: (sent: number) => void
  onError: (problem: Error) => void
  onSuccess: () => void
  fingerprint: (file: File) => Promise<string>
}
const begun: { file: File; options: Options; start: number; aborted: boolean; url: string }[] = []
vi.mock('tus-js-client', () => ({
  Upload: class {
    url = 'http://here/api/w/w1/uploads/0123'
    mine
    constructor(file: File, options: Options) {
      begun.push((this.mine = { file, options, start: 0, aborted: false, url: this.url }))
    }
    findPreviousUploads = () => Promise.resolve([])
    start() {
      this.mine.start += 1
    }
    abort() {
      this.mine.aborted = true
      return Promise.resolve()
    }
  },
}))
const POST = vi.fn()
vi.mock('@/api/client', () => ({
  api: { POST: (...all: unknown[]) => POST(...all) as unknown },
  ok: (call: Promise<unknown>) => call,
  isProblem: () => true,
  sentence: (problem: Error) => problem.message,
}))
const { drop, goOn, send, share, stop, told, under, uploads } = await import('./uploads')

const file = (name: string) => new File(['12345678'], name, { lastModified: 7 })
const settled = () => new Promise((done) => setTimeout(done))

beforeEach(() => {
  for (const one of [...uploads]) drop(one.key)
  begun.length = 0
  POST.mockReset()
})

describe('files on their way', () => {
  it('go three at once, the next when one is there, and are told in their order', async () => {
    POST.mockImplementation((_path, { params }) =>
      Promise.resolve({ id: `kept ${String(params.path.upload)}`, same: false }),
    )
    const all = send('w1', ['a', 'b', 'c', 'd'].map(file))
    await settled()
    expect(begun.map((one) => one.file.name)).toEqual(['a', 'b', 'c'])
    begun[0]!.options.onProgress(2)
    expect(share(uploads[0]!)).toBe(25)
    begun[0]!.options.onSuccess()
    await settled()
    expect(begun.map((one) => one.file.name)).toEqual(['a', 'b', 'c', 'd'])
    expect(told(uploads)).toBe('1 of 4 is there')
    begun.slice(1).forEach((one) => one.options.onSuccess())
    expect(await all).toHaveLength(4)
    expect(under(uploads)).toBe(false)
  })

  it('are stopped and go on, and one that broke off says so and keeps what has come', async () => {
    void send('w1', [file('a')])
    await settled()
    const key = uploads[0]!.key
    stop(key)
    expect([uploads[0]!.state, begun[0]!.aborted]).toEqual(['stopped', true])
    goOn(key)
    await settled()
    expect([uploads[0]!.state, begun.length]).toEqual(['goes', 2])
    begun[1]!.options.onError(new Error('line'))
    expect([uploads[0]!.state, uploads[0]!.why]).toEqual(['failed', expect.stringMatching(/What has come is kept/)])
    expect(told(uploads)).toBe('0 of 1 are there, 1 did not come')
  })

  it('say what is wrong with a file that is not taken, and that one was there already', async () => {
    POST.mockRejectedValueOnce(new Error('The picture is broken.')).mockResolvedValueOnce({ id: 'm1', same: true })
    void send('w1', [file('a'), file('b')])
    await settled()
    begun.forEach((one) => one.options.onSuccess())
    await settled()
    expect(uploads.map((one) => [one.state, one.why, one.id])).toEqual([
      ['failed', 'The picture is broken.', undefined],
      ['same', undefined, 'm1'],
    ])
  })

  it('go on after a reload only in the same client, and for the same file', async () => {
    void send('w1', [file('a')])
    void send('w2', [file('a')])
    await settled()
    const names = await Promise.all(begun.map((one) => one.options.fingerprint(one.file)))
    expect(names).toEqual(['upload:w1:a:8:7', 'upload:w2:a:8:7'])
  })
})
