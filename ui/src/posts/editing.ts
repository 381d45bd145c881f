// A part of several fields being edited: saved after a pause like every other, and checked while it is changed.
import { computed, toRef } from 'vue'
import { useChecks } from './checks'
import { usePart, type ServerPart } from './part'
import type { Adaptation, PartName, Sheet } from './sheet'

export interface EditorProps {
  sheet: Sheet
  one?: Adaptation
  server: ServerPart
  off?: string
}

export function useEditor<T>(props: EditorProps, name: PartName, empty: T) {
  const part = usePart<T>(
    { workspace: props.sheet.workspace_id, post: props.sheet.id, part: name, channel: props.one?.channel.id },
    toRef(props, 'server'),
    empty,
  )
  const checks = useChecks()
  const where = computed(() => (props.one ? ` on ${props.one.channel.name}` : ''))

  function change(next: T) {
    part.change(next)
    checks.ask(name, props.one?.channel.id, next)
  }
  /** For what is chosen rather than typed: saved at once. */
  function choose(next: T) {
    change(next)
    void part.save()
  }
  return { ...part, name, change, choose, where }
}
