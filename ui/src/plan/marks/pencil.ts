// Pencil marks: put and erased at once in what is shown, sent, and undone one step after the other.
import { message } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { api, ok, sentence, type Schemas } from '@/api/client'
import { counted } from '@/api/words'
import { attempt } from '@/parts/problem'
import { offerUndo, rememberUndo } from '@/parts/undo'
import { outcome, type Change, type NewMark, type Said } from '@/plan/bulk/block'
import type { Period } from '@/plan/calendar/period'
import { idOf } from '@/plan/calendar/place'
import { run, type Order } from '@/plan/bulk/several'

export type Mark = Schemas['PencilMark']
const key = (one: { day: string; channel_id: string }) => idOf({ day: one.day, channel: one.channel_id })
const asNew = ({ day, channel_id, clock, word, label_id, idea_id }: Mark): NewMark => ({
  day,
  channel_id,
  clock,
  word,
  label_id,
  ...(idea_id ? { idea_id } : {}),
})

/** @param choices names of channels and labels, for what is shown before the server has answered */
export function usePencil(
  workspace: Ref<string | undefined>,
  period: Ref<Period | undefined>,
  choices: Ref<Schemas['PlanChoices'] | undefined>,
) {
  const queries = useQueryClient()
  // those that a fixture puts are its own: a cell of theirs is empty to who writes into it
  const own = computed(() => (period.value?.marks ?? []).filter((mark) => !mark.fixture_id))
  const marks = computed(() => new Map(own.value.map((mark) => [key(mark), mark])))
  function at(id: string): Said | undefined {
    const mark = marks.value.get(id)
    return mark && { clock: mark.clock, word: mark.word, label_id: mark.label_id, idea_id: mark.idea_id }
  }

  function show(change: Change) {
    const gone = new Set([...change.put, ...change.erase].map(key))
    const put = change.put.map(shown).filter((mark) => mark !== undefined)
    queries.setQueriesData<Period>({ queryKey: ['plan', workspace.value] }, (all) =>
      all && 'lines' in all
        ? { ...all, marks: [...all.marks.filter((mark) => mark.fixture_id || !gone.has(key(mark))), ...put] }
        : all,
    )
  }
  function shown(mark: NewMark): Mark | undefined {
    const channel = choices.value?.channels.find((one) => one.id === mark.channel_id)
    if (!channel) return undefined
    const { workspace_id, network, initials, name } = channel
    const label = choices.value?.labels.find((one) => one.id === mark.label_id)?.name ?? null
    return { ...mark, workspace_id, network, initials, channel: name, label }
  }

  async function send(change: Change, client: string): Promise<Mark[] | undefined> {
    show(change)
    try {
      const { before } = await ok(
        api.PUT('/api/w/{workspace}/plan/marks', {
          params: { path: { workspace: client } },
          body: { put: change.put, erase: change.erase },
        }),
      )
      return before
    } catch (problem) {
      void message.error(sentence(problem), 8)
      return undefined
    } finally {
      void queries.invalidateQueries({ queryKey: ['plan'] })
    }
  }

  /**
   * @param client whose marks they are; the one that is shown if none is named
   * @returns whether it is done
   */
  async function apply(change: Change, client = workspace.value): Promise<boolean> {
    if (change.put.length + change.erase.length === 0 || !client) return false
    const before = await send(change, client)
    if (!before) return false
    const there = new Set(before.map(key))
    const back: Change = {
      put: before.map(asNew),
      erase: change.put.filter((one) => !there.has(key(one))).map(({ day, channel_id }) => ({ day, channel_id })),
    }
    const undo = async () => !!(await send(back, client))
    // one cell is its own message; several say what was done
    const many = change.put.length + change.erase.length > 1
    const said = words(outcome(change, before.map(asNew)))
    if (many && said !== '') offerUndo(said, undo)
    else rememberUndo(said || 'A pencil mark is put.', undo)
    return true
  }
  const words = ({ put, replaced, erased }: ReturnType<typeof outcome>) =>
    [
      put > 0 ? `${counted(put, 'mark is', 'marks are')} put.` : '',
      replaced > 0 ? `${counted(replaced, 'mark that stood there is', 'marks that stood there are')} replaced.` : '',
      erased > 0 ? `${counted(erased, 'mark is', 'marks are')} erased.` : '',
    ]
      .filter(Boolean)
      .join(' ')

  /** Makes drafts of cells. */
  async function write(cells: NewMark[], client = workspace.value) {
    if (!client) return
    const path = { workspace: client }
    try {
      const { ids } = await ok(api.POST('/api/w/{workspace}/plan/drafts', { params: { path }, body: { cells } }))
      const posts = new Map(ids.map((id) => [id, { workspace: client }]))
      offerUndo(`${counted(ids.length, 'draft is', 'drafts are')} made.`, () => unwrite({ kind: 'discard', posts }))
    } catch (problem) {
      void message.error(sentence(problem), 8)
    } finally {
      void queries.invalidateQueries({ queryKey: ['plan'] })
    }
  }
  async function unwrite(order: Order) {
    const done = await attempt(() => run(order))
    for (const key of ['plan', 'batches']) void queries.invalidateQueries({ queryKey: [key] })
    return done
  }

  const all = computed(() => [...marks.value.values()].map(asNew))
  return { marks, all, at, apply, write }
}
