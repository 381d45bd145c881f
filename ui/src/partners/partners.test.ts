import { describe, expect, it } from 'vitest'
import { found, owing, type Partner } from './partners'

const partner = (name: string, more: Partial<Partner> = {}) =>
  ({ id: name, name, status: 'talked', contact: '', codes: '', note: '', came: '', link: null, ...more }) as Partner

describe('partners', () => {
  it('are found by every word, wherever it stands, and by how far they are', () => {
    const all = [partner('Pier Bakery', { note: 'bread at five' }), partner('Boat yard', { status: 'agreed' })]
    expect(found(all, 'BREAD pier', '').map((one) => one.name)).toEqual(['Pier Bakery'])
    expect(found(all, '', 'agreed').map((one) => one.name)).toEqual(['Boat yard'])
    expect(found(all, 'bread', 'agreed')).toEqual([])
  })

  it('say until when something is to be there', () => {
    expect(owing({ due_on: '2026-10-13', late: true, status: 'agreed' })).toEqual({
      words: 'late since 13 Oct',
      loud: true,
    })
    expect(owing({ due_on: '2026-10-20', late: false, status: 'agreed' }).words).toBe('by 20 Oct')
    expect(owing({ due_on: '2026-10-13', late: false, status: 'out' }).words).toBe('13 Oct')
    expect(owing({ due_on: null, late: false, status: 'agreed' }).words).toBe('')
  })
})
