import { beforeEach, describe, expect, it, vi } from 'vitest'
import { begun, isUnmade, madeFirst } from './fresh'

const put = (post: string, what = 'parts/text') =>
  new Request(`http://localhost/api/w/w1/posts/${post}/${what}`, { method: 'PUT' })

describe('a post that was begun', () => {
  const make = vi.fn(async () => true)
  beforeEach(() => make.mockClear())

  it('is made by the first thing that is written, once, however much is written at once', async () => {
    begun('p1')
    await Promise.all([madeFirst(put('p1'), make), madeFirst(put('p1', 'subject'), make)])
    expect(make.mock.calls).toEqual([['w1', 'p1']])
    expect(isUnmade('p1')).toBe(false)
    await madeFirst(put('p1'), make)
    expect(make).toHaveBeenCalledTimes(1)
  })

  it('is not made by looking at it or by being on its page', async () => {
    begun('p2')
    expect(await madeFirst(new Request('http://localhost/api/w/w1/posts/p2/record'), make)).toBeUndefined()
    expect((await madeFirst(put('p2', 'here'), make))?.status).toBe(204)
    expect(make).not.toHaveBeenCalled()
    expect(isUnmade('p2')).toBe(true)
  })

  it('is tried again when it could not be made', async () => {
    begun('p3')
    await expect(madeFirst(put('p3'), () => Promise.reject(new TypeError('no connection')))).rejects.toThrow()
    expect(isUnmade('p3')).toBe(true)
    await madeFirst(put('p3'), make)
    expect(make).toHaveBeenCalledTimes(1)
  })

  it('has nothing to do with other posts', async () => {
    await madeFirst(put('p4'), make)
    expect(make).not.toHaveBeenCalled()
  })
})
