// The post that is opened over the plan: in the address, so that it can be sent, and the way back closes it.
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'

const POST = /^\/w\/([0-9a-f-]{36})\/posts\/([0-9a-f-]{36})$/
const OPEN = /^([0-9a-f-]{36})\.([0-9a-f-]{36})$/

export function useOpening() {
  const route = useRoute()
  const router = useRouter()
  const open = computed(() => {
    const [, workspace, post] = OPEN.exec(String(route.query.post ?? '')) ?? []
    return workspace && post ? { workspace, post } : undefined
  })
  let ours = false

  /** A plain click on a link to a post opens it here; with a key held it goes where links go. */
  function clicked(event: MouseEvent) {
    if (event.defaultPrevented || event.button !== 0) return
    if (event.ctrlKey || event.metaKey || event.shiftKey || event.altKey) return
    const link = event.target instanceof Element ? event.target.closest('a') : null
    const [, workspace, post] = POST.exec(link?.getAttribute('href') ?? '') ?? []
    if (!workspace || !post) return
    event.preventDefault()
    // a browser that does not focus a link when it is pressed
    link?.focus({ preventScroll: true })
    ours = true
    void router.push({ query: { ...route.query, post: `${workspace}.${post}` } })
  }
  function close() {
    if (ours) router.back()
    else void router.replace({ query: { ...route.query, post: undefined } })
    ours = false
  }
  return { open, clicked, close }
}
