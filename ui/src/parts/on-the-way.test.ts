import { beforeEach, describe, expect, it, vi } from 'vitest'
import { onTheWay, page, setOut, type World } from './on-the-way'

const lost = () => Promise.reject(new TypeError('Failed to fetch dynamically imported module'))

function world(there: boolean) {
  let again = () => undefined as void
  const open = vi.fn()
  const made: World = { wait: () => new Promise((done) => (again = done)), serverIsThere: async () => there, open }
  return { world: made, open, back: () => again() }
}
const settled = () => new Promise((done) => setTimeout(done))

describe('a page that is not loaded yet', () => {
  beforeEach(() => setOut('Dispatch', '/dispatch'))

  it('is waited for without a connection, said by its name, and comes when it is back', async () => {
    const { world: off, back, open } = world(false)
    const load = vi.fn<() => Promise<string>>().mockImplementationOnce(lost).mockResolvedValue('the page')
    const found = page(load, off)()
    await settled()
    expect(onTheWay.value).toEqual({ title: 'Dispatch', address: '/dispatch' })
    back()
    expect(await found).toBe('the page')
    expect(onTheWay.value).toBeNull()
    expect(open).not.toHaveBeenCalled()
  })

  it('is not waited for any more once they went somewhere else, or stayed', async () => {
    const { world: off, back } = world(false)
    // it could be had by now, and nobody wants it any more
    const load = vi.fn<() => Promise<string>>().mockImplementationOnce(lost).mockResolvedValue('the page')
    const found = page(load, off)()
    const failed = expect(found).rejects.toThrow('Failed to fetch')
    await settled()
    setOut('Desk', '/desk')
    expect(onTheWay.value).toBeNull()
    back()
    await failed
    expect(onTheWay.value).toBeNull()
  })

  it('is opened whole where the server answers: its name has changed with a new build', async () => {
    const { world: on, open } = world(true)
    await expect(page(lost, on)()).rejects.toThrow('Failed to fetch')
    expect(open).toHaveBeenCalledWith('/dispatch')
    expect(onTheWay.value).toBeNull()
  })
})
