// A form's refusal: shown at its field where one is named, else beside the button. What was typed stays.
import { message } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { isProblem, sentence, type Problem } from '@/api/client'

/** Does what may be refused where no form stands; says the refusal. @returns whether it was done */
export async function attempt(act: () => Promise<unknown>): Promise<boolean> {
  try {
    await act()
    return true
  } catch (problem) {
    void message.error(sentence(problem), 8)
    return false
  }
}

export function useProblem() {
  const error = ref<unknown>()
  const busy = ref(false)
  const problem = computed<Problem | undefined>(() => (isProblem(error.value) ? error.value.problem : undefined))

  /** The sentence for a field, or nothing. */
  function at(field: string): string | undefined {
    return problem.value?.field === field ? sentence(error.value) : undefined
  }
  /** What no field of the form stands for. */
  function beside(fields: string[]): string | undefined {
    if (error.value === undefined) return undefined
    const field = problem.value?.field
    return field && fields.includes(field) ? undefined : sentence(error.value)
  }
  /** Runs what may be refused; gives its result, or nothing. */
  async function run<T>(act: () => Promise<T>): Promise<T | undefined> {
    busy.value = true
    error.value = undefined
    try {
      return await act()
    } catch (caught) {
      error.value = caught
      return undefined
    } finally {
      busy.value = false
    }
  }
  function clear() {
    error.value = undefined
  }
  return { error, problem, busy, at, beside, run, clear }
}
