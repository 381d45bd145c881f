// Posts that were begun and not written on yet: there is nothing of them on the server, and nothing is left of one that
// nobody touched. The first thing that is written makes the post, once, and goes on then.
const unmade = new Map<string, Promise<boolean> | undefined>()

export function begun(post: string): void {
  if (!unmade.has(post)) unmade.set(post, undefined)
}
export function isUnmade(post: string): boolean {
  return unmade.has(post)
}

const OF_POST = /^\/api\/w\/([^/]+)\/posts\/([^/]+)\/(.+)$/

/**
 * What a request about such a post needs first.
 * @param make makes the post of a workspace; gives whether it is there now
 * @returns a reply, where nothing needs to be asked: that somebody is there is of no interest before there is a post
 */
export async function madeFirst(
  request: Request,
  make: (workspace: string, post: string) => Promise<boolean>,
): Promise<Response | undefined> {
  const [, workspace, post, what] = OF_POST.exec(new URL(request.url).pathname) ?? []
  if (!workspace || !post || request.method === 'GET' || !unmade.has(post)) return undefined
  if (what === 'here') return new Response(null, { status: 204 })
  const making = unmade.get(post) ?? make(workspace, post)
  unmade.set(post, making)
  try {
    if (await making) unmade.delete(post)
    else unmade.set(post, undefined)
  } catch (error) {
    unmade.set(post, undefined)
    throw error
  }
  return undefined
}
