<script setup lang="ts">
// The fixtures of a client: what comes back, when next; made, changed and ended.
import { Button } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { unread, type Schemas } from '@/api/client'
import { calendarDay, wallClock } from '@/api/time'
import ActButton from '@/parts/ActButton.vue'
import ChannelMarks from '@/parts/ChannelMarks.vue'
import ComingShape from '@/parts/ComingShape.vue'
import DialogBox from '@/parts/DialogBox.vue'
import FixtureForm from './FixtureForm.vue'
import { useFixtureActs, useFixtures, type Fixture } from './fixtures'

const props = defineProps<{
  workspace: string
  day: string
  /** the one that is changed at once */
  fixture?: string
  choices: Schemas['PlanChoices'] | undefined
  may?: Schemas['Can'][string]
}>()
const emit = defineEmits<{ close: [] }>()
const { data, error } = useFixtures(computed(() => props.workspace))
const { drop, back } = useFixtureActs()
const changing = ref<string | undefined>(props.fixture)
const ending = ref<Fixture>()
const shown = computed(() => data.value?.fixtures.find((one) => one.id === changing.value))
async function end(one: Fixture) {
  ending.value = undefined
  await drop(props.workspace, one.id)
}
</script>

<template>
  <DialogBox title="Fixtures" :width="620" @close="emit('close')">
    <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
    <ComingShape v-if="!data && !error" label="Fetching the fixtures" :lines="4" />
    <FixtureForm
      v-if="data && (changing === 'new' || shown)"
      :key="changing"
      :workspace="workspace"
      :day="day"
      :fixture="shown"
      :choices="choices"
      @done="changing = undefined"
      @cancel="changing = undefined"
    />
    <template v-else-if="data">
      <ul class="fixtures">
        <li v-for="one in data.fixtures" :key="one.id">
          <p>
            <b dir="auto">{{ one.word }}</b> {{ one.words
            }}<template v-if="one.clock">, {{ wallClock(`2000-01-01T${one.clock}`) }}</template>
            <ChannelMarks class="on" :channels="one.channels" />
          </p>
          <p class="quiet">
            {{ one.next.length > 0 ? one.next.map((next) => calendarDay(next)).join(' · ') : 'no day any more' }}
            <template v-if="one.owner"> · for {{ one.owner }}</template>
            <template v-if="one.last"> · until {{ calendarDay(one.last, { year: true }) }}</template>
          </p>
          <p v-if="one.skipped.length > 0" class="quiet">
            left out:
            <button
              v-for="gone in one.skipped"
              :key="gone"
              type="button"
              class="link-button"
              :disabled="!may?.ok"
              :title="`Put it back on ${calendarDay(gone)}`"
              @click="back(workspace, one.id, gone)"
            >
              {{ calendarDay(gone) }}
            </button>
          </p>
          <p class="do">
            <ActButton link :may="may" @click="changing = one.id">Change</ActButton>
            <ActButton v-if="ending?.id !== one.id" link :may="may" @click="ending = one">End it</ActButton>
            <template v-else>
              Its marks go; posts that were made stay.
              <button type="button" class="link-button" @click="end(one)">End “{{ one.word }}”</button>
              <button type="button" class="link-button" @click="ending = undefined">Keep it</button>
            </template>
          </p>
        </li>
        <li v-if="data.fixtures.length === 0" class="quiet">
          None yet. A fixture keeps a place free by a rule: market day, every other Thursday; the last working day of a
          month.
        </li>
      </ul>
      <div class="acts">
        <ActButton type="primary" :may="may" @click="changing = 'new'">New fixture</ActButton>
        <Button @click="emit('close')">Close</Button>
      </div>
    </template>
  </DialogBox>
</template>

<style scoped>
.fixtures {
  margin-bottom: 14px;
  border-top: 1px solid var(--rule);
}
.fixtures li {
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}
.on {
  margin-left: 8px;
}
.do {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
}
</style>
