// Signing in: password, then the second factor where there is one.
import type { QueryClient } from '@tanstack/vue-query'
import { ProblemError, type Problem } from '@/api/client'
import { draftsOf } from '@/parts/drafts'

export async function auth<T = Record<string, unknown>>(path: string, body: object = {}): Promise<T> {
  const reply = await fetch(`/api/auth/${path}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', Accept: 'application/json' },
    body: JSON.stringify(body),
  })
  const read = (await reply.json().catch(() => ({}))) as T
  if (reply.ok) return read
  const problem = read as Partial<Problem>
  throw new ProblemError({
    type: 'about:blank',
    title: '',
    status: reply.status,
    code: problem.code ?? 'unknown',
    detail: problem.detail ?? 'The server cannot be reached.',
    field: problem.field,
    way_on: problem.way_on,
  })
}

/** Whoever was here before is not here now: nothing of theirs is shown or sent. */
export function startAnew(queries: QueryClient): void {
  queries.clear()
  draftsOf('')
}

/** Signs in with a password. Gives what was wrong, or nothing. */
export async function signInWith(email: string, password: string): Promise<Error | undefined> {
  try {
    await auth('login', { email, password })
    return undefined
  } catch (problem) {
    return problem as Error
  }
}
