// Begins the exchange of the pass before the page is there: on a slow line the page and what it asks come together.
let begun: { pass: string; reply: Promise<Response> } | undefined

const exchange = (pass: string) =>
  fetch('/api/review/exchange', {
    method: 'POST',
    credentials: 'same-origin',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ pass }),
  })

/** Called once, by the first lines of the page. */
export function begin(pass: string): void {
  if (pass === '' || pass.includes('=') || pass.startsWith('receipt.')) return
  const reply = exchange(pass)
  reply.catch(() => undefined) // whoever takes it hears of it
  begun = { pass, reply }
}

/** The exchange that is under way for this pass, else a new one. */
export function early(pass: string): Promise<Response> {
  const taken = begun?.pass === pass ? begun.reply : exchange(pass)
  begun = undefined
  return taken
}
