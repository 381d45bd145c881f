import { nextTick, ref } from 'vue'
import { expect, it } from 'vitest'
import type { Line } from './period'
import { usePicking } from './picking'

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
