import { flushPromises } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { nextTick, ref } from 'vue'
import { ProblemError } from '@/api/client'
import { useSaid } from './said'

const refused = new ProblemError({ type: '', title: '', status: 422, code: 'bad_link', detail: 'No address.' })

describe('what is said of one thing in its panel', () => {
  it('is kept when its field is left, one after the other, each with the version that it saw', async () => {
    const one = ref<{ version: number; name: string; link: string | null }>({ version: 3, name: 'Fog', link: null })
    const change = vi.fn((said: { version: number }) => Promise.resolve({ version: said.version + 1 }))
    const { typed, value, left } = useSaid<'name' | 'link', object>(() => 'a', one, change, ['link'])
    typed.name = 'Fog lamp'
    left('name')
    typed.link = ''
    left('link')
    typed.link = 'https://pier.example'
    left('link')
    await flushPromises()
    expect(change.mock.calls.map(([said]) => said)).toEqual([
      { name: 'Fog lamp', version: 3 },
      { link: 'https://pier.example', version: 4 },
    ])
    expect(value('name')).toBe('Fog')
  })

  it('stays typed with its reason when it is refused, and goes with its thing', async () => {
    const id = ref('a')
    const one = ref({ version: 1, link: null })
    const { typed, wrong, value, left, save } = useSaid<'link', object>(
      () => id.value,
      one,
      (said) => ('link' in said ? Promise.reject(refused) : Promise.resolve({ version: 2 })),
    )
    typed.link = 'nowhere'
    left('link')
    await flushPromises()
    expect([value('link'), wrong.link]).toEqual(['nowhere', 'No address.'])
    await save({ status: 'out' })
    expect(wrong.link).toBe('No address.')
    id.value = 'b'
    await nextTick()
    expect([value('link'), wrong.link]).toEqual(['', undefined])
  })
})
