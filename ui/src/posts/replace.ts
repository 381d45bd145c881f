// Finding words in a text, taken as they are typed: no pattern signs.
function pattern(find: string, exact: boolean) {
  return new RegExp(find.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'), exact ? 'gu' : 'giu')
}

export function occurrences(text: string, find: string, exact: boolean): number {
  return find === '' ? 0 : (text.match(pattern(find, exact)) ?? []).length
}

export function replaced(text: string, find: string, put: string, exact: boolean): string {
  return find === '' ? text : text.replace(pattern(find, exact), () => put)
}
