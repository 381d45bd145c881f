// What a list is narrowed to stands in the address: the way back from a post leads to the same list, and it can be
// sent on.
import { computed, ref, watch, type Ref, type WritableComputedRef } from 'vue'
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

/** Several narrowings that are set together, in one step of the address; '' for what there is not. */
export function useTogetherInAddress<T extends string>(names: readonly T[]) {
  const route = useRoute()
  const router = useRouter()
  const page = route.name
  const read = () =>
    Object.fromEntries(names.map((name) => [name, String(route.query[name] ?? '')])) as Record<T, string>
  const values = ref(read()) as Ref<Record<T, string>>
  watch(
    () => route.query,
    () => {
      if (route.name === page) values.value = read()
    },
  )
  function set(more: Partial<Record<T, string>>) {
    values.value = { ...values.value, ...more }
    const next = router.currentRoute.value
    if (next.name !== page) return
    const said = Object.fromEntries(
      Object.entries<string>(values.value).map(([name, text]) => [name, text || undefined]),
    )
    void router.replace({ query: { ...next.query, ...said } })
  }
  return { values, set }
}
