// Dragging with a mouse, a pen or a finger: a mouse takes a line up once it moves, a finger once it rests on it, so that
// the page can still be scrolled.
const MOVED = 5
const RESTS = 350

export type Drag = { pick: () => void; over: (place: string) => void; drop: () => void; leave: () => void }

export function placeAt(x: number, y: number): string | undefined {
  return document.elementFromPoint(x, y)?.closest<HTMLElement>('[data-place]')?.dataset.place
}

export function startDrag(event: PointerEvent, drag: Drag): void {
  if (event.button !== 0) return
  const from = { x: event.clientX, y: event.clientY }
  const touch = event.pointerType === 'touch'
  let picked = false
  const rest = touch ? setTimeout(take, RESTS) : undefined

  function take() {
    picked = true
    drag.pick()
  }
  function move(to: PointerEvent) {
    const far = Math.hypot(to.clientX - from.x, to.clientY - from.y) > MOVED
    if (!picked && far && touch) return end()
    if (!picked && far) take()
    if (!picked) return
    const place = placeAt(to.clientX, to.clientY)
    if (place) drag.over(place)
  }
  function up() {
    const dropped = picked
    end()
    if (dropped) {
      // the click that ends a drag opens nothing
      window.addEventListener('click', swallow, { capture: true, once: true })
      setTimeout(() => window.removeEventListener('click', swallow, { capture: true }))
      drag.drop()
    }
  }
  function cancel() {
    const dropped = picked
    end()
    if (dropped) drag.leave()
  }
  function end() {
    clearTimeout(rest)
    window.removeEventListener('pointermove', move)
    window.removeEventListener('pointerup', up)
    window.removeEventListener('pointercancel', cancel)
    window.removeEventListener('touchmove', still)
    window.removeEventListener('keydown', key)
  }
  function key(pressed: KeyboardEvent) {
    if (pressed.key === 'Escape') cancel()
  }
  // once a line is held, a finger moves it and not the page
  function still(moved: TouchEvent) {
    if (picked) moved.preventDefault()
  }
  window.addEventListener('pointermove', move)
  window.addEventListener('pointerup', up)
  window.addEventListener('pointercancel', cancel)
  window.addEventListener('touchmove', still, { passive: false })
  window.addEventListener('keydown', key)
}

function swallow(event: Event) {
  event.preventDefault()
  event.stopPropagation()
}
