// A client's ideas: what is fetched of them, and how one is told in a few words.
import { useInfiniteQuery, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { api, ok, type Schemas, seen, type Change } from '@/api/client'
import { calendarDay } from '@/api/time'

export type Idea = Schemas['Idea']
export type WholeIdea = Schemas['IdeaWhole']
export type Board = Schemas['IdeaBoard']
export type Group = Board['groups'][number]
export type Said = Schemas['IdeaSaid']
export type Look = Schemas['IdeaLook']
export type Order = 'newest' | 'worth' | 'due'

export interface Narrowed {
  state: string
  category: string
  words: string
  view: string
  order: string
}
export const NARROWED = ['state', 'category', 'words', 'view', 'order'] as const

export const LOOKS: Record<Look, string> = {
  open: 'Open',
  late: 'Late',
  made: 'Made into something',
  aside: 'Set aside',
  client: 'Given by the client',
}
export const ORDERS: Record<Order, string> = {
  newest: 'newest first',
  worth: 'best first',
  due: 'by their day',
}
export const STATUSES = { thought: 'a thought', ready: 'ready to be made', aside: 'set aside' } as const
/** What a vote says, 1 to 5. */
export const VOTES = ['no', 'hardly', 'maybe', 'yes', 'at once'] as const
const CAME = { hand: '', mail: 'by mail', client: 'from the client', feed: 'from a feed' } as const
export const came = (one: Pick<Idea, 'came'>) => CAME[one.came]

/** What the house thinks of it: "3.7 from 4 votes". */
export function rating(one: Pick<Idea, 'worth' | 'votes'>): string {
  return one.worth === null ? '' : `${one.worth.toFixed(1)} from ${one.votes === 1 ? 'one vote' : `${one.votes} votes`}`
}

/** Its day, and whether that is kept. */
export function timing(one: Pick<Idea, 'timing' | 'due_on' | 'planned'>): { words: string; loud: boolean } {
  const day = one.due_on ? calendarDay(one.due_on) : ''
  switch (one.timing) {
    case 'late':
      return { words: `late since ${day}`, loud: true }
    case 'after':
      return { words: `planned after ${day}`, loud: true }
    case 'in_time':
      return { words: `in time for ${day}`, loud: false }
    case 'soon':
    case 'ahead':
      return { words: `by ${day}`, loud: false }
    default:
      return { words: '', loud: false }
  }
}

/** What has become of it, where that is to be known. */
export function became(one: Pick<Idea, 'state' | 'planned'>): string {
  const day = one.planned ? ` ${calendarDay(one.planned)}` : ''
  if (one.state === 'out') return `out${day}`
  if (one.state === 'post') return day ? `post,${day}` : 'post'
  if (one.state === 'pencilled') return `pencilled,${day}`
  if (one.state === 'aside') return 'set aside'
  return one.state === 'ready' ? 'ready' : ''
}

const query = (narrowed: Narrowed) => ({
  state: (narrowed.state || undefined) as Look | undefined,
  category: narrowed.category || undefined,
  words: narrowed.words || undefined,
})

export function useBoard(workspace: Ref<string | undefined>, narrowed: Ref<Narrowed>) {
  const filter = computed(() => query(narrowed.value))
  return useQuery({
    queryKey: ['ideas', workspace, 'board', filter],
    queryFn: () =>
      ok(
        api.GET('/api/w/{workspace}/ideas/board', {
          params: { path: { workspace: workspace.value! }, query: filter.value },
        }),
      ),
    enabled: computed(() => !!workspace.value),
  })
}

export function useIdeas(workspace: Ref<string | undefined>, narrowed: Ref<Narrowed>, on: Ref<boolean>) {
  const filter = computed(() => ({ ...query(narrowed.value), order: (narrowed.value.order || 'newest') as Order }))
  return useInfiniteQuery({
    queryKey: ['ideas', workspace, 'list', filter],
    queryFn: ({ pageParam }) =>
      ok(
        api.GET('/api/w/{workspace}/ideas', {
          params: { path: { workspace: workspace.value! }, query: { ...filter.value, after: pageParam } },
        }),
      ),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (last) => last.next ?? undefined,
    enabled: computed(() => on.value && !!workspace.value),
  })
}

/** The ideas of a group that come after those that the board holds. */
export function fetchMore(workspace: string, group: Group, narrowed: Narrowed, after: string) {
  return ok(
    api.GET('/api/w/{workspace}/ideas', {
      params: {
        path: { workspace },
        query: { ...query(narrowed), group: group.id ?? 'none', order: 'place', after },
      },
    }),
  )
}

export function useIdea(workspace: Ref<string>, idea: Ref<string>) {
  return useQuery({
    queryKey: ['ideas', workspace, 'one', idea],
    queryFn: () =>
      ok(
        api.GET('/api/w/{workspace}/ideas/{idea}', {
          params: { path: { workspace: workspace.value, idea: idea.value } },
        }),
      ),
  })
}

/** What can be done with an idea; each has the lists fetched again. */
export function useActs(workspace: Ref<string | undefined>) {
  const queries = useQueryClient()
  const path = (idea: string) => ({ params: { path: { workspace: workspace.value!, idea } } })
  async function then<T>(call: Promise<T>): Promise<T> {
    try {
      return await call
    } finally {
      void queries.invalidateQueries({ queryKey: ['ideas', workspace.value] })
    }
  }
  return {
    keep: (said: Said) =>
      then(ok(api.POST('/api/w/{workspace}/ideas', { params: { path: { workspace: workspace.value! } }, body: said }))),
    change: (idea: string, { version, ...body }: Change<Said>) => {
      const params = { ...path(idea).params, header: seen(version) }
      return then(ok(api.PATCH('/api/w/{workspace}/ideas/{idea}', { params, body })))
    },
    place: (idea: string, group: string | null, before: string | null) =>
      then(ok(api.PUT('/api/w/{workspace}/ideas/{idea}/place', { ...path(idea), body: { group_id: group, before } }))),
    vote: (idea: string, worth: number | null) =>
      then(ok(api.PUT('/api/w/{workspace}/ideas/{idea}/vote', { ...path(idea), body: { worth } }))),
    drop: (idea: string) => then(ok(api.DELETE('/api/w/{workspace}/ideas/{idea}', path(idea)))),
    again: (idea: string) => then(ok(api.POST('/api/w/{workspace}/ideas/{idea}/again', path(idea)))),
    post: (idea: string) => then(ok(api.POST('/api/w/{workspace}/ideas/{idea}/post', path(idea)))),
    mark: (idea: string, at: { day: string; channel_id: string | null; clock: string | null }) =>
      then(ok(api.POST('/api/w/{workspace}/ideas/{idea}/mark', { ...path(idea), body: at }))),
    back: (idea: string) => then(ok(api.POST('/api/w/{workspace}/ideas/{idea}/back', path(idea)))),
    name: (name: string, group?: string) => {
      const here = { workspace: workspace.value! }
      return then<unknown>(
        group
          ? ok(
              api.PATCH('/api/w/{workspace}/idea-groups/{group}', {
                params: { path: { ...here, group } },
                body: { name },
              }),
            )
          : ok(api.POST('/api/w/{workspace}/idea-groups', { params: { path: here }, body: { name } })),
      )
    },
    order: (groups: string[]) =>
      then(
        ok(
          api.PUT('/api/w/{workspace}/idea-groups', {
            params: { path: { workspace: workspace.value! } },
            body: { group_ids: groups },
          }),
        ),
      ),
    dissolve: (group: string) =>
      then(
        ok(
          api.DELETE('/api/w/{workspace}/idea-groups/{group}', {
            params: { path: { workspace: workspace.value!, group } },
          }),
        ),
      ),
  }
}

/** A board in which an idea stands elsewhere: shown before the server has said so. */
export function placed(board: Board, idea: string, group: string | null, before: string | null): Board {
  const moved = board.groups.flatMap((one) => one.first).find((one) => one.id === idea)
  if (!moved) return board
  const groups = board.groups.map((one) => {
    const left = one.first.filter((each) => each.id !== idea)
    const count = one.ideas - (one.first.length - left.length)
    if (one.id !== group) return { ...one, first: left, ideas: count }
    const at = before === null ? left.length : left.findIndex((each) => each.id === before)
    left.splice(at < 0 ? left.length : at, 0, { ...moved, group_id: group })
    return { ...one, first: left, ideas: count + 1 }
  })
  return { ...board, groups }
}

/** Where an idea goes by one step of an arrow, or nothing where there is no way on. */
export function step(
  groups: Group[],
  idea: string,
  key: 'ArrowUp' | 'ArrowDown' | 'ArrowLeft' | 'ArrowRight',
): { group: string | null; before: string | null } | undefined {
  const column = groups.findIndex((one) => one.first.some((each) => each.id === idea))
  if (column < 0) return undefined
  const ids = groups[column]!.first.map((one) => one.id)
  const row = ids.indexOf(idea)
  if (key === 'ArrowUp') return row === 0 ? undefined : { group: groups[column]!.id, before: ids[row - 1]! }
  if (key === 'ArrowDown')
    return row === ids.length - 1 ? undefined : { group: groups[column]!.id, before: ids[row + 2] ?? null }
  const next = groups[column + (key === 'ArrowLeft' ? -1 : 1)]
  return next && { group: next.id, before: next.first[row]?.id ?? null }
}
