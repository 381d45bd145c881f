<script setup lang="ts">
// Copy being written: plain text in the reading serif, with the part that is over a limit marked where it stands.
import { defaultKeymap, history, historyKeymap } from '@codemirror/commands'
import { Compartment, EditorState, RangeSetBuilder } from '@codemirror/state'
import { Decoration, EditorView, keymap, placeholder as hint, type DecorationSet } from '@codemirror/view'
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { overFrom } from './over'

const props = defineProps<{
  id: string
  value: string
  label: string
  off?: string
  placeholder?: string
  over?: { from: number; says: string } | null
}>()
const emit = defineEmits<{ input: [value: string]; blur: []; focus: []; save: [] }>()
const host = ref<HTMLElement>()
const edges = new Compartment()
const marks = new Compartment()
let view: EditorView | undefined

function editable() {
  return [
    EditorView.editable.of(!props.off),
    EditorState.readOnly.of(!!props.off),
    EditorView.contentAttributes.of({
      id: props.id,
      'aria-label': props.label,
      'aria-multiline': 'true',
      'aria-readonly': String(!!props.off),
      role: 'textbox',
      tabindex: '0',
      spellcheck: 'true',
      autocapitalize: 'sentences',
      ...(props.off ? { title: props.off } : {}),
    }),
    props.placeholder ? hint(props.placeholder) : [],
  ]
}

function marked(state: EditorState): DecorationSet {
  const found = new RangeSetBuilder<Decoration>()
  const from = props.over ? overFrom(state.doc.toString(), props.over.from) : state.doc.length
  if (props.over && from < state.doc.length)
    found.add(from, state.doc.length, Decoration.mark({ class: 'over-limit', attributes: { title: props.over.says } }))
  return found.finish()
}

onMounted(() => {
  view = new EditorView({
    parent: host.value!,
    state: EditorState.create({
      doc: props.value,
      extensions: [
        history(),
        keymap.of([{ key: 'Ctrl-Enter', run: () => (emit('save'), true) }, ...defaultKeymap, ...historyKeymap]),
        EditorView.lineWrapping,
        EditorView.perLineTextDirection.of(true),
        edges.of(editable()),
        marks.of(EditorView.decorations.of((now) => marked(now.state))),
        EditorView.updateListener.of((update) => {
          if (update.docChanged && !update.transactions.some((one) => one.isUserEvent('from.outside')))
            emit('input', update.state.doc.toString())
        }),
        EditorView.domEventHandlers({ blur: () => emit('blur'), focus: () => emit('focus') }),
      ],
    }),
  })
})
onBeforeUnmount(() => view?.destroy())

watch(
  () => props.value,
  (now) => {
    if (view && now !== view.state.doc.toString())
      view.dispatch({ changes: { from: 0, to: view.state.doc.length, insert: now }, userEvent: 'from.outside' })
  },
)
watch([() => props.off, () => props.label], () => view?.dispatch({ effects: edges.reconfigure(editable()) }))
watch(
  () => [props.over?.from, props.over?.says],
  () => view?.dispatch({ effects: marks.reconfigure(EditorView.decorations.of((now) => marked(now.state))) }),
)

defineExpose({
  focus: () => view?.focus(),
  /** Puts words where the cursor is, with a space between words. */
  insert(words: string, apart = false) {
    if (!view || props.off) return
    const at = view.state.selection.main
    const before = view.state.doc.sliceString(Math.max(0, at.from - 1), at.from)
    const text = apart && before && !/\s/.test(before) ? ` ${words}` : words
    view.dispatch({
      changes: { from: at.from, to: at.to, insert: text },
      selection: { anchor: at.from + text.length },
      userEvent: 'input',
    })
    view.focus()
  },
})
</script>

<template>
  <div ref="host" class="field-copy" :class="{ sealed: off }" />
</template>

<style scoped>
.field-copy :deep(.cm-editor) {
  margin: 0 -6px;
  border: 1px solid transparent;
  border-radius: 3px;
}
.field-copy:not(.sealed) :deep(.cm-editor:hover) {
  border-color: var(--rule);
}
.field-copy :deep(.cm-editor.cm-focused) {
  outline: none;
  border-color: var(--ink);
  background: var(--sheet);
}
.field-copy :deep(.cm-content) {
  min-height: 88px;
  padding: 4px 0;
  font: 400 15px/1.5 var(--serif);
  color: var(--ink);
  caret-color: var(--ink);
}
.field-copy :deep(.cm-line) {
  padding: 0 6px;
}
.field-copy :deep(.cm-scroller) {
  font-family: inherit;
  line-height: inherit;
}
.field-copy :deep(.cm-placeholder) {
  color: var(--ink-2);
}
.field-copy :deep(.over-limit) {
  background: var(--trouble-ground);
  text-decoration: underline wavy var(--trouble) 1px;
  text-underline-offset: 4px;
}
</style>
