// What is typed into a picker counts as soon as it reads as a day or an hour: by Enter, or by leaving the field.
import dayjs from 'dayjs'
import customParseFormat from 'dayjs/plugin/customParseFormat'
import { pickerLocale } from './picker'

dayjs.extend(customParseFormat)

/**
 * @param formats how the reader may write it, the shown one first
 * @returns what was typed in the picker's own form, '' for nothing, undefined for what cannot be read
 */
export function readTyped(text: string, formats: string[], form: string, language?: string): string | undefined {
  const plain = text.trim().replace(/\s+/g, ' ')
  if (plain === '') return ''
  const name = pickerLocale(language).lang.locale
  for (const format of formats) {
    const found = dayjs(plain, format, name, true)
    if (found.isValid()) return found.format(form)
  }
  return undefined
}
