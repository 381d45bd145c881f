/** Where what opens from a field stands: in the page or the dialog that the field is in, so that nothing cuts it off. */
export function popupOf(field: HTMLElement | undefined): HTMLElement {
  return field?.closest<HTMLElement>('[role=dialog], main') ?? document.body
}

/** To which side of a field what opens from it has room. */
export function sideOf(field: HTMLElement | undefined): 'bottomRight' | 'topRight' {
  const at = field?.getBoundingClientRect()
  return at && at.top > window.innerHeight / 2 ? 'topRight' : 'bottomRight'
}

const QUIET = 'picker-typed-in'

/**
 * While somebody types, a day that happens to lie under the pointer when the days open does not write itself into the
 * field; the pointer counts again once it is moved.
 */
export function pointerRests(): void {
  if (document.body.classList.contains(QUIET)) return
  document.body.classList.add(QUIET)
  const moves = new AbortController()
  const wakes = (event: PointerEvent) => {
    if (event.type === 'pointermove' && event.movementX === 0 && event.movementY === 0) return
    document.body.classList.remove(QUIET)
    moves.abort()
  }
  for (const type of ['pointermove', 'pointerdown'] as const)
    window.addEventListener(type, wakes, { signal: moves.signal })
}
