// How the times of a post lie on its channels, at a glance.
export interface Heap {
  /** 0 to 1 along the time between the first and the last */
  at: number
  count: number
}

export function spread(times: string[]): { heaps: Heap[]; words: string } | null {
  if (times.length < 2) return null
  const minutes = times.map((time) => Math.floor(new Date(time).getTime() / 60_000)).sort((one, other) => one - other)
  const first = minutes[0]!
  const length = minutes[minutes.length - 1]! - first
  const counts = new Map<number, number>()
  for (const minute of minutes) counts.set(minute, (counts.get(minute) ?? 0) + 1)
  const heaps = [...counts].map(([minute, count]) => ({ at: length === 0 ? 0 : (minute - first) / length, count }))
  return { heaps, words: length === 0 ? `all ${times.length} in the same minute` : `spread over ${span(length)}` }
}

function span(minutes: number): string {
  if (minutes < 60) return `${minutes} min`
  const hours = Math.floor(minutes / 60)
  if (hours >= 48) return `${Math.floor(hours / 24)} days`
  return minutes % 60 === 0 ? `${hours} h` : `${hours} h ${minutes % 60} min`
}
