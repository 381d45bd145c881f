// @vitest-environment jsdom
import { describe, expect, it } from 'vitest'
import { briefHtml } from './brief'

// The examples are of the CommonMark specification 0.31: 350 (emphasis), 301 (list); from memory.
describe('a brief', () => {
  it('is set as it was written', () => {
    expect(briefHtml('*foo bar*').trim()).toBe('<p><em>foo bar</em></p>')
    expect(briefHtml('- foo\n- bar').replace(/\n/g, '')).toBe('<ul><li>foo</li><li>bar</li></ul>')
    expect(briefHtml('one\ntwo')).toContain('<br>')
  })

  it('holds nothing that acts', () => {
    const html = ['<script>alert(1)</script>', '<img src=x onerror=alert(1)>', '<a href="javascript:alert(1)">a</a>']
    expect(html.map(briefHtml).join('')).not.toMatch(/script|onerror|<img/i)
    expect(briefHtml('[b](javascript:alert(1))')).not.toContain('href')
    expect(briefHtml('[c](https://c.example)')).toContain('href="https://c.example"')
  })
})
