// Parts of a channel's own are set back to the master's, one or all, with a way back to what they were.
import { message } from 'ant-design-vue'
import { ref } from 'vue'
import { api, ok, sentence, type Schemas } from '@/api/client'
import { offerUndo } from '@/parts/undo'
import { draftOf } from './part'
import { SAID } from './part-names'
import { weighed } from './planned'
import { settled, useAct, type Adaptation, type PartName } from './sheet'

type Own = [PartName, unknown][]

export function ownParts(one: Pick<Adaptation, 'parts'>): Own {
  return (Object.keys(one.parts) as PartName[])
    .filter((part) => one.parts[part].own)
    .map((part) => [part, one.parts[part].value])
}

/**
 * @param planned the master's time, which a channel that follows it again goes out at
 */
export function useFollow(
  where: { workspace: string; post: string },
  one: () => Adaptation,
  done: (parts: PartName[]) => void,
  planned: () => unknown = () => null,
) {
  const path = { workspace: where.workspace, post: where.post }
  const channel = () => one().channel

  const again = useAct<Own>(where.post, async (parts) => {
    for (const [part, value] of parts)
      await ok(
        api.PUT('/api/w/{workspace}/posts/{post}/parts/{part}', {
          params: { path: { ...path, part }, query: { channel: channel().id }, header: { 'If-Match': '"0"' } },
          body: { value: value as Schemas['PartValue'] },
        }),
      )
  })

  function followed(was: Own, words: string) {
    for (const [part] of was) draftOf({ post: where.post, channel: channel().id, part }).clear()
    done(was.map(([part]) => part))
    offerUndo(words, () => settled(again.mutateAsync(was)))
  }

  const follow = useAct<PartName, Own>(
    where.post,
    async (part) => {
      const { value, version } = one().parts[part]
      await ok(
        api.DELETE('/api/w/{workspace}/posts/{post}/parts/{part}', {
          params: { path: { ...path, part }, query: { channel: channel().id }, header: { 'If-Match': `"${version}"` } },
        }),
      )
      return [[part, value]]
    },
    (was, part) => followed(was, `${channel().name} follows the master’s ${SAID[part]} again.`),
  )
  const followAll = useAct<void, Own>(
    where.post,
    async () => {
      const was = ownParts(one())
      await ok(
        api.POST('/api/w/{workspace}/posts/{post}/follow-master', {
          params: { path },
          body: { channel_id: channel().id },
        }),
      )
      return was
    },
    (was) => followed(was, `${channel().name} follows the master again.`),
  )

  // Another time may cost a yes or a release: that is said first, and done on a word.
  const cost = ref<{ said: Schemas['MoveCost']; go: () => void }>()
  async function first(own: boolean, go: () => void) {
    cost.value = undefined
    if (!own) return go()
    try {
      const said = await weighed({ ...where, channel: channel().id }, planned())
      if (said.free) go()
      else cost.value = { said, go }
    } catch (problem) {
      void message.error(sentence(problem), 9)
    }
  }
  const sure = () => {
    cost.value?.go()
    cost.value = undefined
  }
  const leave = () => (cost.value = undefined)
  return {
    cost,
    sure,
    leave,
    follow: (part: PartName) => first(part === 'time', () => follow.mutate(part)),
    followAll: () => first(one().parts.time.own, () => followAll.mutate()),
  }
}
