// Where a client's ideas come from by themselves: what is fetched of its feeds, and how one is told in a few words.
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { api, ok, type Schemas, seen, type Change } from '@/api/client'
import { brief } from '@/api/time'
import { counted } from '@/api/words'

export type Feed = Schemas['IdeaFeed']
export type Rule = Feed['rule']
export type FeedSaid = Schemas['IdeaFeedSaid']

export const SAYS: Record<Feed['state'], string> = {
  new: 'It is being read for the first time.',
  fine: 'It answers.',
  private: 'The address leads to a private network, so nothing is fetched from there.',
  silent: 'It does not answer',
  broken: 'It cannot be read',
  refused: 'It may not be read',
  gone: 'It is gone, so it is paused',
  harmful: 'It could not be read to its end, so it is paused',
  nobody: 'Nothing comes in',
}

/** How it is, in one sentence. */
export function health(one: Feed, now: string): { words: string; loud: boolean } {
  if (one.state === 'fine') {
    const read = one.read_at ? `read ${brief(one.read_at, now)}` : 'not read yet'
    if (one.paused) return { words: `paused; ${read}`, loud: false }
    return { words: one.begun ? `${read}, again ${brief(one.next_at, now)}` : `${read}; not begun yet`, loud: false }
  }
  const said = one.said && !one.said.endsWith('.') ? `${one.said}.` : one.said
  const words = SAYS[one.state]
  const whole = said && !words.endsWith('.') ? `${words}: ${said}` : words.endsWith('.') ? words : `${words}.`
  if (one.state === 'new' || one.paused) return { words: whole, loud: one.state === 'gone' || one.state === 'harmful' }
  return { words: `${whole} Tried again ${brief(one.next_at, now)}.`, loud: true }
}

/** What has come of it: "3 ideas, 2 passed over". */
export function came(one: Feed): string {
  const { idea = 0, draft = 0, passed = 0 } = one.counts
  return [
    idea > 0 ? counted(idea, 'idea', 'ideas') : '',
    draft > 0 ? counted(draft, 'draft', 'drafts') : '',
    passed > 0 ? `${passed} passed over` : '',
  ]
    .filter(Boolean)
    .join(', ')
}

/** Words of a rule as they are typed: "fog, winter". */
export const typed = (words: string[]) => words.join(', ')
export const words = (text: string) =>
  text
    .split(',')
    .map((one) => one.trim())
    .filter(Boolean)

export function useFeeds(workspace: Ref<string | undefined>) {
  return useQuery({
    queryKey: ['ideas', workspace, 'feeds'],
    queryFn: () => ok(api.GET('/api/w/{workspace}/feeds', { params: { path: { workspace: workspace.value! } } })),
    enabled: computed(() => !!workspace.value),
    // the dispatcher reads a new one within moments, and says so; should that be lost, it is looked again
    refetchInterval: (query) => (query.state.data?.feeds.some((one) => one.state === 'new') ? 3_000 : false),
  })
}

export function useFeedActs(workspace: Ref<string>) {
  const queries = useQueryClient()
  const then = async <T>(call: Promise<T>) => {
    const done = await call
    await queries.invalidateQueries({ queryKey: ['ideas', workspace.value] })
    return done
  }
  const path = (feed: string) => ({ params: { path: { workspace: workspace.value, feed } } })
  return {
    add: (body: FeedSaid) =>
      then(ok(api.POST('/api/w/{workspace}/feeds', { params: { path: { workspace: workspace.value } }, body }))),
    change: (feed: string, { version, ...body }: Change<FeedSaid>) => {
      const params = { ...path(feed).params, header: seen(version) }
      return then(ok(api.PATCH('/api/w/{workspace}/feeds/{feed}', { params, body })))
    },
    drop: (feed: string) => then(ok(api.DELETE('/api/w/{workspace}/feeds/{feed}', path(feed)))),
    look: (feed: string, rule: Rule) =>
      ok(api.POST('/api/w/{workspace}/feeds/{feed}/try', { ...path(feed), body: { rule } })),
  }
}
