// People and firms that posts are made with: what is fetched of them, and how one is told in a few words.
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { api, ok, type Schemas, seen, type Change } from '@/api/client'
import { calendarDay } from '@/api/time'

export type Partner = Schemas['Partner']
export type WholePartner = Schemas['PartnerWhole']
export type PartnerSaid = Schemas['PartnerSaid']
export type Status = Partner['status']

export const STATUSES: Record<Status, string> = {
  talked: 'talked',
  agreed: 'agreed',
  delivered: 'delivered',
  out: 'out',
  ended: 'ended',
}

/** Those that hold every word that was typed, in a place of theirs. */
export function found(all: Partner[], typed: string, status: string): Partner[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean)
  const text = (one: Partner) =>
    [one.name, one.contact, one.codes, one.note, one.came, one.link].filter(Boolean).join(' ').toLowerCase()
  return all.filter(
    (one) => (status === '' || one.status === status) && words.every((word) => text(one).includes(word)),
  )
}

/** Until when something is to be there, and whether that is over. */
export function owing(one: Pick<Partner, 'due_on' | 'late' | 'status'>): { words: string; loud: boolean } {
  if (!one.due_on) return { words: '', loud: false }
  const day = calendarDay(one.due_on)
  if (one.late) return { words: `late since ${day}`, loud: true }
  return { words: one.status === 'talked' || one.status === 'agreed' ? `by ${day}` : day, loud: false }
}

export function usePartners(workspace: Ref<string | undefined>) {
  return useQuery({
    queryKey: ['partners', workspace],
    queryFn: () => ok(api.GET('/api/w/{workspace}/partners', { params: { path: { workspace: workspace.value! } } })),
    enabled: computed(() => !!workspace.value),
  })
}

export function usePartner(workspace: Ref<string>, partner: Ref<string>) {
  return useQuery({
    queryKey: ['partners', workspace, 'one', partner],
    queryFn: () =>
      ok(
        api.GET('/api/w/{workspace}/partners/{partner}', {
          params: { path: { workspace: workspace.value, partner: partner.value } },
        }),
      ),
  })
}

/** What can be done with a partner; each has the lists fetched again. */
export function usePartnerActs(workspace: Ref<string | undefined>) {
  const queries = useQueryClient()
  const path = (partner: string) => ({ params: { path: { workspace: workspace.value!, partner } } })
  async function then<T>(call: Promise<T>): Promise<T> {
    try {
      return await call
    } finally {
      void queries.invalidateQueries({ queryKey: ['partners', workspace.value] })
    }
  }
  return {
    keep: (body: PartnerSaid) =>
      then(ok(api.POST('/api/w/{workspace}/partners', { params: { path: { workspace: workspace.value! } }, body }))),
    change: (partner: string, { version, ...body }: Change<PartnerSaid>) => {
      const params = { ...path(partner).params, header: seen(version) }
      return then(ok(api.PATCH('/api/w/{workspace}/partners/{partner}', { params, body })))
    },
    drop: (partner: string) => then(ok(api.DELETE('/api/w/{workspace}/partners/{partner}', path(partner)))),
    again: (partner: string) => then(ok(api.POST('/api/w/{workspace}/partners/{partner}/again', path(partner)))),
    merge: (partner: string, into: string) =>
      then(ok(api.POST('/api/w/{workspace}/partners/{partner}/merge', { ...path(partner), body: { into } }))),
    tie: (partner: string, body: { post_ids?: string[]; idea_ids?: string[] }) =>
      then(ok(api.PUT('/api/w/{workspace}/partners/{partner}/ties', { ...path(partner), body }))),
    takeOff: (partner: string, file: string) =>
      then(
        ok(
          api.DELETE('/api/w/{workspace}/partners/{partner}/files/{partner_file}', {
            params: { path: { workspace: workspace.value!, partner, partner_file: file } },
          }),
        ),
      ),
  }
}
