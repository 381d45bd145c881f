// Amounts of money: whole minor units of a currency (ISO 4217), never through a fraction.
import shared from '@/api/shared.json'

export interface Money {
  minor: number
  currency: string
}

/** Digits after the point, by the core's table of ISO 4217. */
export function digits(currency: string): number {
  return (shared.currency_digits as Record<string, number>)[currency] ?? 2
}

/** As people write it in a field: "40.50". */
export function typedAmount({ minor, currency }: Money): string {
  const places = digits(currency)
  return (minor / 10 ** places).toFixed(places)
}

export function money(value: Money | null): string {
  return value ? `${value.currency} ${typedAmount(value)}` : 'none'
}

/** @returns undefined for what is no amount */
export function minorOf(text: string, places: number): number | undefined {
  const plain = text.trim().replace(/\s/g, '')
  if (plain === '') return 0
  const found = /^(\d{1,9})(?:[.,](\d+))?$/.exec(plain)
  if (!found || (found[2]?.length ?? 0) > places) return undefined
  return Number(found[1]! + (found[2] ?? '').padEnd(places, '0'))
}
