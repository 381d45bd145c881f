// An amount as people type it, in whole minor units; never through a fraction.

/** @returns undefined for what is no amount */
export function minorOf(text: string, digits: number): number | undefined {
  const plain = text.trim().replace(/\s/g, '')
  if (plain === '') return 0
  const found = /^(\d{1,9})(?:[.,](\d+))?$/.exec(plain)
  if (!found || (found[2]?.length ?? 0) > digits) return undefined
  return Number(found[1]! + (found[2] ?? '').padEnd(digits, '0'))
}
