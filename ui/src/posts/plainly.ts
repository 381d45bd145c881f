// A part's value in words, whatever its shape: what somebody else made of it, beside what one typed.
export function plainly(value: unknown): string {
  if (value === null || value === undefined || value === '') return 'nothing'
  if (Array.isArray(value)) return value.length === 0 ? 'nothing' : value.map(plainly).join(', ')
  if (typeof value === 'object') {
    const said = Object.values(value).filter(
      (one) => one !== null && one !== '' && !(Array.isArray(one) && one.length === 0),
    )
    return said.length === 0 ? 'nothing' : said.map(plainly).join(', ')
  }
  return String(value)
}
