<script setup lang="ts">
// A text part with its save state, what is over the limit marked in it, and, when two people changed it, both.
import { Button } from 'ant-design-vue'
import { computed, nextTick, onMounted, ref, shallowRef, toRef, watch } from 'vue'
import { connected } from '@/parts/later'
import WordRuns from '@/parts/WordRuns.vue'
import { useChecks } from './checks'
import type CopyField from './CopyField.vue'
import { useHere } from './here'
import { usePart, type ServerPart } from './part'
import type { PartName } from './sheet'

const props = defineProps<{
  workspace: string
  post: string
  part: PartName
  channel?: string
  server: ServerPart
  label: string
  off?: string
  placeholder?: string
  over?: { from: number; says: string } | null
  plain?: boolean
}>()
const part = usePart<string>(
  { workspace: props.workspace, post: props.post, part: props.part, channel: props.channel },
  toRef(props, 'server'),
  '',
)
const { value, state, problem, theirs } = part
const checks = useChecks()
const here = useHere()
const field = ref<InstanceType<typeof CopyField>>()
// the field that one writes in is large: what is written stands before it is there
const Field = shallowRef<typeof CopyField>()
let wanted = false
onMounted(async () => {
  for (;;) {
    try {
      Field.value = (await import('./CopyField.vue')).default
      break
    } catch {
      await connected()
    }
  }
  await nextTick()
  if (wanted) field.value?.focus()
})
function focus() {
  wanted = true
  field.value?.focus()
}

/** One under the other, to be made one by hand. */
function both() {
  const there = theirs.value?.value ?? ''
  part.change([there, value.value].filter((text) => text !== '').join('\n\n'))
  part.keepMine()
}

// what differs is in sight, however long the text is
const compared = ref<InstanceType<typeof WordRuns>>()
watch(compared, async (shown) => {
  await nextTick()
  ;(shown?.$el as HTMLElement | undefined)?.querySelector('ins, del')?.scrollIntoView({ block: 'nearest' })
})

function typed(next: string) {
  part.change(next)
  checks.ask(props.part, props.channel, next)
}

const says = computed(
  () =>
    ({
      saved: '',
      typing: '',
      saving: 'saving',
      waiting: 'not saved yet: no connection, trying again',
      conflict: '',
      refused: 'not saved',
    })[state.value],
)
const others = computed(() => here.at(props.part, props.channel))
const id = computed(() => `part-${props.part}-${props.channel ?? 'master'}`)
defineExpose({
  focus,
  insert: (words: string, apart?: boolean) => field.value?.insert(words, apart),
  value,
  change: typed,
})
</script>

<template>
  <div class="part" :class="{ plain }">
    <div v-if="!Field" class="copy before" dir="auto">{{ value }}</div>
    <component
      :is="Field"
      v-else
      :id="id"
      ref="field"
      :value="value ?? ''"
      :label="label"
      :off="off"
      :placeholder="placeholder"
      :over="over"
      @input="typed"
      @focus="here.say(props.part, props.channel)"
      @blur="(part.save(), here.say())"
      @save="part.save()"
    />
    <p v-if="others" class="state" role="status">{{ others }} is writing here</p>
    <p
      v-if="(says || problem) && state !== 'conflict'"
      class="state"
      :class="{ late: state === 'refused' }"
      role="status"
    >
      {{ says }}{{ says && problem ? ': ' : '' }}{{ state === 'waiting' ? '' : problem }}
    </p>
    <p v-if="state === 'refused'" class="state">
      <button type="button" class="link-button" @click="part.drop()">Discard mine, show what is saved</button>
    </p>
    <div v-if="state === 'conflict' && theirs" class="both" role="alert">
      <b>{{
        theirs.mine ? 'You changed this in another window.' : `${theirs.by ?? 'Somebody'} changed this meanwhile.`
      }}</b>
      <span class="quiet"> Struck stands there now, underlined is what you write here.</span>
      <WordRuns
        v-if="theirs.runs"
        ref="compared"
        class="copy"
        :runs="theirs.runs"
        label="What stands there, compared with what you write"
      />
      <p v-else class="copy">{{ theirs.value }}</p>
      <Button size="small" type="primary" @click="part.keepMine()">{{
        theirs.mine ? 'Keep this' : 'Keep mine'
      }}</Button>
      <Button size="small" @click="part.takeTheirs()">{{ theirs.mine ? 'Use the other' : 'Use theirs' }}</Button>
      <Button size="small" @click="both">Keep both</Button>
    </div>
  </div>
</template>

<style scoped>
.before {
  padding: 4px 0;
}
.plain :deep(.cm-content) {
  min-height: 26px;
  font: 450 13px/1.45 var(--sans);
}
.state {
  color: var(--ink-2);
  font-size: 12px;
}
.both {
  margin: 6px 0;
  padding: 8px;
  border: 1px solid var(--ink);
  background: var(--sheet);
}
.both .copy {
  margin: 4px 0 8px;
  padding-left: 8px;
  border-left: 3px solid var(--ink);
  max-height: 180px;
  overflow: auto;
}
.both button {
  margin-right: 6px;
}
</style>
