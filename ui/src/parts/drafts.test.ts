// @vitest-environment jsdom
import { beforeEach, describe, expect, it } from 'vitest'
import { adopt, draft, draftsKnown, draftsOf } from './drafts'

const asTab = (name: string) => sessionStorage.setItem('tab', name)

describe('what is being typed', () => {
  beforeEach(() => {
    localStorage.clear()
    asTab('one')
    draftsOf('ines')
  })

  it('is a person’s: the next one to sign in finds nothing of it, and its writer does', () => {
    draft('talk:p:house').write('for Ines alone')
    draftsOf('wren')
    expect(draft('talk:p:house').read()).toBeNull()
    adopt([])
    expect(draft('talk:p:house').read()).toBeNull()
    draftsOf('ines')
    expect(draft('talk:p:house').read()).toBe('for Ines alone')
  })

  it('is a tab’s: one tab’s saving leaves alone what another one holds', () => {
    draft('part:p:master:text').write('in the first tab')
    asTab('two')
    draft('part:p:master:text').write('in the second')
    draft('part:p:master:text').clear()
    asTab('one')
    expect(draft('part:p:master:text').read()).toBe('in the first tab')
  })

  it('goes to the next tab of the same person once its own is closed, and not before', () => {
    draft('part:p:master:text').write('half a sentence')
    asTab('two')
    adopt(['one', 'two'])
    expect(draft('part:p:master:text').read()).toBeNull()
    adopt(['two'])
    expect(draft('part:p:master:text').read()).toBe('half a sentence')
    expect(Object.keys(localStorage)).toEqual(['draft:ines:two:part:p:master:text'])
  })

  it('of this tab is not written over by what another one left', () => {
    draft('x').write('old')
    asTab('two')
    draft('x').write('new')
    adopt(['two'])
    expect(draft('x').read()).toBe('new')
    asTab('one')
    expect(draft('x').read()).toBe('old')
  })

  it('is nobody’s while nobody is known', () => {
    draftsOf('')
    expect(draftsKnown()).toBe(false)
  })
})
