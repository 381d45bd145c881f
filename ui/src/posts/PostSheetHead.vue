<script setup lang="ts">
// The head of a post's sheet: when it goes out, what it is called, how far it is, and what can be done with it now.
import { Button } from 'ant-design-vue'
import { computed, toRef } from 'vue'
import { planned } from '@/api/time'
import { STAGES, list } from '@/api/words'
import ActButton from '@/parts/ActButton.vue'
import SignoffStrip from '@/parts/SignoffStrip.vue'
import SubjectField from './SubjectField.vue'
import type { Dialog } from './dialogs'
import { unsettled, useSaving } from './saving'
import { useStanding, type useSheetActs } from './sheet-acts'
import type { Sheet } from './sheet'

const props = defineProps<{
  sheet: Sheet
  acts: ReturnType<typeof useSheetActs>
  /** who else has it open */
  others: { name: string }[]
  now: string
  /** nothing of it is on the server yet */
  fresh: boolean
}>()
const emit = defineEmits<{ open: [dialog: Dialog]; copy: [] }>()
const standing = useStanding(toRef(props, 'sheet'))
const saving = useSaving(props.sheet.id)
const off = computed(() => unsettled(saving.value) ?? props.sheet.next_ask?.off)
const saved = computed(
  () =>
    ({
      saved: props.sheet.revision ? `revision ${props.sheet.revision}` : 'saved',
      typing: 'not saved yet',
      saving: 'saving',
      waiting: 'no connection, kept here',
      conflict: 'conflict: choose a version',
      refused: 'not saved',
    })[saving.value] ?? 'saved',
)
</script>

<template>
  <header :class="`stage-${sheet.stage}`">
    <span class="when">{{ standing.firstAt.value ? planned(standing.firstAt.value, sheet.zone) : 'no time yet' }}</span>
    <SubjectField :sheet="sheet" :fresh="fresh" @copy="emit('copy')" />
    <SignoffStrip :strip="sheet.strip" :now="now" :size="18" />
    <b class="stage">{{ STAGES[sheet.stage] }}</b>
    <span class="quiet" role="status">{{ saved }}</span>
    <span v-if="others.length > 0" class="here" role="status"
      >{{ list(others.map((one) => one.name.split(' ')[0] ?? one.name)) }} {{ others.length === 1 ? 'is' : 'are' }} here
      too</span
    >
    <Button v-if="sheet.can.make_post?.ok" @click="emit('open', { dialog: 'copy' })">Copy …</Button>
    <Button
      v-if="standing.opened.value.length > 0"
      :disabled="!sheet.can.close?.ok"
      :title="sheet.can.close?.why ?? 'Locks it again. Exactly as it was before, its yeses count again.'"
      @click="acts.close.mutate(standing.opened.value.map((one) => one.id))"
      >Lock again</Button
    >
    <ActButton
      v-if="standing.sealed.value"
      :type="standing.blocked.value ? 'primary' : 'default'"
      :may="sheet.can.open"
      @click="emit('open', { dialog: 'unlock' })"
      >Unlock …</ActButton
    >
    <ActButton
      v-if="standing.released.value.length > 0"
      :may="sheet.can.take_back"
      :loading="acts.takeBack.isPending.value"
      @click="acts.takeBack.mutate(undefined)"
      >Cancel the release</ActButton
    >
    <ActButton
      v-if="sheet.next_ask"
      :type="standing.blocked.value ? 'default' : 'primary'"
      :may="sheet.can.ask"
      :off="off"
      shortcut="S"
      opens
      @click="emit('open', { dialog: 'ask', offer: sheet.next_ask })"
      >Ask {{ list(sheet.next_ask.people.map((name) => name.split(' ')[0] ?? name)) }}</ActButton
    >
    <ActButton v-if="sheet.ready_next" type="primary" :may="sheet.can.mark_ready" @click="acts.ready.mutate(undefined)"
      >Mark ready</ActButton
    >
    <ActButton
      v-if="standing.cleared.value.length > 0"
      :type="sheet.next_ask ? 'default' : 'primary'"
      :may="sheet.can.release"
      :loading="acts.release.isPending.value"
      shortcut="L"
      @click="acts.release.mutate(undefined)"
      >Release
      {{
        standing.cleared.value.length === sheet.adaptations.length
          ? ''
          : list(standing.cleared.value.map((one) => one.channel.name))
      }}</ActButton
    >
  </header>
</template>

<style scoped>
header {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  padding: 10px 20px;
  background: var(--sheet);
  border-bottom: 1px solid var(--rule);
}
.when {
  color: var(--ink-2);
  white-space: nowrap;
}
.stage {
  color: var(--stage);
}
.here {
  padding: 0 8px;
  border: 1px solid var(--ink-2);
  border-radius: 3px;
}
kbd {
  font: 600 12px/1 var(--sans);
  border: 1px solid currentcolor;
  border-radius: 3px;
  padding: 0 4px;
  margin-left: 4px;
}
</style>
