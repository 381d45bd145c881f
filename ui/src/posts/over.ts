// Where a limit falls in a text as it is being written.
import type { Schemas } from '@/api/client'

type Proof = Schemas['Proof']

/** From code points, as the core counts them, to the position in the browser's text. */
export function overFrom(text: string, points: number): number {
  let at = 0
  let left = points
  for (const point of text) {
    if (left <= 0) return at
    at += point.length
    left -= 1
  }
  return at
}

/** What of a text is over the limit of the strictest of its channels; nothing where all of it fits. */
export function overOf(proofs: { name: string; proof: Proof }[]): { from: number; says: string } | null {
  const over = proofs.filter(({ proof }) => proof.count > proof.limit)
  const first = over.sort((one, other) => one.proof.written - other.proof.written)[0]
  if (!first) return null
  return {
    from: first.proof.written,
    says: `Over the limit of ${first.name} from here: ${first.proof.count} of ${first.proof.limit}`,
  }
}
