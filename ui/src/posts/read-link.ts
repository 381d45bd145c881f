// What the page of a link says of itself. The server has it read beside everything else, and tells when it is there.
import { api, ok } from '@/api/client'
import { hear } from '@/live/live'

export interface Page {
  title: string
  words: string
  media_id: string | null
}
const PATIENCE = 30_000
const LOOK_AGAIN = 4_000 // should the word that it is there be lost

/** Rejects with the server's problem, or with an Error when nothing came in time. */
export async function readLink(workspace: string, address: string): Promise<Page> {
  let wake = () => {}
  const told = new Set<string>()
  const stop = hear((message) => {
    if (message.what !== 'link_read' || !message.reading) return
    told.add(message.reading)
    wake()
  })
  try {
    const { id } = await ok(
      api.POST('/api/w/{workspace}/link-readings', {
        params: { path: { workspace } },
        body: { address, picture: true },
      }),
    )
    const until = Date.now() + PATIENCE
    while (Date.now() < until) {
      if (!told.has(id))
        await Promise.race([
          new Promise<void>((done) => (wake = done)),
          new Promise((done) => setTimeout(done, LOOK_AGAIN)),
        ])
      told.delete(id)
      const { page } = await ok(
        api.GET('/api/w/{workspace}/link-readings/{reading}', { params: { path: { workspace, reading: id } } }),
      )
      if (page) return page
    }
    throw new Error('The page was not read in time. Write the card by hand, or try again later.')
  } finally {
    stop()
  }
}
