// Arrows walk the rows of a page (whatever carries data-row); Enter opens, as links and buttons do.
export function walkRows(step: number): void {
  const rows = Array.from(document.querySelectorAll<HTMLElement>('[data-row]'))
  const next = rows.indexOf(document.activeElement as HTMLElement) + step
  rows[Math.min(Math.max(next, 0), rows.length - 1)]?.focus()
}
