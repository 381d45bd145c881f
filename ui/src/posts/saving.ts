// How the saving of everything on a post goes, told in one place: the worst of all that is being written there.
import { tryOnScopeDispose } from '@vueuse/core'
import { computed, shallowReactive, type ComputedRef, type Ref } from 'vue'
import type { SaveState } from './part'

const WORST: SaveState[] = ['conflict', 'refused', 'waiting', 'saving', 'typing']
const written = shallowReactive(new Set<{ post: string; state: Ref<SaveState> }>())

/** One part that is written, for as long as it stands. */
export function tellSaving(post: string, state: Ref<SaveState>): void {
  const one = { post, state }
  written.add(one)
  tryOnScopeDispose(() => written.delete(one))
}

export function useSaving(post: string): ComputedRef<SaveState> {
  return computed(() => {
    const states = [...written].filter((one) => one.post === post).map((one) => one.state.value)
    return WORST.find((state) => states.includes(state)) ?? 'saved'
  })
}

/** Why nothing of the post can be asked for before that is settled. */
export function unsettled(state: SaveState): string | undefined {
  if (state === 'conflict') return 'Two people changed a part: choose a version first.'
  if (state === 'refused') return 'Something typed here was not saved: mend or discard it first.'
  if (state === 'waiting') return 'What was typed is not saved yet: there is no connection.'
  return undefined
}
