// Emoji by their names, out of Unicode's own data (the package emojibase-data); fetched when they are first wanted.
export interface Emoji {
  unicode: string
  label: string
  tags: string[]
}

const MOST = 160

export async function loadEmoji(): Promise<Emoji[]> {
  const all = (await import('emojibase-data/en/compact.json')).default as {
    unicode: string
    label: string
    tags?: string[]
    group?: number
  }[]
  return all
    .filter((one) => one.group !== undefined && one.group !== 2)
    .map((one) => ({ unicode: one.unicode, label: one.label, tags: one.tags ?? [] }))
}

/** Those whose name or keywords hold every word; names first. */
export function found(all: Emoji[], words: string): Emoji[] {
  const sought = words.toLowerCase().split(/\s+/).filter(Boolean)
  const fits = (text: string) => sought.every((word) => text.includes(word))
  const named = all.filter((one) => fits(one.label.toLowerCase()))
  const tagged =
    sought.length > 0
      ? all.filter((one) => !named.includes(one) && fits(`${one.label.toLowerCase()} ${one.tags.join(' ')}`))
      : []
  return [...named, ...tagged].slice(0, MOST)
}
