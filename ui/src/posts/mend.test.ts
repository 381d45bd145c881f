import { beforeEach, describe, expect, it, vi } from 'vitest'

const put = vi.fn()
const post = vi.fn()
vi.mock('@/api/client', () => ({
  ok: (call: unknown) => call,
  api: { PUT: (...all: unknown[]) => put(...all), POST: (...all: unknown[]) => post(...all) },
}))

const { applyMend, linesOf, mendOff, mendWords } = await import('./mend')
const { readAs } = await import('@/api/time')
type Sheet = Parameters<typeof applyMend>[0]
type One = Parameters<typeof applyMend>[1]

const parts = { text: { own: false, version: 0 }, time: { own: true, version: 4 } }
const channel = (name: string, own = false) =>
  ({
    channel: { id: name.toLowerCase(), name },
    parts: { ...parts, text: { own, version: own ? 7 : 0 } },
  }) as unknown as One
const sheet = {
  id: 'p',
  workspace_id: 'w',
  master: { parts: { text: { value: 'Fog. #a #a', own: true, version: 3 } } },
} as unknown as Sheet
const finding = (code: string, level: 'fault' | 'warning', sentence: string) => ({
  code,
  level,
  part: 'text',
  sentence,
  mend: null,
})

describe('the list of checks', () => {
  it('says the same finding of several channels once, and what is in the way first', () => {
    const doubled = finding('hashtag_doubled', 'warning', '#a is there twice.')
    const lines = linesOf([
      { one: channel('Ticker'), checks: [doubled, finding('text_too_long', 'fault', '29 over the limit of 300.')] },
      { one: channel('Vitrine'), checks: [doubled] },
    ])
    expect(lines.map((line) => [line.code, line.channels])).toEqual([
      ['text_too_long', ['Ticker']],
      ['hashtag_doubled', ['Ticker', 'Vitrine']],
    ])
  })

  it('keeps apart what is said of each channel in other words', () => {
    const lines = linesOf([
      { one: channel('Ticker'), checks: [finding('text_too_long', 'fault', '29 over the limit of 300.')] },
      { one: channel('Vitrine'), checks: [finding('text_too_long', 'fault', '2 over the limit of 327.')] },
    ])
    expect(lines).toHaveLength(2)
  })
})

describe('what a mend does, in words', () => {
  const at = (name: string, wall: string) => ({ channel_id: name, name, wall })
  it('names the channels and times of a few, and the span of many, as the reader reads times', () => {
    readAs({ zone: 'Europe/Lisbon', hour12: false, date_language: 'en-GB' })
    expect(mendWords({ words: 'take them out' })).toBe('take them out')
    expect(
      mendWords({ words: 'spread out', times: [at('Vitrine', '2026-10-15T07:50'), at('Commons', '2026-10-15T08:10')] }),
    ).toBe('spread out: Vitrine at 7:50, Commons at 8:10')
    const many = ['10:10', '07:50', '08:10'].map((time, index) => at(`c${index}`, `2026-10-15T${time}`))
    expect(mendWords({ words: 'spread out', times: many })).toBe('spread out: 3 channels, 7:50 to 10:10')
    readAs({ zone: 'Europe/Lisbon', hour12: true, date_language: 'en-US' })
    expect(mendWords({ words: 'spread out', times: [at('Vitrine', '2026-10-15T19:50')] })).toMatch(
      /Vitrine at 7:50\sPM/i,
    )
  })
})

describe('a mend in one click', () => {
  beforeEach(() => {
    put.mockReset()
    post.mockReset()
  })

  it('saves another value where the part lives: with the master where the channel follows', async () => {
    await applyMend(sheet, channel('Ticker'), { words: 'take the repeats out', part: 'text', value: 'Fog. #a' })
    expect(put.mock.calls[0]![1]).toMatchObject({
      params: { path: { part: 'text' }, query: { channel: undefined }, header: { 'If-Match': '"3"' } },
      body: { value: 'Fog. #a' },
    })
  })

  it('is off for whoever may not write the part, and says who can; the way to a place is open to everybody', () => {
    const why = 'Your role does not write copy. Maro can.'
    const theirs = {
      ...sheet,
      master: { parts: { text: { ...sheet.master.parts.text, off: why } } },
    } as unknown as Sheet
    expect(mendOff(theirs, channel('Ticker'), { words: 'take the repeats out', part: 'text', value: 'Fog. #a' })).toBe(
      why,
    )
    expect(mendOff(theirs, channel('Ticker'), { words: 'describe', show: 'descriptions' })).toBeUndefined()
    expect(mendOff(theirs, channel('Ticker'), { words: 'spread out', times: [] })).toBeUndefined()
  })

  it('and with the channel where the part is its own', async () => {
    await applyMend(sheet, channel('Ticker', true), { words: 'take the repeats out', part: 'text', value: 'Fog. #a' })
    expect(put.mock.calls[0]![1]).toMatchObject({
      params: { query: { channel: 'ticker' }, header: { 'If-Match': '"7"' } },
    })
  })

  it('hands a proposal of times over as it was shown', async () => {
    await applyMend(sheet, channel('Ticker'), {
      words: 'spread out',
      times: [{ channel_id: 'v', name: 'Vitrine', wall: '2026-10-15T07:50' }],
    })
    expect(post.mock.calls[0]).toMatchObject([
      '/api/w/{workspace}/posts/{post}/spread-out',
      { body: { times: [{ channel_id: 'v', wall: '2026-10-15T07:50' }] } },
    ])
    expect(put).not.toHaveBeenCalled()
  })
})
