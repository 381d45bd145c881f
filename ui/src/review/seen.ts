// When one variant of a post was seen: not before its pictures are there, and only when all of it, down to its end, stood
// between the head of the page and the answers. A yes counts for what was seen, so this must not be fooled by a page
// that is still filling, nor by one that is long.

export interface Box {
  top: number
  bottom: number
}

// A line of text that was cut at an edge counts as seen.
const NEARLY = 12

/** What of one variant has been on the screen so far, in points from its top. */
export class Coverage {
  private parts: [number, number][] = []
  private height = 0

  /** Adds what stands in the free place now. */
  add(variant: Box, free: Box): void {
    const height = variant.bottom - variant.top
    if (Math.abs(height - this.height) > 1) this.scale(height)
    const from = Math.max(variant.top, free.top) - variant.top
    const to = Math.min(variant.bottom, free.bottom) - variant.top
    if (to > from) this.join(from, to)
  }

  /** Where the first part begins that was not on the screen yet; undefined: all of it was. */
  gap(): number | undefined {
    if (this.height <= 0) return 0
    let reached = 0
    for (const [from, to] of this.parts) {
      if (from > reached + NEARLY) return reached
      reached = Math.max(reached, to)
    }
    return reached < this.height - NEARLY ? reached : undefined
  }

  // A phone that is turned lays the same out anew.
  private scale(height: number): void {
    const by = this.height > 0 ? height / this.height : 1
    this.parts = this.parts.map(([from, to]) => [from * by, to * by])
    this.height = height
  }

  private join(from: number, to: number): void {
    const apart = this.parts.filter(([start, end]) => end < from || start > to)
    const touched = this.parts.filter(([start, end]) => end >= from && start <= to)
    const whole: [number, number] = [
      Math.min(from, ...touched.map(([start]) => start)),
      Math.max(to, ...touched.map(([, end]) => end)),
    ]
    this.parts = [...apart, whole].sort((one, other) => one[0] - other[0])
  }
}

/** Pictures that did not come count as there: their description stands in their place. */
export function filled(variant: Element): boolean {
  return [...variant.querySelectorAll('img')].every((picture) => picture.complete)
}

export interface Watch {
  /** Where in the page the first part of a variant lies that was not seen yet; undefined: it was seen to its end. */
  unseen(variant: number): number | undefined
  end(): void
}

/**
 * Watches what comes into sight.
 * @param within the element that holds the variants, each marked with `data-variant` and its number
 * @param between what covers the page at its top and at its bottom
 */
export function watchVariants(within: HTMLElement, between: { head: Element | null; foot: Element | null }): Watch {
  const seen = new Map<number, Coverage>()
  const free = () => ({
    top: between.head?.getBoundingClientRect().bottom ?? 0,
    bottom: between.foot?.getBoundingClientRect().top ?? window.innerHeight,
  })
  const look = () => {
    const place = free()
    for (const variant of within.querySelectorAll<HTMLElement>('[data-variant]')) {
      if (!filled(variant)) continue
      const number = Number(variant.dataset.variant)
      if (!seen.has(number)) seen.set(number, new Coverage())
      seen.get(number)!.add(variant.getBoundingClientRect(), place)
    }
  }
  const ended = new AbortController()
  const { signal } = ended
  window.addEventListener('scroll', look, { signal, passive: true })
  window.addEventListener('resize', look, { signal })
  // neither bubbles: they are caught on their way down
  within.addEventListener('load', look, { signal, capture: true })
  within.addEventListener('error', look, { signal, capture: true })
  look()
  return {
    unseen(number) {
      look()
      const gap = seen.get(number)?.gap()
      if (seen.has(number) && gap === undefined) return undefined
      const variant = within.querySelector(`[data-variant="${number}"]`)
      return (variant?.getBoundingClientRect().top ?? 0) + window.scrollY + (gap ?? 0)
    },
    end: () => ended.abort(),
  }
}
