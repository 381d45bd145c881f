// @vitest-environment jsdom
import { beforeEach, describe, expect, it } from 'vitest'
import {
  LANGUAGES,
  choose,
  fill,
  plural,
  preferred,
  refusal,
  speak,
  spokenLanguage,
  t,
  type Language,
} from './language'
import { dueSentence, wallTime } from './times'
import { de } from './texts/de'
import { en, type Texts } from './texts/en'
import { es } from './texts/es'
import { fr } from './texts/fr'
import { pt } from './texts/pt'

const OTHERS: Record<string, Texts> = { de, fr, pt, es }
type Leaf = [path: string, words: string]
function leaves(of: unknown, path = ''): Leaf[] {
  if (typeof of === 'string') return [[path, of]]
  if (of === null || typeof of !== 'object') return []
  return Object.entries(of).flatMap(([key, value]) => leaves(value, `${path}.${key}`))
}
const names = (words: string) => [...words.matchAll(/\{(\w+)\}|#/g)].map((found) => found[0]).sort()
// the same word in that language
const SAME: Record<string, string[]> = {
  de: ['.settings.link', '.settings.format', '.pin'],
  fr: ['.settings.format'],
  pt: ['.settings.link', '.pin'],
  es: ['.pin'],
}

describe.each(Object.entries(OTHERS))('the page in %s', (tag, texts) => {
  const english = new Map(leaves(en))

  it('fills in what English fills in, sentence by sentence', () => {
    for (const [path, words] of leaves(texts).filter(([path]) => english.has(path)))
      expect([path, names(words)]).toEqual([path, names(english.get(path)!)])
  })

  it('leaves nothing in English', () => {
    const left = leaves(texts).filter(([path, words]) => english.get(path) === words)
    expect(left.map(([path]) => path).sort()).toEqual([...(SAME[tag] ?? [])].sort())
  })

  it('has a form for one and for many, as the plural rules of the language want', () => {
    const forms = [texts.posts, texts.waits, texts.lost, texts.yesToAll]
    for (const one of forms) {
      expect(one.one, JSON.stringify(one)).toBeTruthy()
      expect(one.other).toContain('#')
    }
  })

  it('says every refusal that the server can give here', () => {
    expect(Object.values(texts.refusals!).every((words) => words.length > 10)).toBe(true)
  })
})

describe('which language is spoken', () => {
  beforeEach(async () => {
    localStorage.clear()
    await speak('en')
  })

  it('is the one that was chosen, else the browser’s first that is there, else English', () => {
    expect(preferred(['de-AT', 'en'], null)).toBe('de')
    expect(preferred(['ja', 'pt-BR', 'en'], null)).toBe('pt')
    expect(preferred(['ja'], null)).toBe('en')
    expect(preferred(['de'], 'fr')).toBe('fr')
    expect(preferred(['de'], 'gone')).toBe('de')
  })

  it('changes the page, its dates and its numbers at once, and is remembered', async () => {
    for (const tag of Object.keys(LANGUAGES) as Language[]) {
      await choose(tag)
      expect([spokenLanguage(), document.documentElement.lang, localStorage.getItem('review language')]).toEqual([
        tag,
        tag,
        tag,
      ])
      expect(wallTime('2026-10-15T07:30')).toContain('7:30')
    }
    await choose('de')
    expect(t().yes).toBe('Ja, das kann raus')
    expect(wallTime('2026-10-15T07:30')).toBe('Donnerstag, 15. Oktober, 7:30')
    expect(dueSentence('2026-10-13T14:40:00Z', 'Europe/Lisbon', new Date('2026-10-12T09:00:00Z'))).toContain('Dienstag')
    expect(plural(1, t().posts)).toBe('1 Beitrag')
    expect(plural(3, t().posts)).toBe('3 Beiträge')
  })

  it('takes the form for many where a language file lacks one', () => {
    expect(plural(1, { other: '# posts' })).toBe('1 posts')
  })

  it('says what was refused: in English as the server says it, else by its code, else as the server says it', async () => {
    expect(refusal('pass_expired', 'This link worked until 3 October.')).toBe('This link worked until 3 October.')
    await choose('es')
    expect(refusal('pass_expired', 'This link worked until 3 October.')).toContain('ya no vale')
    expect(refusal('something_new', 'Said by the server.')).toBe('Said by the server.')
  })

  it('fills in names, and leaves nothing of a brace', () => {
    expect(fill('{one} and {two}', { one: 'A', two: 'B' })).toBe('A and B')
    expect(fill('{gone}!', {})).toBe('!')
  })
})
