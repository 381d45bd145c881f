// When one way of a post was seen: not before its pictures are there, and enough of it stood between the head of the page and
// the answers. A yes counts for what was seen, so this must not be fooled by a page that is still filling.

export interface Box {
  top: number
  bottom: number
}

/** All of it, or as much as fills half of the free place: what is longer than a screen is read while it scrolls by. */
export function enough(way: Box, free: Box): boolean {
  const shown = Math.min(way.bottom, free.bottom) - Math.max(way.top, free.top)
  return shown > 0 && shown >= Math.min((way.bottom - way.top) * 0.9, (free.bottom - free.top) / 2)
}

/** Pictures that did not come count as there: their description stands in their place. */
export function filled(way: Element): boolean {
  return [...way.querySelectorAll('img')].every((picture) => picture.complete)
}

/**
 * Tells of each way as soon as it was seen.
 * @param within the element that holds the ways, each marked with `data-way` and its number
 * @param between what covers the page at its top and at its bottom
 * @return ends the watch
 */
export function watchWays(within: HTMLElement, between: { head: Element | null; foot: Element | null }, tell: (way: number) => void): () => void {
  const look = () => {
    const free = { top: between.head?.getBoundingClientRect().bottom ?? 0, bottom: between.foot?.getBoundingClientRect().top ?? window.innerHeight }
    for (const way of within.querySelectorAll<HTMLElement>('[data-way]')) {
      if (filled(way) && enough(way.getBoundingClientRect(), free)) tell(Number(way.dataset.way))
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
  return () => ended.abort()
}
