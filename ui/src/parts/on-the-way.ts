// Whole pages are fetched when somebody goes there. Without a connection they wait for it, the page that is open says
// so, and they come by themselves; after the application was built anew its pages have other names, and the browser
// takes the address whole.
import { shallowRef } from 'vue'
import { connected } from './later'

type Asked = { title: string; address: string }

/** The page that is waited for, and where it is; null while nothing is. */
export const onTheWay = shallowRef<Asked | null>(null)
let going: Asked = { title: '', address: '/' }

/** Said before each navigation. Going somewhere else ends the wait. */
export function setOut(title: string, address: string) {
  going = { title, address }
  onTheWay.value = null
}

export type World = {
  wait: () => Promise<void>
  serverIsThere: () => Promise<boolean>
  open: (address: string) => void
}
const WORLD: World = { wait: connected, serverIsThere, open: (address) => location.assign(address) }

/** @param load fetches the page's code */
export function page<T>(load: () => Promise<T>, world: World = WORLD): () => Promise<T> {
  return async () => {
    const asked = going
    for (;;) {
      try {
        const found = await load()
        if (going === asked) onTheWay.value = null
        return found
      } catch (error) {
        if (going !== asked) throw error // they went somewhere else meanwhile
        if (await world.serverIsThere()) {
          world.open(asked.address)
          throw error
        }
        onTheWay.value = asked
        await world.wait()
        if (going !== asked) throw error // or stayed
      }
    }
  }
}

async function serverIsThere() {
  try {
    return (await fetch('/health', { cache: 'no-store', signal: AbortSignal.timeout(4_000) })).ok
  } catch {
    return false
  }
}
