import { describe, expect, it, vi } from 'vitest'

vi.mock('@/api/client', () => ({ api: {}, ok: (answer: unknown) => answer, sentence: String }))
const { patternOf, ruleOf } = await import('./fixtures')

describe('the rule of a fixture', () => {
  it('is put together from what is chosen, and read back into it', () => {
    const rules = [
      'FREQ=WEEKLY;INTERVAL=2;BYDAY=TH',
      'FREQ=WEEKLY;BYDAY=MO,WE',
      'FREQ=MONTHLY;BYMONTHDAY=2',
      'FREQ=MONTHLY;INTERVAL=3;BYDAY=1MO',
      'FREQ=MONTHLY;BYDAY=-1FR',
      'FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1',
      'FREQ=YEARLY',
    ]
    const kinds = rules.map((rule) => patternOf(rule, '2026-10-15'))
    expect(kinds.map((one) => one.kind)).toEqual(['week', 'week', 'day', 'nth', 'nth', 'working', 'year'])
    expect(kinds.map(ruleOf)).toEqual(rules)
  })

  it('that the form cannot say stays as it was written', () => {
    const own = patternOf('FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13', '2026-10-15')
    expect([own.kind, ruleOf(own)]).toEqual(['own', 'FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13'])
  })
})
