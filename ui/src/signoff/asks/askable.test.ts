import { describe, expect, it } from 'vitest'
import { askOff, inTheWay } from './askable'

type Sheet = Parameters<typeof askOff>[0]
type Level = 'fault' | 'warning'

const on = (id: string, ...checks: [Level, string][]) => ({
  channel: { id },
  proof: { checks: checks.map(([level, sentence]) => ({ level, sentence })) },
})
function sheet(adaptations: ReturnType<typeof on>[], ok = true): Sheet {
  const channels = adaptations.map((one) => ({ id: one.channel.id, name: one.channel.id.toUpperCase() }))
  return {
    adaptations,
    next_ask: { channels },
    can: { ask: ok ? { ok } : { ok, why: 'Your role here cannot send asks. Ines can.' } },
  } as unknown as Sheet
}

describe('what can be asked for', () => {
  it('is what no fault is in the way of; a warning is in nobody’s way', () => {
    expect(
      inTheWay(
        sheet([
          on('a'),
          on('b', ['fault', 'Too long.'], ['warning', 'Doubled.'], ['fault', 'No picture.']),
          on('c', ['warning', 'Doubled.']),
        ]),
      ),
    ).toEqual({ b: 'Too long. No picture.' })
  })

  it('is something as long as one channel has no fault', () => {
    expect(askOff(sheet([on('a'), on('b', ['fault', 'Too long.'])]))).toBeUndefined()
    expect(askOff(sheet([on('a', ['warning', 'Doubled.'])]))).toBeUndefined()
  })

  it('is nothing when each has one, and each is told', () => {
    expect(askOff(sheet([on('a', ['fault', 'Too long.']), on('b', ['fault', 'No picture.'])]))).toBe(
      'A: Too long. B: No picture.',
    )
  })

  it('counts only those that the next ask is for', () => {
    const one = sheet([on('a', ['fault', 'Too long.']), on('b')])
    one.next_ask!.channels = one.next_ask!.channels.slice(0, 1)
    expect(askOff(one)).toBe('A: Too long.')
  })

  it('is nothing for who may not ask, and says who may', () => {
    expect(askOff(sheet([on('a')], false))).toBe('Your role here cannot send asks. Ines can.')
    expect(askOff({ ...sheet([on('a')]), next_ask: null } as unknown as Sheet)).toBe('Nothing is to be asked now.')
  })
})
