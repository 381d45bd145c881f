// What a list is narrowed to stands in the address: the way back from a post leads to the same list, and it can be
// sent on.
import { computed, ref, watch, type WritableComputedRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'

/** One narrowing by its name in the address; '' when there is none. */
export function useInAddress(name: string): WritableComputedRef<string> {
  const route = useRoute()
  const router = useRouter()
  const page = route.name
  const standing = ref(String(route.query[name] ?? ''))
  // the page that is being left keeps its list; only its own address speaks to it
  watch(
    () => route.query[name],
    (value) => {
      if (route.name === page) standing.value = String(value ?? '')
    },
  )
  return computed({
    get: () => standing.value,
    set: (value) => {
      standing.value = value
      const next = router.currentRoute.value
      if (next.name === page) void router.replace({ query: { ...next.query, [name]: value || undefined } })
    },
  })
}
