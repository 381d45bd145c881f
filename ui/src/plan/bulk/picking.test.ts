import { nextTick, ref } from 'vue'
import { expect, it } from 'vitest'
import type { Line } from '@/plan/calendar/period'
import { postsOf, usePicking, weekStart } from './picking'

const line = (post_id: string, channel: string) =>
  ({ post_id, workspace_id: 'w', wall: '2026-10-15T07:30', channels: [{ id: channel }] }) as Line

it('posts are chosen one by one, all, or those of some cells, and let go with their client', async () => {
  const workspace = ref<string | undefined>('w')
  const { picked, pick, pickAll } = usePicking(workspace)
  pick('w', 'a')
  pick('w', 'b')
  pick('w', 'a')
  expect([...picked.value]).toEqual([['b', { workspace: 'w', wall: undefined }]])
  pickAll([line('c', 'ti'), line('d', 'vi')], new Set(['2026-10-15@vi']))
  expect([...picked.value.keys()]).toEqual(['b', 'd'])
  pickAll([line('c', 'ti'), line('d', 'vi')])
  expect(picked.value.size).toBe(3)
  workspace.value = 'other'
  await nextTick()
  expect(picked.value.size).toBe(0)
})

it('the posts of a day, or of the week that has it', () => {
  const on = (post_id: string, wall: string) => ({ post_id, workspace_id: 'w', wall }) as Line
  const lines = [on('b', '2026-10-16T18:00'), on('a', '2026-10-15T07:30'), on('c', '2026-10-19T08:00')]
  expect([...postsOf(lines, '2026-10-15', '2026-10-15').keys()]).toEqual(['a'])
  const monday = weekStart('2026-10-15', 1)
  expect(monday).toBe('2026-10-12')
  expect([...postsOf(lines, monday, '2026-10-18').keys()]).toEqual(['a', 'b'])
  expect([weekStart('2026-10-12', 1), weekStart('2026-10-15', 7), weekStart('2026-10-18', 7)]).toEqual([
    '2026-10-12',
    '2026-10-11',
    '2026-10-18',
  ])
})
