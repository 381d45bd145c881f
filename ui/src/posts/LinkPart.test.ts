// @vitest-environment jsdom
import { enableAutoUnmount, flushPromises, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import { adaptation, sheet } from '@/samples/sheet'

const value = ref<Record<string, unknown> | null>(null)
const changed: unknown[] = []
const chosen: unknown[] = []
const readLink = vi.fn()
const upload = vi.fn()
vi.mock('./read-link', () => ({ readLink: (...all: unknown[]) => readLink(...all) }))
vi.mock('./upload', () => ({ upload: (...all: unknown[]) => upload(...all) }))
vi.mock('./checks', () => ({ useChecks: () => ({ of: (one: { proof: unknown }) => one.proof }) }))
vi.mock('./editing', () => ({
  useEditor: () => ({
    value,
    state: ref('saved'),
    problem: ref(''),
    theirs: ref(),
    where: ref(''),
    save: vi.fn(),
    keepMine: vi.fn(),
    takeTheirs: vi.fn(),
    drop: vi.fn(),
    change: (next: never) => void (changed.push(next), (value.value = next)),
    choose: (next: never) => void (chosen.push(next), (value.value = next)),
  }),
}))
const { default: LinkPart } = await import('./LinkPart.vue')
enableAutoUnmount(afterEach)

const LINK = { address: 'https://quillmere.example/lamp', tags: null, card: null, bare: 'keep' }
function part(more: Record<string, unknown> = {}, one = adaptation()) {
  return mount(LinkPart, {
    props: { sheet: sheet([one]), server: { value: null, version: 0 } as never, ...more },
    attachTo: document.body,
    global: { stubs: { SaysState: true } },
  })
}
/** As a key does: the change that leaving the field tells comes later. */
const type = async (view: ReturnType<typeof part>, field: string, text: string) => {
  const input = view.find<HTMLInputElement>(field)
  input.element.value = text
  await input.trigger('input')
}
const press = async (view: ReturnType<typeof part>, words: string) => {
  await view
    .findAll('button')
    .find((one) => one.text() === words)!
    .trigger('click')
  await flushPromises()
}

describe('the link of a post', () => {
  beforeEach(() => {
    value.value = null
    changed.length = chosen.length = 0
    readLink.mockReset()
  })

  it('begins with an address alone, and is none without one', async () => {
    const view = part()
    expect(view.findAll('input')).toHaveLength(1)
    await type(view, 'input', 'https://quillmere.example/lamp')
    expect(changed).toEqual([LINK])
    await type(view, 'input', ' ')
    expect(changed[1]).toBeNull()
  })

  it('has tracking tags of its own, and goes back to the client’s', async () => {
    value.value = LINK
    const view = part()
    await press(view, 'tracking tags')
    await type(view, '[id$=-campaign]', 'fog')
    expect(changed).toEqual([{ ...LINK, tags: { campaign: 'fog' } }])
    await press(view, 'the client’s tags again')
    expect(chosen).toEqual([{ ...LINK, tags: null }])
  })

  it('fetches its card from the page, with the page’s picture', async () => {
    value.value = LINK
    readLink.mockResolvedValue({ title: 'The harbour lamp', words: 'Green or red.', media_id: 'm1' })
    const view = part()
    await press(view, 'Fetch the card from the page')
    expect(readLink).toHaveBeenCalledWith('w1', LINK.address)
    expect(chosen).toEqual([{ ...LINK, card: { title: 'The harbour lamp', words: 'Green or red.', picture: 'm1' } }])
    expect(view.find('img').attributes('src')).toBe('/api/w/w1/media/m1/preview')
  })

  it('says why the page could not be read, and that an empty one says nothing; what stands there stays', async () => {
    value.value = { ...LINK, card: { title: 'Mine', words: '', picture: null } }
    readLink.mockRejectedValue(new Error('The page does not answer at the moment.'))
    const view = part()
    await press(view, 'Fetch it anew from the page')
    expect(view.find('[role=status]').text()).toBe('The page does not answer at the moment.')
    expect(value.value).toMatchObject({ card: { title: 'Mine' } })
    readLink.mockResolvedValue({ title: '', words: '', media_id: null })
    await press(view, 'Fetch it anew from the page')
    expect(view.find('[role=status]').text()).toBe('The page says nothing of itself; write the card by hand.')
  })

  it('offers a card only where a network shows one', () => {
    value.value = LINK
    const none = adaptation({ offers: { ...adaptation().offers, link_card: false } })
    expect(part({}, none).text()).not.toContain('card')
  })

  it('shows the final address, and each channel’s own where they differ', () => {
    value.value = LINK
    const end = (address: string, more = {}) => adaptation({ proof: { ...adaptation().proof, link: address }, ...more })
    expect(part({}, end('https://quillmere.example/lamp?src=a')).find('.final').text()).toBe(
      'https://quillmere.example/lamp?src=a',
    )
    const two = sheet([
      end('https://quillmere.example/lamp?src=a'),
      end('https://quillmere.example/lamp?src=b', {
        id: 'a2',
        channel: { ...adaptation().channel, id: 'c2', name: 'Vitrine' },
      }),
    ])
    expect(part({ sheet: two }).find('details').text()).toContain('Vitrine https://quillmere.example/lamp?src=b')
  })

  it('takes nothing where the server says that it is off', () => {
    value.value = { ...LINK, card: { title: 'Mine', words: '', picture: null } }
    const view = part({ off: 'Your role here cannot change links.' })
    expect(
      view
        .findAll('input:not([type=checkbox]):not([type=file]), textarea')
        .every((one) => one.attributes('readonly') !== undefined),
    ).toBe(true)
    expect(
      view
        .findAll('button')
        .filter((one) => /Fetch|leave the card/.test(one.text()))
        .every((one) => one.attributes('disabled') !== undefined),
    ).toBe(true)
  })
})
