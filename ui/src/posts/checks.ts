// What the checks say of a part as it is being typed: asked of the same core as everything else, the latest question
// only.
import { inject, provide, reactive, ref, watch, type InjectionKey, type Ref } from 'vue'
import { api, ok, type Schemas } from '@/api/client'
import type { Adaptation, PartName, Sheet } from './sheet'

type Proof = Schemas['Proof']
type Finding = Schemas['Finding']
export interface Checks {
  /** The proof of an adaptation: as typed where something is being typed, else as saved. */
  of: (one: Adaptation) => Proof
  count: Ref<number | undefined>
  ask: (part: PartName, channel: string | undefined, value: unknown) => void
}

const PAUSE = 140
const KEY: InjectionKey<Checks> = Symbol('checks')

export function provideChecks(where: { workspace: string; post: string }, sheet: Ref<Sheet | undefined>): Checks {
  const typed = reactive(new Map<string, Proof>())
  const count = ref<number>()
  let timer: number | undefined
  let under: AbortController | undefined

  // What is saved is what counts from then on. What other posts say around this one is known only there.
  watch(sheet, () => {
    under?.abort()
    typed.clear()
    count.value = undefined
  })

  function ask(part: PartName, channel: string | undefined, value: unknown) {
    window.clearTimeout(timer)
    timer = window.setTimeout(() => void look(part, channel, value), PAUSE)
  }

  async function look(part: PartName, channel: string | undefined, value: unknown) {
    under?.abort()
    under = new AbortController()
    try {
      const said = await ok(
        api.POST('/api/w/{workspace}/posts/{post}/check', {
          params: { path: where },
          body: { part, channel: channel ?? null, value: value as never },
          signal: under.signal,
        }),
      )
      for (const one of said.adaptations)
        typed.set(one.id, {
          ...one.proof,
          checks: [...one.proof.checks.map((check) => proposed(one.id, check)), ...around(one.id)],
        })
      count.value = said.master.count
    } catch {
      // the save that follows says what is wrong; a question that was overtaken needs no answer
    }
  }
  const saved = (id: string) => sheet.value?.adaptations.find((one) => one.id === id)?.proof.checks ?? []
  function around(id: string) {
    return saved(id).filter((check) => ['flooding_nearby', 'repeat', 'clash'].includes(check.code))
  }
  // the times that are proposed for a flood hang on other posts too
  function proposed(id: string, check: Finding): Finding {
    return check.code === 'flooding' ? (saved(id).find((one) => one.sentence === check.sentence) ?? check) : check
  }

  const checks: Checks = { of: (one) => typed.get(one.id) ?? one.proof, count, ask }
  provide(KEY, checks)
  return checks
}

export function useChecks(): Checks {
  return inject(KEY)!
}
