<script setup lang="ts">
// One list of checks for the post: what is in the way, what to look at, and the lead's own reminders. Each says
// where, and is mended in a click where that is possible.
import { Button, Checkbox, Textarea } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { api, ok } from '@/api/client'
import { useChecks } from './checks'
import ChannelLogos from '@/parts/ChannelLogos.vue'
import { applyMend, linesOf, mendOff, mendWords, type Line } from './mend'
import { useAct, type Sheet } from './sheet'

const props = defineProps<{ sheet: Sheet }>()
const emit = defineEmits<{ show: [place: string, channel: string] }>()
const checks = useChecks()
const open = computed(() => props.sheet.adaptations.filter((one) => one.stage !== 'out'))
const marks = (names: string[]) =>
  names.map((name) => props.sheet.adaptations.find((one) => one.channel.name === name)!.channel)
const lines = computed(() => linesOf(open.value.map((one) => ({ one, checks: checks.of(one).checks }))))
const faults = computed(() => lines.value.filter((line) => line.level === 'fault').length)
const fine = computed(() =>
  props.sheet.looked_at
    .filter((what) => !lines.value.some((line) => what.codes.includes(line.code)))
    .map((what) => what.name),
)
const unticked = computed(() => props.sheet.reminders.filter((one) => !one.ticked_by).length)
const head = computed(() =>
  faults.value > 0
    ? `${faults.value} in the way`
    : lines.value.length > 0
      ? `${lines.value.length} to look at`
      : 'all fine',
)

const mend = useAct<Line>(props.sheet.id, (line) => applyMend(props.sheet, line.one, line.mend!))
function act(line: Line) {
  if (line.mend?.show) emit('show', line.mend.show, line.one.channel.id)
  else mend.mutate(line)
}
const tick = useAct<{ id: string; ticked: boolean }>(props.sheet.id, ({ id, ticked }) =>
  ok(
    api.PUT('/api/w/{workspace}/posts/{post}/reminders/{reminder}', {
      params: { path: { workspace: props.sheet.workspace_id, post: props.sheet.id, reminder: id } },
      body: { ticked },
    }),
  ),
)

const listing = ref(false)
const list = ref('')
function edit() {
  list.value = props.sheet.reminders.map((one) => one.words).join('\n')
  listing.value = true
}
const keep = useAct<void>(
  props.sheet.id,
  () =>
    ok(
      api.PUT('/api/w/{workspace}/reminders', {
        params: { path: { workspace: props.sheet.workspace_id } },
        body: {
          words: list.value
            .split('\n')
            .map((one) => one.trim())
            .filter(Boolean),
        },
      }),
    ),
  () => (listing.value = false),
)
</script>

<template>
  <section v-if="sheet.adaptations.length > 0" aria-label="Checks">
    <h3>
      Checks <span :class="{ late: faults > 0 }" role="status">{{ head }}</span>
    </h3>
    <ul>
      <li v-for="line in lines" :key="line.code + line.sentence" :class="line.level">
        <span aria-hidden="true" class="ringed">!</span>
        <span class="what"
          ><ChannelLogos class="on" :channels="marks(line.channels)" /> {{ line.sentence }}
          <button
            v-if="line.mend"
            type="button"
            class="link-button"
            :disabled="mend.isPending.value || !!mendOff(sheet, line.one, line.mend)"
            :title="mendOff(sheet, line.one, line.mend)"
            @click="act(line)"
          >
            {{ mendWords(line.mend) }}
          </button></span
        >
      </li>
    </ul>
    <details v-if="open.length > 0 && fine.length > 0" class="fine">
      <summary>
        <svg width="12" height="12" viewBox="0 0 12 12" aria-hidden="true">
          <path d="M2 6.5 5 9.5 10 3" fill="none" :style="{ stroke: 'var(--cleared)' }" stroke-width="2" />
        </svg>
        {{ lines.length > 0 ? `${fine.length} others are fine` : 'All that is looked at is fine' }}
      </summary>
      <p class="quiet">{{ fine.join(' · ') }}</p>
    </details>
    <div v-if="sheet.reminders.length > 0 || sheet.can.assign?.ok" class="reminders">
      <Checkbox
        v-for="one in sheet.reminders"
        :key="one.id"
        :title="one.ticked_by ? `${one.ticked_by} looked` : undefined"
        :checked="!!one.ticked_by"
        @change="tick.mutate({ id: one.id, ticked: !one.ticked_by })"
        >{{ one.words }} <span v-if="one.ticked_by" class="quiet">{{ one.ticked_by.split(' ')[0] }}</span></Checkbox
      >
      <form v-if="listing" class="small-form" @submit.prevent="keep.mutate()">
        <label for="reminder-list">Reminders for every post of this client, one a line</label>
        <Textarea id="reminder-list" v-model:value="list" :rows="4" placeholder="Did you look at the tide table?" />
        <p class="acts">
          <Button html-type="submit" size="small" type="primary" :loading="keep.isPending.value">Save the list</Button>
          <Button size="small" @click="listing = false">Cancel</Button>
        </p>
      </form>
      <button v-else-if="sheet.can.assign?.ok" type="button" class="link-button" @click="edit">
        {{
          sheet.reminders.length > 0
            ? `change the reminders${unticked > 0 ? ` (${unticked} open)` : ''}`
            : 'remind of something in every post'
        }}
      </button>
    </div>
  </section>
</template>

<style scoped>
li {
  display: flex;
  gap: 6px;
  padding: 3px 0;
}
.what {
  min-width: 0;
  overflow-wrap: anywhere;
}
.fine summary {
  min-height: 24px;
  cursor: pointer;
  list-style: none;
}
.fine summary svg {
  width: 16px;
  margin-right: 6px;
}
.fine p {
  padding-left: 22px;
}
.reminders {
  margin-top: 6px;
  padding-top: 4px;
  border-top: 1px solid var(--hairline);
}
</style>
