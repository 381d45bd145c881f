// Who else is on this post, and which part they have under their hands. Said every few seconds; who stops saying it
// is gone.
import { computed, inject, onBeforeUnmount, provide, reactive, ref, type ComputedRef, type InjectionKey } from 'vue'
import { useIntervalFn } from '@vueuse/core'
import { api } from '@/api/client'
import { hear } from '@/live/live'
import type { PartName } from './sheet'

const EVERY = 15_000
const GONE = 40_000

export interface Other {
  name: string
  part?: string | null
  channel?: string | null
  at: number
}
export interface Here {
  others: ComputedRef<Other[]>
  at: (part: PartName, channel?: string) => string
  say: (part?: PartName, channel?: string) => void
}
const KEY: InjectionKey<Here> = Symbol('here')

export function provideHere(where: { workspace: string; post: string }, me: () => string | undefined): Here {
  const known = reactive(new Map<string, Other>())
  const now = ref(Date.now())
  let mine: { part?: PartName; channel?: string } = {}

  const stop = hear((message) => {
    if (message.what !== 'here' || message.post !== where.post || !message.person || message.person === me()) return
    const fresh = !known.has(message.person)
    if (message.leaving) known.delete(message.person)
    else
      known.set(message.person, {
        name: message.name ?? 'Somebody',
        part: message.part,
        channel: message.channel,
        at: Date.now(),
      })
    if (fresh && !message.leaving) tell() // so that whoever comes sees who is there
  })
  function tell(leaving = false) {
    if (document.hidden && !leaving) return
    void api
      .POST('/api/w/{workspace}/posts/{post}/here', {
        params: { path: where },
        body: { part: mine.part ?? null, channel: mine.channel ?? null, leaving },
      })
      .catch(() => undefined)
  }
  useIntervalFn(() => {
    now.value = Date.now()
    tell()
  }, EVERY)
  tell()
  // a closed tab says so too, as long as the browser lets it
  const closed = () =>
    void fetch(`/api/w/${where.workspace}/posts/${where.post}/here`, {
      method: 'POST',
      keepalive: true,
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ leaving: true }),
    }).catch(() => undefined)
  window.addEventListener('pagehide', closed)
  onBeforeUnmount(() => {
    window.removeEventListener('pagehide', closed)
    stop()
    tell(true)
  })

  const others = computed(() => [...known.values()].filter((one) => now.value - one.at < GONE))
  const here: Here = {
    others,
    at: (part, channel) =>
      others.value.find((one) => one.part === part && (one.channel ?? undefined) === channel)?.name ?? '',
    say(part, channel) {
      mine = { part, channel }
      tell()
    },
  }
  provide(KEY, here)
  return here
}

export function useHere(): Here {
  return inject(KEY)!
}
