// The focus never falls to the page's body: what had it may go (answered, sent, closed), and then the next thing
// around it that is still there takes it, so that a reader by keyboard or by ear goes on from where they were.

const PLACES = 'section, aside, form, main, [role="region"], [role="dialog"], [role="group"]'

/** Watches for as long as the page lives. */
export function keepFocus(root: Document = document): () => void {
  let around: Element[] = []
  const remember = (event: FocusEvent) => {
    around = []
    for (let one = event.target as Element | null; one; one = one.parentElement) around.push(one)
  }
  const look = () => {
    if (around.length === 0 || around[0]!.isConnected || (root.activeElement && root.activeElement !== root.body))
      return
    const next = around.find((one) => one.isConnected && one.matches(PLACES))
    around = []
    if (next instanceof HTMLElement) take(next)
  }
  root.addEventListener('focusin', remember)
  const observer = new MutationObserver(() => setTimeout(look))
  observer.observe(root.body, { childList: true, subtree: true })
  return () => {
    root.removeEventListener('focusin', remember)
    observer.disconnect()
  }
}

/** Gives the focus to something that a Tab does not reach by itself. */
export function take(place: HTMLElement): void {
  if (!place.hasAttribute('tabindex')) place.tabIndex = -1
  place.focus({ preventScroll: true })
}
