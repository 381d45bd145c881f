import { describe, expect, it } from 'vitest'
import { effectScope, ref } from 'vue'
import type { SaveState } from './part'
import { tellSaving, unsettled, useSaving } from './saving'

describe('how the saving of a post goes', () => {
  it('is the worst of its parts: a conflict stands, whatever is saved after it', () => {
    const [text, time, other] = [ref<SaveState>('saved'), ref<SaveState>('saved'), ref<SaveState>('refused')]
    const scope = effectScope()
    const saving = scope.run(() => {
      tellSaving('p', text)
      tellSaving('p', time)
      tellSaving('another', other)
      return useSaving('p')
    })!
    expect(saving.value).toBe('saved')
    text.value = 'conflict'
    time.value = 'saving'
    expect(saving.value).toBe('conflict')
    time.value = 'saved'
    expect(saving.value).toBe('conflict')
    text.value = 'typing'
    expect(saving.value).toBe('typing')
    scope.stop()
    expect(useSaving('p').value).toBe('saved')
  })

  it('says why nothing can be asked for while something is unsettled', () => {
    expect(unsettled('conflict')).toContain('choose a version first')
    expect([unsettled('typing'), unsettled('saving'), unsettled('saved')]).toEqual([undefined, undefined, undefined])
  })
})
