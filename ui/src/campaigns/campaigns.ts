// Campaigns: what is fetched, what is kept, and a brief in HTML that holds nothing but text.
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import type { Ref } from 'vue'
import { api, ok, type Schemas, seen, type Change } from '@/api/client'
import { list } from '@/api/words'

export type Campaign = Schemas['Campaign']
export type CampaignPlan = Schemas['CampaignPlan']
export type Listed = Schemas['CampaignList']['campaigns'][number]
export type Mix = Schemas['Mix']

export function useCampaigns(workspace: Ref<string | undefined>) {
  return useQuery({
    queryKey: ['plan', workspace, 'campaigns'],
    queryFn: () => ok(api.GET('/api/campaigns', { params: { query: { workspace: workspace.value } } })),
  })
}

export function useCampaign(workspace: string, campaign: string) {
  return useQuery({
    queryKey: ['plan', workspace, 'campaign', campaign],
    queryFn: () =>
      ok(api.GET('/api/w/{workspace}/campaigns/{campaign}', { params: { path: { workspace, campaign } } })),
  })
}

/** @throws the problem, for the field that it names */
export function useSaving() {
  const queries = useQueryClient()
  return async function save(
    workspace: string,
    { version, ...plan }: Change<CampaignPlan>,
    campaign?: string,
  ): Promise<string> {
    const id = campaign
      ? await ok(
          api.PUT('/api/w/{workspace}/campaigns/{campaign}', {
            params: { path: { workspace, campaign }, header: seen(version) },
            body: plan,
          }),
        ).then(() => campaign)
      : (await ok(api.POST('/api/w/{workspace}/campaigns', { params: { path: { workspace } }, body: plan }))).id
    void queries.invalidateQueries({ queryKey: ['plan'] })
    void queries.invalidateQueries({ queryKey: ['plan-choices'] })
    return id
  }
}

/** How far a campaign is in its days, from 0 to 1; nothing before it begins and without a period. */
export function progress(one: { first: string | null; last: string | null }, today: string): number | undefined {
  if (!one.first || !one.last || today < one.first) return undefined
  const [from, to, at] = [one.first, one.last, today].map((day) => Date.parse(`${day}T00:00:00Z`)) as [
    number,
    number,
    number,
  ]
  return Math.min(1, (at - from + 86_400_000) / (to - from + 86_400_000))
}

/** What the mix lacks, in words: "add 2 of Service and 1 of A voice". */
export function advice(mix: Mix): string {
  if (!mix.wanted) return ''
  if (mix.total === 0) return 'No post to weigh yet.'
  if (mix.balanced) return `Balanced: no further than ${mix.tolerance} points from what is wanted.`
  if (!mix.reachable) return `${mix.distance} points away: more posts alone will not balance it.`
  const add = mix.rows.flatMap((row) =>
    row.more ? [`${row.more} ${row.label?.name ?? 'without a label of the mix'}`] : [],
  )
  return `${mix.distance} points away. To come within ${mix.tolerance}, add ${list(add)}.`
}
