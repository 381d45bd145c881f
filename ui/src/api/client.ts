// The one door to the API. Types come from its OpenAPI description; every failure becomes a Problem.
import createClient from 'openapi-fetch'
import { whoWrites } from '@/parts/drafts'
import { madeFirst } from './fresh'
import type { components, paths } from './schema'

export type Schemas = components['schemas']
export type Problem = Schemas['Problem']

export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail)
  }
}

export function isProblem(error: unknown): error is ProblemError {
  return error instanceof ProblemError
}

const said = (error: ProblemError) => [error.problem.detail, error.problem.way_on].filter(Boolean).join(' ')

/** What a person reads when something that they did was refused or did not arrive. */
export function sentence(error: unknown): string {
  return isProblem(error) ? said(error) : 'There is no connection, so that was not done. Do it again when it is back.'
}

/** The same of something that a page fetches: what did not arrive is fetched again by itself (see main.ts). */
export function unread(error: unknown): string {
  return isProblem(error) ? said(error) : 'This cannot be fetched at the moment: there is no connection. Trying again.'
}

/** The version that a writer saw, as it is sent along with every change. */
export const seen = (version: number) => ({ 'If-Match': `"${version}"` })
/** What is changed, with the version that its writer saw. */
export type Change<T> = T & { version: number }

export const api = createClient<paths>({ baseUrl: '', credentials: 'same-origin' })

api.use({
  async onRequest({ request }) {
    if (request.method === 'POST' && !request.headers.has('Idempotency-Key'))
      request.headers.set('Idempotency-Key', crypto.randomUUID())
    // whose words these are: another tab may have signed somebody else in meanwhile
    if (request.method !== 'GET' && whoWrites()) request.headers.set('As-Person', whoWrites())
    return (await madeFirst(request, makePost)) ?? request
  },
})

async function makePost(workspace: string, id: string): Promise<boolean> {
  const made = await api.POST('/api/w/{workspace}/posts', { params: { path: { workspace } }, body: { id } })
  return made.response.ok
}

/** Gives the data or throws the problem. */
export async function ok<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  const { data, error, response } = await call
  if (response.ok) return data as T
  const problem = (error ?? {}) as Partial<Problem>
  if (response.status === 401 && problem.code === 'signed_out') signedOut('password')
  if (response.status === 401 && problem.code === 'second_factor') signedOut('code')
  if (response.status === 403 && problem.code === 'second_factor_required') signedOut('set-up')
  throw new ProblemError({
    type: 'about:blank',
    title: problem.title ?? 'Refused',
    status: response.status,
    code: problem.code ?? 'unknown',
    detail: problem.detail ?? `The server answered with ${response.status}.`,
    field: problem.field,
    way_on: problem.way_on,
    facts: problem.facts,
  })
}

/** What is missing: the password, the second factor's code, or a second factor at all. */
export type Missing = 'password' | 'code' | 'set-up'
let onSignedOut: (missing: Missing) => void = () => undefined
export function whenSignedOut(act: (missing: Missing) => void): void {
  onSignedOut = act
}
function signedOut(missing: Missing): void {
  onSignedOut(missing)
}
