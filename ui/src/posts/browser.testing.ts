// What the tests of parts being written stand on: a browser's memory and clock, and an API whose refusals are problems.
import { vi } from 'vitest'
import { draftsOf } from '@/parts/drafts'

export const store = new Map<string, string>()

export class ProblemError extends Error {
  constructor(readonly problem: Record<string, unknown>) {
    super(String(problem.detail))
  }
}

/** In place of `@/api/client`. */
export function clientOf(api: Record<string, unknown>) {
  return {
    isProblem: (error: unknown) => error instanceof ProblemError,
    sentence: (error: unknown) => (error instanceof ProblemError ? String(error.problem.detail) : 'offline'),
    ok: (call: Promise<unknown>) => call,
    api,
  }
}

draftsOf('ines')
vi.stubGlobal('sessionStorage', { getItem: () => 'tab-1', setItem: () => undefined })
/** Where the draft of one part lies. */
export const draftKey = (name: string) => `draft:ines:tab-1:${name}`
vi.stubGlobal('localStorage', {
  getItem: (key: string) => store.get(key) ?? null,
  setItem: (key: string, value: string) => store.set(key, value),
  removeItem: (key: string) => store.delete(key),
})
vi.stubGlobal('window', {
  setTimeout: (act: () => void, wait: number) => setTimeout(act, wait),
  clearTimeout: (id: number) => clearTimeout(id),
  addEventListener: () => undefined,
  removeEventListener: () => undefined,
})
