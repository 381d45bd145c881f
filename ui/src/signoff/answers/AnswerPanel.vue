<script setup lang="ts">
// A member answers an ask beside the proofs: yes, or what is to be changed. The answer echoes exactly what was shown.
import { Button, Textarea } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { api, ok } from '@/api/client'
import { planned } from '@/api/time'
import { useAct, type Sheet } from '@/posts/sheet'
import { draft } from '@/parts/drafts'
import ActButton from '@/parts/ActButton.vue'

const props = defineProps<{ sheet: Sheet }>()
const mine = computed(() => props.sheet.my_ask!)
const wanting = ref(false)
const box = draft(`change:${mine.value.line_id}`)
const words = ref(box.read() ?? '')
const field = ref<HTMLTextAreaElement>()

function keep(text: string) {
  words.value = text
  box.write(text)
}
const answer = useAct<'yes' | 'change' | 'no'>(
  props.sheet.id,
  (verdict) =>
    ok(
      api.POST('/api/w/{workspace}/lines/{line}/answer', {
        params: { path: { workspace: props.sheet.workspace_id, line: mine.value.line_id } },
        body: { verdict, words: words.value.trim(), shown: mine.value.shown, seen: mine.value.seen },
      }),
    ),
  () => {
    box.clear()
    wanting.value = false
  },
)
/** Words that were typed are never dropped by a yes: they go along, or it is a change. */
function yes() {
  if (words.value.trim() === '') answer.mutate('yes')
  else want()
}
function want() {
  wanting.value = true
  requestAnimationFrame(() => field.value?.focus())
}
</script>

<template>
  <section class="answer" aria-label="Your answer">
    <p>
      <b>{{ mine.asked_by }} asks for your yes</b> at “{{ mine.step }}”, by {{ planned(mine.due_at, sheet.zone) }}.
    </p>
    <p v-if="mine.message" class="message" dir="auto">{{ mine.message }}</p>
    <p v-if="mine.four_eyes" class="quiet">
      You wrote part of this: another of those asked must clear it (four eyes). You can still want a change.
    </p>
    <p v-if="mine.answered" class="quiet">You have answered; your newest answer counts.</p>
    <div v-if="!wanting" class="acts">
      <ActButton
        type="primary"
        class="yes"
        :off="mine.four_eyes && 'You wrote part of this: another of those asked must clear it (four eyes).'"
        :loading="answer.isPending.value"
        shortcut="Y"
        @click="yes"
        >Yes, as it stands</ActButton
      >
      <ActButton shortcut="W" opens @click="want">Change this</ActButton>
    </div>
    <form v-else @submit.prevent="answer.mutate('change')">
      <label for="change-words">What is to be changed (the agency side reads this)</label>
      <Textarea
        id="change-words"
        ref="field"
        :value="words"
        :rows="3"
        @update:value="keep"
        @keydown.ctrl.enter.prevent="answer.mutate('change')"
      />
      <div class="acts">
        <Button html-type="submit" type="primary" :disabled="words.trim() === ''" :loading="answer.isPending.value"
          >Send this change</Button
        >
        <Button @click="wanting = false">Back</Button>
      </div>
      <p v-if="words.trim() !== ''" class="acts">
        <ActButton v-if="!mine.four_eyes" link @click="answer.mutate('yes')">Yes, and these words go along</ActButton>
        <ActButton link @click="answer.mutate('no')">No, not at all</ActButton>
      </p>
    </form>
  </section>
</template>

<style scoped>
.answer {
  display: grid;
  gap: 8px;
  padding: 10px 12px;
  margin-bottom: 14px;
  border: 1px solid var(--mark-edge);
  border-left: 6px solid var(--mark);
  background: var(--sheet);
}
.message {
  padding-left: 8px;
  border-left: 3px solid var(--rule);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.yes {
  background: var(--cleared);
}
kbd {
  font: 600 12px/1 var(--sans);
  border: 1px solid currentcolor;
  border-radius: 3px;
  padding: 0 4px;
  margin-left: 4px;
}
label {
  font-weight: 600;
}
</style>
