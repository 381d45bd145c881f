// The cut of a framed picture as the core makes it (core/media/framing.rb), to be shown while it is being moved.
export interface Frame {
  focus?: number[] | null
  shape?: number[] | null
  zoom?: number | null
}

/** @returns left, top, width, height in pixels of the picture */
export function cutOf(width: number, height: number, frame: Frame): [number, number, number, number] {
  let [w, h] = [width, height]
  if (frame.shape) {
    const [a, b] = frame.shape as [number, number]
    if (width * b < height * a) h = Math.max(1, Math.floor((width * b) / a))
    else if (width * b > height * a) w = Math.max(1, Math.floor((height * a) / b))
  }
  const zoom = frame.zoom ?? 100
  const near = (side: number) => Math.max(1, Math.floor((side * 100) / zoom))
  ;[w, h] = [near(w), near(h)]
  const [x, y] = (frame.focus ?? [500, 500]) as [number, number]
  const place = (at: number, side: number, size: number) =>
    Math.min(side - size, Math.max(0, Math.floor((at * side) / 1000 - size / 2)))
  return [place(x, width, w), place(y, height, h), w, h]
}
