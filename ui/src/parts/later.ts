// Parts of a page that are fetched when they are wanted. Without a connection they wait for it, and come when it is back.
import { defineAsyncComponent, type AsyncComponentLoader, type Component } from 'vue'

const AGAIN = 4_000

/** @param wait gives the moment at which it is worth another try */
export function later<T extends Component>(load: AsyncComponentLoader<T>, wait: () => Promise<void> = connected): T {
  return defineAsyncComponent<T>({
    loader: load,
    delay: 0,
    onError: (_error: Error, retry: () => void) => void wait().then(retry),
  } as Parameters<typeof defineAsyncComponent<T>>[0])
}

/** When there is a connection again, or a while has passed: a server may be away while the line is there. */
export function connected(): Promise<void> {
  return new Promise((done) => {
    const timer = setTimeout(go, AGAIN)
    window.addEventListener('online', go, { once: true })
    function go() {
      clearTimeout(timer)
      window.removeEventListener('online', go)
      done()
    }
  })
}
