// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { keepFocus } from './focus'

const settle = () => new Promise((done) => setTimeout(done, 20))
let end: () => void

describe('the focus', () => {
  beforeEach(() => {
    document.body.innerHTML =
      '<main><section id="s"><div><button id="b">Yes</button></div></section><button id="o">Other</button></main>'
    end = keepFocus()
  })
  afterEach(() => end())

  it('goes to what stood around it when what had it is gone', async () => {
    document.getElementById('b')!.focus()
    document.querySelector('#s div')!.remove()
    await settle()
    expect(document.activeElement).toBe(document.getElementById('s'))
  })

  it('and further out when that is gone too', async () => {
    document.getElementById('b')!.focus()
    document.getElementById('s')!.remove()
    await settle()
    expect(document.activeElement).toBe(document.querySelector('main'))
  })

  it('stays where somebody has put it meanwhile, and where it is when something else goes', async () => {
    document.getElementById('b')!.focus()
    document.getElementById('o')!.focus()
    document.querySelector('#s div')!.remove()
    await settle()
    expect(document.activeElement).toBe(document.getElementById('o'))
  })
})
