// What can be done with a post as a whole, and how far it is: what its head offers.
import { computed, type Ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ok } from '@/api/client'
import { titled } from '@/api/words'
import { offerUndo } from '@/parts/undo'
import { restorePost } from './discarded'
import { settled, useAct, type Sheet } from './sheet'
import { attempt } from '@/parts/problem'

/** Which of its channels wait for what. */
export function useStanding(sheet: Ref<Sheet | undefined>) {
  const some = (keep: (one: Sheet['adaptations'][number]) => unknown) =>
    computed(() => sheet.value?.adaptations.filter(keep) ?? [])
  const sealed = some((one) => one.sealed && !one.opened && one.stage !== 'out')
  return {
    sealed: computed(() => sealed.value.length > 0),
    /** A change is wanted, and it has to be unlocked for it. */
    blocked: computed(() => sheet.value?.stage === 'changes_wanted' && sealed.value.length > 0),
    opened: some((one) => one.opened),
    cleared: some((one) => one.stage === 'cleared'),
    released: some(
      (one) =>
        one.release &&
        ['released', 'held'].includes(one.stage) &&
        ['planned', 'by_hand'].includes(one.showing?.state ?? ''),
    ),
    /** When the first of them goes out. */
    firstAt: computed(
      () =>
        sheet.value?.adaptations
          .map((one) => one.at)
          .filter((at) => at != null)
          .sort()[0],
    ),
  }
}

/** @param gone what is done where the sheet lies over another page */
export function useSheetActs(
  path: { workspace: string; post: string },
  sheet: Ref<Sheet | undefined>,
  gone: () => void,
) {
  const route = useRoute()
  const router = useRouter()
  const params = { path }
  const takeBack = useAct<undefined>(path.post, () =>
    ok(api.POST('/api/w/{workspace}/posts/{post}/take-back', { params, body: {} })),
  )
  const release = useAct<undefined>(
    path.post,
    () => ok(api.POST('/api/w/{workspace}/posts/{post}/release', { params, body: {} })),
    () => offerUndo('Released; it goes out at its time.', () => settled(takeBack.mutateAsync(undefined))),
  )
  const close = useAct<string[]>(path.post, (ids) =>
    ok(api.POST('/api/w/{workspace}/posts/{post}/close', { params, body: { adaptation_ids: ids } })),
  )
  const ready = useAct<undefined>(path.post, () => ok(api.POST('/api/w/{workspace}/posts/{post}/ready', { params })))
  const discard = useAct<undefined>(
    path.post,
    () => ok(api.POST('/api/w/{workspace}/posts/{post}/discard', { params })),
    () => {
      offerUndo(`Discarded: ${titled(sheet.value?.subject ?? '')}.`, bringBack)
      if (route.name === 'post') void router.push({ name: 'posts', query: { client: path.workspace } })
      else gone()
    },
  )
  const bringBack = () =>
    attempt(async () => {
      await restorePost(path)
      await router.push({ name: 'post', params: path })
    })
  return { release, takeBack, close, ready, discard }
}
