<script setup lang="ts">
// One part as a line: what it says, whether it is the channel's own, and its editor when wanted.
import { computed } from 'vue'
import TextPart from './TextPart.vue'
import { useFollow } from './follow'
import type { Adaptation, Sheet } from './sheet'
import { offFor, seenOf, type Row } from './writable'
import ActButton from '@/parts/ActButton.vue'
import { later } from '@/parts/later'

const AudiencePart = later(() => import('./AudiencePart.vue'))
const BudgetPart = later(() => import('./BudgetPart.vue'))
const CallPart = later(() => import('./CallPart.vue'))
const EventPart = later(() => import('./EventPart.vue'))
const FormatPart = later(() => import('./FormatPart.vue'))
const LinkPart = later(() => import('./LinkPart.vue'))
const TaggedPart = later(() => import('./TaggedPart.vue'))

const props = defineProps<{ sheet: Sheet; row: Row; one?: Adaptation; open: boolean }>()
const emit = defineEmits<{ turn: [open: boolean] }>()
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
  () => emit('turn', false),
)
</script>

<template>
  <div :class="{ own }" class="part-line" :data-part="row.part">
    <dt>{{ own ? `Own ${row.label.toLowerCase()}` : row.label }}</dt>
    <dd>
      <span class="says" :title="row.says(part.value, sheet)">{{ row.says(part.value, sheet) }}</span>
      <ActButton
        link
        :off="off"
        :aria-expanded="open"
        :aria-controls="id"
        :aria-label="`${open ? 'Done with' : one && !own ? 'Own' : 'Change'} ${row.label.toLowerCase()}`"
        @click="emit('turn', !open)"
      >
        {{ open ? 'done' : one && !own ? 'own' : 'change' }}
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
  <div v-if="open" :id="id" class="wide">
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
      />
      <component :is="editor" v-else :sheet="sheet" :one="one" :server="server" :off="off" />
    </dd>
  </div>
</template>

<style scoped>
.says {
  flex: 1;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.own .says {
  text-align: left;
}
.wide {
  padding: 6px 0 8px;
  border-bottom: 1px solid var(--rule);
}
</style>
