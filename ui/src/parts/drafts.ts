// What is being typed, kept in this browser until it is sent. A draft belongs to a person and to a tab: the next one
// to sign in never sends somebody else's words as their own, and one tab's saving does not take away what another one
// still holds. What a tab that is closed has left goes to the next one that the same person opens.

const TAB = 'tab'
let person = ''

/** Known before any page stands that could ask for a draft (see main.ts). */
export function draftsOf(id: string): void {
  person = id
}
export const draftsKnown = () => person !== ''
export const whoWrites = () => person

/** One tab's name, through its reloads. */
function tab(): string {
  const there = sessionStorage.getItem(TAB)
  if (there) return there
  const made = crypto.randomUUID()
  sessionStorage.setItem(TAB, made)
  return made
}

const under = (whose: string, name: string) => `draft:${person}:${whose}:${name}`

export interface Draft {
  read(): string | null
  write(text: string): void
  clear(): void
}

/** @param name what is being written, such as `talk:POST:client` */
export function draft(name: string): Draft {
  const key = under(tab(), name)
  return {
    read: () => localStorage.getItem(key),
    write: (text) => localStorage.setItem(key, text),
    clear: () => localStorage.removeItem(key),
  }
}

/**
 * Takes over what this person's tabs that are closed have left. What this tab writes itself stays.
 * @param living names of the tabs that are open
 */
export function adopt(living: string[]): void {
  const mine = tab()
  const head = `draft:${person}:`
  for (const key of Object.keys(localStorage).filter((one) => one.startsWith(head))) {
    const [whose = '', ...rest] = key.slice(head.length).split(':')
    if (whose === mine || living.includes(whose)) continue
    const own = under(mine, rest.join(':'))
    if (localStorage.getItem(own) !== null) continue
    localStorage.setItem(own, localStorage.getItem(key) ?? '')
    localStorage.removeItem(key)
  }
}

/** Says to the other tabs that this one is open, for as long as it is, and hears of them. */
export async function openTabs(): Promise<string[]> {
  // a browser without locks: drafts of other open tabs are then taken over too, which is no loss
  if (!('locks' in navigator)) return []
  await new Promise<void>((held) => {
    void navigator.locks.request(`tab:${tab()}`, { ifAvailable: true }, (lock) => {
      // a tab that was doubled has the name of the other one: it gets a name of its own
      if (lock === null) sessionStorage.removeItem(TAB)
      held()
      return lock === null ? undefined : new Promise(() => undefined)
    })
  })
  if (sessionStorage.getItem(TAB) === null)
    void navigator.locks.request(`tab:${tab()}`, () => new Promise(() => undefined))
  const { held = [] } = await navigator.locks.query()
  return held.map((lock) => lock.name ?? '').flatMap((name) => (name.startsWith('tab:') ? [name.slice(4)] : []))
}
