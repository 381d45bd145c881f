import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { ProblemError } from '@/api/client'
import { draftsOf } from './drafts'
import { useKept } from './kept'
import { useProblem } from './problem'

const store = new Map<string, string>()
draftsOf('ines')
vi.stubGlobal('sessionStorage', { getItem: () => 'tab-1', setItem: () => undefined })
vi.stubGlobal('localStorage', {
  getItem: (key: string) => store.get(key) ?? null,
  setItem: (key: string, value: string) => store.set(key, value),
  removeItem: (key: string) => store.delete(key),
})
const refused = (facts: { code: string; field?: string; detail: string; way_on?: string }) =>
  new ProblemError({ type: 'about:blank', title: 'Refused', status: 422, ...facts })

describe('what is typed into a form', () => {
  beforeEach(() => store.clear())

  it('is kept in this browser, also when the tab is closed before it is sent', async () => {
    const form = useKept('invite', { addresses: '', title: '' })
    form.value.addresses = 'ada@tarn.example'
    await nextTick()
    expect(useKept('invite', { addresses: '', title: '' }).value).toEqual({ addresses: 'ada@tarn.example', title: '' })
  })

  it('is forgotten once it was sent, and not kept again by what changes afterwards', async () => {
    const form = useKept('invite', { addresses: '' })
    form.value.addresses = 'ada@tarn.example'
    await nextTick()
    form.forget()
    form.value.addresses = ''
    await nextTick()
    expect(store.size).toBe(0)
  })

  it('gets the fields that the form has by now, and survives what is unreadable', () => {
    store.set('draft:ines:tab-1:form:old', JSON.stringify({ name: 'Tarn' }))
    expect(useKept('old', { name: '', mark: 'T' }).value).toEqual({ name: 'Tarn', mark: 'T' })
    store.set('draft:ines:tab-1:form:broken', '{not json')
    expect(useKept('broken', { name: '' }).value).toEqual({ name: '' })
  })
})

describe('a refusal', () => {
  it('stands at its field, with the way on, and nowhere else', async () => {
    const { run, at, beside } = useProblem()
    await run(() =>
      Promise.reject(
        refused({
          code: 'bad_zone',
          field: 'zone',
          detail: 'There is no such zone.',
          way_on: 'Choose one from the list.',
        }),
      ),
    )
    expect(at('zone')).toBe('There is no such zone. Choose one from the list.')
    expect(at('name')).toBeUndefined()
    expect(beside(['zone', 'name'])).toBeUndefined()
  })

  it('stands beside the button when no field of the form stands for it', async () => {
    const { run, beside } = useProblem()
    await run(() => Promise.reject(refused({ code: 'archived', detail: 'This client is archived.' })))
    expect(beside(['zone'])).toBe('This client is archived.')
  })

  it('is gone with the next try, and a try that works gives its result', async () => {
    const { run, beside, busy } = useProblem()
    await run(() => Promise.reject(refused({ code: 'x', detail: 'No.' })))
    const trying = run(() => Promise.resolve(7))
    expect(busy.value).toBe(true)
    expect(await trying).toBe(7)
    expect(busy.value).toBe(false)
    expect(beside([])).toBeUndefined()
  })
})
