<script setup lang="ts">
// One part as a line: what it says, whether it is the channel's own, and its editor when wanted.
import { computed, ref } from 'vue'
import AudiencePart from './AudiencePart.vue'
import BudgetPart from './BudgetPart.vue'
import CallPart from './CallPart.vue'
import EventPart from './EventPart.vue'
import FormatPart from './FormatPart.vue'
import LinkPart from './LinkPart.vue'
import TaggedPart from './TaggedPart.vue'
import TextPart from './TextPart.vue'
import { useFollow } from './follow'
import type { Adaptation, Sheet } from './sheet'
import { offFor, seenOf, type Row } from './writable'
import ActButton from '@/parts/ActButton.vue'

const props = defineProps<{ sheet: Sheet; row: Row; one?: Adaptation }>()
const emit = defineEmits<{ state: [state: string] }>()
const editing = ref(false)
const part = computed(() => (props.one ?? props.sheet.master).parts[props.row.part])
const off = computed(() => offFor(props.sheet, props.row.part, props.one))
const server = computed(() => seenOf(props.sheet, props.row.part, props.one))
const own = computed(() => !!props.one && part.value.own)
const EDITORS = {
  format: FormatPart,
  link: LinkPart,
  tagged: TaggedPart,
  call_to_action: CallPart,
  audience: AudiencePart,
  event: EventPart,
  budget: BudgetPart,
} as const
const editor = computed(() => EDITORS[props.row.part as keyof typeof EDITORS])
const id = computed(() => `${props.row.part}-${props.one?.channel.id ?? 'master'}`)

const { follow } = useFollow(
  { workspace: props.sheet.workspace_id, post: props.sheet.id },
  () => props.one!,
  () => (editing.value = false),
)
defineExpose({ part: props.row.part, open: () => (editing.value = true) })
</script>

<template>
  <div :class="{ own }" class="line" :data-part="row.part">
    <dt>{{ own ? `Own ${row.label.toLowerCase()}` : row.label }}</dt>
    <dd>
      <span class="says" :title="row.says(part.value, sheet)">{{ row.says(part.value, sheet) }}</span>
      <ActButton
        link
        :off="off"
        :aria-expanded="editing"
        :aria-controls="id"
        :aria-label="`${editing ? 'Done with' : one && !own ? 'Own' : 'Change'} ${row.label.toLowerCase()}`"
        @click="editing = !editing"
      >
        {{ editing ? 'done' : one && !own ? 'own' : 'change' }}
      </ActButton>
      <ActButton
        v-if="own"
        link
        :off="off"
        :aria-label="`Follow the master’s ${row.label.toLowerCase()}`"
        data-follow
        @click="follow(row.part)"
        >follow</ActButton
      >
    </dd>
  </div>
  <div v-if="editing" :id="id" class="wide">
    <dt class="hidden">{{ row.label }}, being changed</dt>
    <dd class="whole">
      <TextPart
        v-if="row.part === 'first_comment'"
        :workspace="sheet.workspace_id"
        :post="sheet.id"
        part="first_comment"
        :channel="one?.channel.id"
        :server="server"
        :label="one ? `First comment for ${one.channel.name}` : 'First comment'"
        :off="off"
        plain
        placeholder="Stands below the post as its first comment"
        @state="emit('state', $event)"
      />
      <component
        :is="editor"
        v-else
        :sheet="sheet"
        :one="one"
        :server="server"
        :off="off"
        @state="emit('state', $event)"
      />
    </dd>
  </div>
</template>

<style scoped>
.line {
  position: relative;
  display: flex;
  justify-content: space-between;
  gap: 10px;
  align-items: center;
  min-height: 30px;
  border-bottom: 1px solid var(--rule);
}
/* an own value has the width of the column to itself */
.line.own {
  display: block;
  padding: 4px 0;
}
.line.own .says {
  flex: 1;
  text-align: left;
}
.line.own::before {
  content: '';
  position: absolute;
  left: -8px;
  top: 0;
  bottom: 0;
  width: 4px;
  background: var(--ink);
}
dt {
  flex: none;
  color: var(--ink-2);
}
dd:not(.whole) {
  display: flex;
  gap: 8px;
  min-width: 0;
  align-items: baseline;
  justify-content: flex-end;
  text-align: right;
}
.says {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
dd button {
  flex: none;
}
.wide {
  padding: 6px 0 8px;
  border-bottom: 1px solid var(--rule);
}
</style>
