// @vitest-environment jsdom
import { enableAutoUnmount, flushPromises, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

// Which variants were seen is known by the page's own watch; here a test says it.
let seen: number[] = []
const tell = (variant: number) => seen.push(variant)
vi.mock('./seen', () => ({
  filled: () => true,
  watchVariants: () => ({
    unseen: (variant: number) => (seen.includes(variant) ? undefined : 0),
    end: () => (seen = []),
  }),
}))
const { default: ReviewPage } = await import('./ReviewPage.vue')
enableAutoUnmount(afterEach)

const variant = (id: string, text = 'Fog over the pier') => ({
  channels: [],
  adaptation_ids: [id],
  text,
  fold: null,
  wall: null,
  zone: null,
  link: null,
  since: null,
  beside: {},
  pictures: [],
})
const line = (id: string, more = {}) => ({
  id,
  wall: '2026-10-15T07:30',
  zone: 'Europe/Lisbon',
  shown: { [`a-${id}`]: 'f1' },
  seen: 0,
  verdict: null,
  words: '',
  ended: null,
  talk: [],
  others: [],
  variants: [variant(`a-${id}`)],
  ...more,
})
let review: Record<string, unknown>
const sent: { path: string; body: Record<string, unknown>; key: string | null }[] = []
let reply: (path: string) => { status: number; body: unknown } | 'offline' = () => ({
  status: 200,
  body: { stage: 'cleared', left_out: [] },
})

vi.stubGlobal('scrollTo', () => undefined)
vi.stubGlobal(
  'fetch',
  async (path: string, init: { method: string; body?: string; headers: Record<string, string> }) => {
    const read = path === '/api/review/ideas' ? { open: false, ideas: [] } : review
    if (init.method === 'GET') return { ok: true, status: 200, json: async () => JSON.parse(JSON.stringify(read)) }
    const said = reply(path)
    if (said === 'offline') throw new TypeError('no connection')
    sent.push({ path, body: JSON.parse(init.body!), key: init.headers['Idempotency-Key'] ?? null })
    return { ok: said.status < 400, status: said.status, json: async () => said.body }
  },
)

async function page() {
  const view = mount(ReviewPage, {
    attachTo: document.body,
    global: {
      stubs: {
        ReviewVariant: {
          props: ['variant', 'place'],
          template: '<article :data-variant="place">{{ variant.text }}</article>',
        },
      },
    },
  })
  await flushPromises()
  return view
}
type View = Awaited<ReturnType<typeof page>>
const press = async (view: View, words: RegExp) => {
  await view
    .findAll('footer button')
    .find((one) => words.test(one.text()))!
    .trigger('click')
  await flushPromises()
}
const note = (view: View) =>
  view
    .findAll('[role=status]')
    .map((one) => one.text())
    .join(' ')

describe('the client’s review', () => {
  beforeEach(() => {
    localStorage.clear()
    history.replaceState(null, '')
    seen = []
    sent.length = 0
    Element.prototype.scrollIntoView = () => undefined
    reply = () => ({ status: 200, body: { stage: 'cleared', left_out: [] } })
    review = {
      client: 'Quillmere Ferries',
      me: 'Odile Marchetti',
      asked_by: 'Ines Calloway',
      message: '',
      due_at: '2026-10-15T16:00:00Z',
      zone: 'Europe/Lisbon',
      now: '2026-10-14T09:31:00Z',
      withdrawn: false,
      lines: [line('one'), line('two')],
    }
  })

  it('sends a yes for what was shown, once it was seen, with a key that makes it count once; then comes the next', async () => {
    const view = await page()
    expect(view.find('.who').text()).toContain('1 of 2')
    tell(0)
    await press(view, /^Yes/)
    expect(sent).toEqual([
      {
        path: '/api/review/lines/one/answer',
        body: { verdict: 'yes', words: '', shown: { 'a-one': 'f1' }, seen: 0 },
        key: expect.stringMatching(/^[0-9a-f-]{36}$/),
      },
    ])
    expect(view.find('.who').text()).toContain('2 of 2')
  })

  it('says no yes for what was not seen yet, and brings it', async () => {
    review.lines = [line('one', { variants: [variant('a'), variant('b', 'Fog, shorter')] })]
    const view = await page()
    tell(0)
    await press(view, /^Yes/)
    expect(sent).toEqual([])
    expect(note(view)).toContain('This is one you had not seen')
    tell(1)
    await press(view, /^Yes/)
    expect(sent).toHaveLength(1)
  })

  it('asks what is to be changed, and keeps the words through a reload until they are sent', async () => {
    let view = await page()
    await press(view, /^Change/)
    await view.find('textarea').setValue('The pier is closed')
    view.unmount()
    view = await page()
    await press(view, /^Change/)
    expect((view.find('textarea').element as HTMLTextAreaElement).value).toBe('The pier is closed')
    await view.find('footer form').trigger('submit')
    await flushPromises()
    expect(sent[0]!.body).toMatchObject({ verdict: 'change', words: 'The pier is closed' })
    expect(localStorage.getItem('change:one')).toBeNull()
  })

  it('without a connection keeps the answer on the phone, counts it here, and sends it once when the connection is back', async () => {
    reply = () => 'offline'
    const view = await page()
    tell(0)
    await press(view, /^Yes/)
    expect(note(view)).toContain('1 answer waits')
    expect(view.findAll('.segments button')[0]!.classes()).toContain('yes')
    reply = () => ({ status: 200, body: { stage: 'cleared', left_out: [] } })
    window.dispatchEvent(new Event('online'))
    await flushPromises()
    expect(sent).toHaveLength(1)
    expect(localStorage.getItem('answers:one')).toBe('[]')
  })

  it('says where an answer could not be taken, and why', async () => {
    reply = () => ({
      status: 200,
      body: { stage: 'changes_wanted', left_out: [{ sentence: 'On Ticker it is out already.' }] },
    })
    const view = await page()
    await press(view, /^Change/)
    await view.find('textarea').setValue('Not so')
    await view.find('footer form').trigger('submit')
    await flushPromises()
    expect(view.find('.left').text()).toContain('On Ticker it is out already.')
  })

  it('a refusal is shown, the answer counts nowhere, and the page shows what stands now', async () => {
    reply = () => ({
      status: 409,
      body: { code: 'outdated', detail: 'This was changed since you opened it.', way_on: 'Look at it as it is now.' },
    })
    const view = await page()
    tell(0)
    review.lines = [line('one', { variants: [variant('a-one', 'Clear over the pier')] }), line('two')]
    await press(view, /^Yes/)
    expect(note(view)).toContain('This was changed since you opened it. Look at it as it is now.')
    expect(view.find('article').text()).toBe('Clear over the pier')
    expect(localStorage.getItem('answers:one')).toBe('[]')
    expect(view.find('.segments button').classes()).not.toContain('yes')
  })

  it('asks what is to become of words that were typed before a yes: they go along, or are a change', async () => {
    const view = await page()
    await view.find('#say').setValue('Only if the pier is open')
    tell(0)
    await press(view, /^Yes/)
    expect(sent).toEqual([])
    expect(view.find('footer').text()).toContain(
      '“Only if the pier is open”. Does it go along with your yes, or is it a change?',
    )
    await press(view, /^It is a change/)
    expect((view.find('textarea').element as HTMLTextAreaElement).value).toBe('Only if the pier is open')
    await press(view, /^Back/)
    await press(view, /^Yes/)
    await press(view, /^Yes, and send it along/)
    expect(sent[0]!.body).toMatchObject({ verdict: 'yes', words: 'Only if the pier is open' })
  })

  it('keeps what was being said about one post while another is looked at', async () => {
    const view = await page()
    await view.find('#say').setValue('Is that our boat?')
    await view.findAll('.segments button')[1]!.trigger('click')
    expect((view.find('#say').element as HTMLInputElement).value).toBe('')
    await view.findAll('.segments button')[0]!.trigger('click')
    expect((view.find('#say').element as HTMLInputElement).value).toBe('Is that our boat?')
  })

  it('a waiting answer that is not taken any more is not called kept: its words stand there, with whom to tell', async () => {
    reply = () => 'offline'
    const view = await page()
    await press(view, /^Change/)
    await view.find('textarea').setValue('The pier is closed')
    await view.find('footer form').trigger('submit')
    await flushPromises()
    reply = () => ({
      status: 410,
      body: {
        code: 'ask_withdrawn',
        detail: 'The agency has withdrawn what it asked here.',
        way_on: 'Nothing is needed from you.',
      },
    })
    window.dispatchEvent(new Event('online'))
    await flushPromises()
    expect(view.find('[role=alert]').text()).toContain(
      'One answer that waited on this phone was not taken: “The pier is closed”. Tell Ines Calloway yourself.',
    )
  })

  it('words of an answer that was refused go back into their field', async () => {
    reply = () => ({
      status: 410,
      body: { code: 'too_late', detail: 'Too late for Ticker: it is being sent or is out.', way_on: null },
    })
    const view = await page()
    await press(view, /^Change/)
    await view.find('textarea').setValue('The pier is closed')
    await view.find('footer form').trigger('submit')
    await flushPromises()
    expect(note(view)).toContain('Too late for Ticker: it is being sent or is out. Your words are kept here.')
    expect((view.find('textarea').element as HTMLTextAreaElement).value).toBe('The pier is closed')
  })

  it('the phone’s Back goes to the post before', async () => {
    const view = await page()
    tell(0)
    await press(view, /^Yes/)
    expect(view.find('.who').text()).toContain('2 of 2')
    window.dispatchEvent(new PopStateEvent('popstate', { state: { at: 0 } }))
    await flushPromises()
    expect(view.find('.who').text()).toContain('1 of 2')
  })

  it('with everything answered thanks, and says what becomes of it', async () => {
    review.lines = [line('one', { verdict: 'yes' })]
    const view = await page()
    expect(view.find('h1').text()).toBe('Thank you, Odile')
    expect(view.text()).toContain('What you said yes to goes out exactly as you saw it.')
  })

  it('thanks nobody for what somebody else said in their name, and says who, how and when', async () => {
    const inName = { verdict: 'yes', by: 'Bram Teodoro', words: 'By phone', at: '2026-10-14T09:31:00Z' }
    review.lines = [line('one', inName)]
    const view = await page()
    expect(view.find('h1').text()).toBe('All done, Odile')
    expect(view.find('.end li').text()).toContain('Yes, said in your name by Bram Teodoro')
    expect(view.text()).not.toContain('has your answer')
    await view.find('.end li button').trigger('click')
    const said = view.find('.given').text()
    expect(said).toBe('Bram Teodoro said yes in your name on Wednesday 14 October at 10:31: “By phone”')
  })

  it('says once, on the first post, that words and pictures can be pointed at', async () => {
    const view = await page()
    expect(view.text()).toContain('Mark words, or tap a picture')
    await view.findAll('nav button')[1]!.trigger('click')
    expect(view.text()).not.toContain('Mark words, or tap a picture')
  })

  it('tells what is past by the server’s time, whatever the phone’s clock says', async () => {
    review.now = '2026-10-15T17:00:00Z'
    vi.setSystemTime(new Date('2026-10-12T08:00:00Z'))
    expect((await page()).text()).toContain('Your yes was wanted by Thursday 15 October at 17:00')
    vi.useRealTimers()
  })

  it('says at the end only what is true of every post', async () => {
    review.lines = [line('one', { verdict: 'change' }), line('two', { ended: 'skipped' })]
    const some = await page()
    expect(some.text()).toContain('Ines Calloway has your answer. Nothing is needed from you for the others.')
    expect(some.text()).not.toContain('goes out exactly')
    expect(some.findAll('.end li b').map((one) => one.text())).toEqual(['Change wanted', 'not needed any more'])
    some.unmount()
    review.lines = [line('one', { ended: 'withdrawn' })]
    const none = await page()
    expect(none.find('h1').text()).toBe('All done, Odile')
    expect(none.text()).toContain('Nothing of this is needed from you any more.')
    expect(none.text()).not.toContain('has your answer')
  })

  it.each([
    ['withdrawn', 'Ines Calloway withdrew this one; nothing is needed from you.', false],
    ['opened', 'Ines Calloway is changing this one. You will be asked again when it is done', true],
    ['outdated', 'A newer version of this one was asked for meanwhile', false],
    ['skipped', 'Your yes is not needed for this one any more.', false],
  ])('wants nothing for what is %s, and says so as what it is', async (ended, sentence, mayTalk) => {
    review.lines = [line('one', { ended })]
    const view = await page()
    await view.find('.segments button').trigger('click')
    expect(view.text()).toContain(sentence)
    expect(view.find('.two').exists()).toBe(false)
    expect(view.find('#say').exists()).toBe(mayTalk)
  })
})
