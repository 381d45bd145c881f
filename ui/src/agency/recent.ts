// The clients that were chosen lately in this browser, the latest first.
const KEY = 'clients-lately'
const KEPT = 12

export function lately(): string[] {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '[]') as unknown
    return Array.isArray(kept) ? kept.filter((one): one is string => typeof one === 'string') : []
  } catch {
    return []
  }
}

export function chosenNow(id: string): void {
  localStorage.setItem(KEY, JSON.stringify([id, ...lately().filter((one) => one !== id)].slice(0, KEPT)))
}

/** Those chosen lately first, in that order; the others keep theirs. */
export function recentFirst<T extends { id: string }>(clients: T[], recent: string[] = lately()): T[] {
  const place = (one: T) => (recent.includes(one.id) ? recent.indexOf(one.id) : recent.length)
  return [...clients].sort((one, other) => place(one) - place(other))
}
