// @vitest-environment jsdom
import { describe, expect, it } from 'vitest'
import { mount } from '@vue/test-utils'
import FilePlaces from './FilePlaces.vue'
import { clock, filePins, numbers, runsOf, spotPins, wordPins, type WordPin } from './pins'
import { selectedIn } from './selected'

const remark = (id: string, more = {}) =>
  ({ id, room: 'client', thread_id: null, settled: null, deleted: false, pin: null, ...more }) as never
const words = (start: number | null, adaptation_id = 'a') => ({
  kind: 'words',
  adaptation_id,
  exact: 'far 🚢',
  gone: start === null,
  start,
})
const pin = (id: string, start: number, length: number): WordPin => ({ id, number: 1, room: 'house', start, length })

describe('where talk points at', () => {
  const sheet = {
    remarks: [
      remark('none'),
      remark('one', { pin: words(3) }),
      remark('settled', { pin: words(3), settled: { by: 'Maro', at: '' } }),
      remark('gone', { pin: words(null) }),
      remark('spot', { pin: { kind: 'spot', adaptation_id: 'a', media_id: 'm2', x: 10, y: 20, gone: false } }),
      remark('elsewhere', { pin: words(1, 'b') }),
      remark('answer', { thread_id: 'one', pin: words(3) }),
    ],
  } as never
  const one = { id: 'a', proof: { pictures: [{ media_id: 'm1' }, { media_id: 'm2' }] } } as never

  it('numbers what is open and still points at something, in the order in which it was said', () => {
    expect([...numbers((sheet as { remarks: never[] }).remarks)]).toEqual([
      ['one', 1],
      ['spot', 2],
      ['elsewhere', 3],
    ])
  })

  it('stands on its own channel, by characters and not by halves of them', () => {
    expect(wordPins(sheet, one)).toEqual([{ id: 'one', number: 1, room: 'client', start: 3, length: 5 }])
    expect(spotPins(sheet, one)).toMatchObject([{ id: 'spot', number: 2, picture: 1, x: 10, y: 20, width: 0 }])
  })

  it('cuts a text where pins begin and end, and loses nothing of it', () => {
    const points = Array.from('In fog 🚢 waits')
    const runs = runsOf(points, 0, points.length, [pin('p', 3, 3), pin('q', 7, 1)])
    expect(runs.map((run) => [run.words, run.pin?.id])).toEqual([
      ['In ', undefined],
      ['fog', 'p'],
      [' ', undefined],
      ['🚢', 'q'],
      [' waits', undefined],
    ])
    expect(runsOf(points, 3, 8, [pin('p', 0, 5)]).map((run) => [run.from, run.words])).toEqual([
      [3, 'fo'],
      [5, 'g 🚢'],
    ])
  })

  it('picks what is selected with what stands around it, and nothing where the selection leaves the text', () => {
    document.body.innerHTML =
      '<p id="copy"><span data-from="0">In </span><i>cut here</i><span data-from="4">🚢 waits</span></p><b>out</b>'
    const root = document.getElementById('copy')!
    const select = (from: Node, start: number, to: Node, end: number) => {
      const range = document.createRange()
      range.setStart(from, start)
      range.setEnd(to, end)
      window.getSelection()!.removeAllRanges()
      window.getSelection()!.addRange(range)
    }
    const [first, second] = [...root.querySelectorAll('span')].map((span) => span.firstChild!)
    select(first!, 1, second!, 2)
    expect(selectedIn(root, 'In \n🚢 waits')).toEqual({ exact: 'n \n🚢', prefix: 'I', suffix: ' waits' })
    select(first!, 1, document.querySelector('b')!.firstChild!, 2)
    expect(selectedIn(root, 'In \n🚢 waits')).toBeUndefined()
    window.getSelection()!.removeAllRanges()
    expect(selectedIn(root, 'In \n🚢 waits')).toBeUndefined()
  })
})

describe('a page of a document, a moment of a video', () => {
  const sheet = {
    remarks: [
      remark('page', { pin: { kind: 'page', adaptation_id: 'a', media_id: 'm1', page: 3, gone: false } }),
      remark('moment', { pin: { kind: 'moment', adaptation_id: 'a', media_id: 'm2', ms: 62_500, gone: false } }),
      remark('lost', { pin: { kind: 'page', adaptation_id: 'a', media_id: 'm9', page: 1, gone: false } }),
    ],
  } as never
  const one = { id: 'a', proof: { pictures: [{ media_id: 'm1' }, { media_id: 'm2' }] } } as never

  it('stands at its file, in words', () => {
    expect(filePins(sheet, one).map(({ number, picture, words }) => [number, picture, words])).toEqual([
      [1, 0, 'page 3'],
      [2, 1, 'at 1:02.5'],
    ])
    expect([0, 900, 59_960, 60_000, 605_000].map(clock)).toEqual(['0:00', '0:00.9', '1:00', '1:00', '10:05'])
  })

  it('is put where one points, and opened where it stands', async () => {
    const place = (props: object) =>
      mount(FilePlaces, { props: { places: filePins(sheet, one).slice(0, 1), pointing: true, ...props } as never })
    const document = place({ pages: 12 })
    expect(document.text()).toContain('of 12')
    await document.find('form').trigger('submit')
    expect(document.emitted('place')).toEqual([[{ page: 1 }]])
    await document.find('.at').trigger('click')
    expect(document.emitted('open')).toEqual([['page']])
    const video = place({ lasts: 42_000, places: [] })
    await video.find('form').trigger('submit')
    expect(video.emitted('place')).toEqual([[{ ms: 0 }]])
    expect(place({ lasts: 42_000, places: [], pointing: false }).find('.files').exists()).toBe(false)
  })
})
