// What of a proof's words is selected: with what stands around it, so that it is found again. Each run of the text says
// with `data-from` at which character it begins; what stands between them is none of it.
export interface Selected {
  exact: string
  prefix: string
  suffix: string
}
const AROUND = 32
export function selectedIn(root: HTMLElement, text: string): Selected | undefined {
  const selection = window.getSelection()
  if (!selection || selection.isCollapsed || selection.rangeCount === 0) return undefined
  const range = selection.getRangeAt(0)
  if (!root.contains(range.startContainer) || !root.contains(range.endContainer)) return undefined
  const from = pointOf(range.startContainer, range.startOffset)
  const to = pointOf(range.endContainer, range.endOffset)
  if (from === undefined || to === undefined || to <= from) return undefined
  const points = Array.from(text)
  const exact = points.slice(from, to).join('')
  if (exact.trim() === '') return undefined
  return {
    exact,
    prefix: points.slice(Math.max(0, from - AROUND), from).join(''),
    suffix: points.slice(to, to + AROUND).join(''),
  }
}
// The character of the text that a place in the page stands for: each run says where it begins.
function pointOf(node: Node, offset: number): number | undefined {
  const run = (node instanceof Element ? node : node.parentElement)?.closest<HTMLElement>('[data-from]')
  if (!run) return undefined
  const before = document.createRange()
  before.setStart(run, 0)
  before.setEnd(node, offset)
  return Number(run.dataset.from) + Array.from(before.toString()).length
}
