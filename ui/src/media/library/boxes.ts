// Boxes around the words of a picture, in thousandths of its sides, and the share of it that they cover: exact, as the
// server reckons it (core/media/coverage.rb).
export type Box = [left: number, top: number, width: number, height: number]

const SIDE = 1_000
const between = (value: number, least: number, most: number) => Math.min(Math.max(value, least), most)

/** Inside the picture, and not smaller than can be seen. */
export function clamped([left, top, width, height]: Box): Box {
  const wide = between(width, 10, SIDE)
  const tall = between(height, 10, SIDE)
  return [between(left, 0, SIDE - wide), between(top, 0, SIDE - tall), wide, tall]
}

/** @returns 0 to 1, of the area of their union */
export function share(boxes: readonly Box[]): number {
  const edges = [...new Set(boxes.flatMap(([left, , width]) => [left, left + width]))].sort((a, b) => a - b)
  let area = 0
  for (const [at, from] of edges.entries()) {
    const to = edges[at + 1]
    if (to === undefined) break
    const here = boxes.filter(([left, , width]) => left <= from && to <= left + width)
    area += (to - from) * covered(here.map(([, top, , height]) => [top, top + height]))
  }
  return area / (SIDE * SIDE)
}

function covered(spans: [number, number][]): number {
  let reached = 0
  let sum = 0
  for (const [top, bottom] of spans.sort((a, b) => a[0] - b[0])) {
    sum += Math.max(0, bottom - Math.max(top, reached))
    reached = Math.max(reached, bottom)
  }
  return sum
}
