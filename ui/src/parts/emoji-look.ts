// Copy shows emoji as the reader's own system draws them, which is how its readers will see them; the ink font that is
// shipped stands in only where the system has none. What stands around the copy is always ink.

/** Whether the system draws an emoji in colours, by drawing one. */
export function drawsInColour(canvas: HTMLCanvasElement): boolean {
  const size = 20
  canvas.width = canvas.height = size
  const pen = canvas.getContext('2d', { willReadFrequently: true })
  if (!pen) return false
  pen.font = `${size - 4}px sans-serif`
  pen.textBaseline = 'top'
  // asked for as an emoji: some text fonts have an outline of it
  pen.fillText('\u{1F600}\uFE0F', 0, 0)
  const points = pen.getImageData(0, 0, size, size).data
  for (let at = 0; at < points.length; at += 4) {
    const [red, green, blue, there] = [points[at]!, points[at + 1]!, points[at + 2]!, points[at + 3]!]
    if (there > 128 && Math.max(red, green, blue) - Math.min(red, green, blue) > 40) return true
  }
  return false
}

/** Says it on the page, for its styles. */
export function lookAtEmoji(): void {
  try {
    if (drawsInColour(document.createElement('canvas'))) document.documentElement.dataset.emoji = 'colour'
  } catch {
    // a browser that lets nobody look at what was drawn keeps the ink
  }
}
