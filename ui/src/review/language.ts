// The language of the client's page: chosen by the person, else the browser's. Each language is one file that is loaded
// when it is wanted; English comes along. Dates and plurals are the browser's own Intl.
import { shallowRef } from 'vue'
import { en } from './texts/en'
import type { RefusalCode, Texts } from './texts/en'

export const LANGUAGES = { en: 'English', de: 'Deutsch', fr: 'Français', pt: 'Português', es: 'Español' }
export type Language = keyof typeof LANGUAGES
const OTHERS: Record<Exclude<Language, 'en'>, () => Promise<Texts>> = {
  de: () => import('./texts/de').then((file) => file.de),
  fr: () => import('./texts/fr').then((file) => file.fr),
  pt: () => import('./texts/pt').then((file) => file.pt),
  es: () => import('./texts/es').then((file) => file.es),
}
const KEY = 'review language'

const spoken = shallowRef<Texts>(en)
const language = shallowRef<Language>('en')

/** The sentences of the language that is spoken now. */
export const t = () => spoken.value
export const spokenLanguage = () => language.value
/** For Intl: the day before the month in English, as the rest of the page. */
export const locale = () => (language.value === 'en' ? 'en-GB' : language.value)

const known = (tag: string): tag is Language => tag in LANGUAGES

/** @param wanted what the browser asks for, such as de-AT, the dearest first */
export function preferred(wanted: readonly string[], chosen: string | null): Language {
  if (chosen && known(chosen)) return chosen
  return wanted.map((tag) => tag.split('-')[0]!.toLowerCase()).find(known) ?? 'en'
}

/** Speaks it from now on; one that cannot be fetched leaves the page as it was. */
export async function speak(to: Language): Promise<void> {
  try {
    spoken.value = to === 'en' ? en : await OTHERS[to]()
    language.value = to
    document.documentElement.lang = to
  } catch {
    // without a connection the language that is there stays
  }
}
export function choose(to: Language): Promise<void> {
  localStorage.setItem(KEY, to)
  return speak(to)
}
export const speakAsWanted = () => speak(preferred(navigator.languages ?? [], localStorage.getItem(KEY)))

/** "one post" or "3 posts", by the plural rules of the language. */
export function plural(count: number, forms: Forms): string {
  const rule = new Intl.PluralRules(locale()).select(count)
  return (forms[rule] ?? forms.other).replace('#', new Intl.NumberFormat(locale()).format(count))
}
export type Forms = { other: string } & Partial<Record<Intl.LDMLPluralRule, string>>
/** "Odile and Per" */
export const listed = (words: string[]) => new Intl.ListFormat(locale(), { type: 'conjunction' }).format(words)
/** Why something was refused: the server says it in English, with what it knows; the other languages know the code. */
export const refusal = (code: string, said: string) => t().refusals?.[code as RefusalCode] ?? said
/** Fills in what stands in braces. */
export function fill(sentence: string, values: Record<string, string>): string {
  return sentence.replace(/\{(\w+)\}/g, (_, name: string) => values[name] ?? '')
}
