// The post sheet's data and every act on it.
import { useMutation, useQuery, useQueryClient } from '@tanstack/vue-query'
import { message } from 'ant-design-vue'
import { isUnmade } from '@/api/fresh'
import { api, isProblem, ok, sentence, type Schemas } from '@/api/client'

export type Sheet = Schemas['PostSheet']
export type Adaptation = Schemas['Adaptation']
export type PartName = keyof Schemas['Parts']

export function useSheet(workspace: string, post: string) {
  return useQuery({
    queryKey: ['post', post],
    queryFn: () =>
      isUnmade(post)
        ? ok(api.GET('/api/w/{workspace}/new-posts/{new}', { params: { path: { workspace, new: post } } }))
        : ok(api.GET('/api/w/{workspace}/posts/{post}', { params: { path: { workspace, post } } })),
  })
}

/** An act on the sheet: shows what was refused, and has everything fetched again. */
export function useAct<T, R = unknown>(
  post: string,
  run: (input: T) => Promise<R>,
  done?: (result: R, input: T) => void,
) {
  const queries = useQueryClient()
  return useMutation({
    mutationFn: run,
    onSuccess: (result, input) => done?.(result, input),
    onError: (problem) => void message.error(sentence(problem), 9),
    onSettled: () => {
      void queries.invalidateQueries({ queryKey: ['post', post] })
      void queries.invalidateQueries({ queryKey: ['record', post] })
      void queries.invalidateQueries({ queryKey: ['desk'] })
    },
  })
}

/** Whether an act of useAct was done; what was refused it has said itself. */
export const settled = (done: Promise<unknown>): Promise<boolean> =>
  done.then(
    () => true,
    () => false,
  )

export function fieldOf(error: unknown): string | undefined {
  return isProblem(error) ? (error.problem.field ?? undefined) : undefined
}
