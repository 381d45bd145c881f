<script setup lang="ts">
// One idea with everything about it: what is said of it, what the house thinks, and what can be made of it.
import { Button, Input, message, Radio, RadioGroup, Textarea } from 'ant-design-vue'
import { computed, reactive, ref, toRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { sentence, unread, type Schemas } from '@/api/client'
import { brief } from '@/api/time'
import MediaPicker from '@/media/library/MediaPicker.vue'
import { thumb } from '@/media/library/library'
import ActButton from '@/parts/ActButton.vue'
import ComingShape from '@/parts/ComingShape.vue'
import PanelName from '@/parts/PanelName.vue'
import SidePanel from '@/parts/SidePanel.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import ClockField from '@/parts/fields/ClockField.vue'
import DayField from '@/parts/fields/DayField.vue'
import SuggestField from '@/parts/fields/SuggestField.vue'
import { useSaid } from '@/parts/said'
import { offerUndo } from '@/parts/undo'
import KeywordRows from './KeywordRows.vue'
import { became, came, rating, STATUSES, timing, useActs, useIdea, VOTES, type Group, type Said } from './ideas'
import { attempt } from '@/parts/problem'

const props = defineProps<{
  workspace: string
  idea: string
  groups: Group[]
  categories: string[]
  channels: Schemas['PlanChoices']['channels']
  now: string
}>()
const emit = defineEmits<{ close: [] }>()
const router = useRouter()
const workspace = toRef(props, 'workspace')
const { data: one, error } = useIdea(workspace, toRef(props, 'idea'))
const acts = useActs(workspace)

type Key = 'title' | 'note' | 'link' | 'audience' | 'category'
const { typed, wrong, value, save, left, settled } = useSaid<Key, Said>(
  () => props.idea,
  one,
  (said) => acts.change(props.idea, said),
  ['link'],
)
const keywords = ref<Schemas['IdeaKeyword'][]>()
watch(
  () => one.value?.version,
  () => (keywords.value = undefined),
)
const off = computed(() => (one.value?.can.keep_idea?.ok ? undefined : (one.value?.can.keep_idea?.why ?? '…')))
const problem = ref('')
function key(words: Schemas['IdeaKeyword'][]) {
  keywords.value = words
  const whole = words.filter((each) => each.words.trim() !== '')
  // a row that is begun is kept once it has words
  if (JSON.stringify(whole) !== JSON.stringify(one.value?.keywords)) void save({ keywords: whole })
}
const choice = <K extends 'group_id' | 'channel_id'>(name: K) =>
  computed({ get: () => one.value?.[name] ?? null, set: (id) => void save({ [name]: id }) })
const group = choice('group_id')
const channel = choice('channel_id')
const status = computed({ get: () => one.value?.status ?? 'thought', set: (is) => void save({ status: is }) })
const due = computed({ get: () => one.value?.due_on ?? '', set: (day) => void save({ due_on: day || null }) })

const SMALL = ['group_id', 'channel_id', 'status', 'due_on', 'category', 'audience', 'keywords', 'media_ids'] as const
const picking = ref(false)
function take(media: { id: string }[]) {
  picking.value = false
  void save({ media_ids: [...one.value!.media_ids, ...media.map((each) => each.id)] })
}
const without = (id: string) => void save({ media_ids: one.value!.media_ids.filter((each) => each !== id) })

async function run(act: () => Promise<unknown>) {
  problem.value = ''
  try {
    return await act()
  } catch (error) {
    problem.value = sentence(error)
    return undefined
  }
}
const vote = (worth: number) => void run(() => acts.vote(props.idea, worth === one.value?.mine ? null : worth))
async function post() {
  await settled()
  const made = (await run(() => acts.post(props.idea))) as { id: string } | undefined
  if (made) await router.push({ name: 'post', params: { workspace: props.workspace, post: made.id } })
}
const pencilling = ref(false)
const at = reactive({ day: '', channel: null as string | null, clock: '' })
function begin() {
  Object.assign(at, { day: one.value?.due_on ?? '', channel: one.value?.channel_id ?? null, clock: '' })
  pencilling.value = true
}
async function pencil() {
  const to = { day: at.day, channel_id: at.channel, clock: at.clock || null }
  if (await run(async () => (await acts.mark(props.idea, to), true))) pencilling.value = false
}
const back = () =>
  void run(async () => {
    await acts.back(props.idea)
    void message.success('It is an idea again.')
  })
async function drop() {
  const { idea } = props
  if (!(await run(async () => (await acts.drop(idea), true)))) return
  offerUndo('The idea is thrown away.', () => attempt(() => acts.again(idea)))
  emit('close')
}
const made = computed(() => ['out', 'post', 'pencilled'].includes(one.value?.state ?? ''))
</script>

<template>
  <SidePanel :label="one?.title ?? 'Idea'" :width="400" @close="emit('close')">
    <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
    <ComingShape v-if="!one && !error" label="Fetching the idea" :lines="8" />
    <template v-if="one">
      <PanelName
        label="The idea in a few words"
        :name="value('title')"
        :off="off"
        serif
        @type="typed.title = $event"
        @leave="left('title')"
        @close="emit('close')"
      />
      <p class="quiet">
        {{ [one.given_by ?? 'somebody', came(one), brief(one.given_at, now)].filter(Boolean).join(', ') }}
      </p>
      <p v-if="problem || wrong.title" role="alert" class="late">{{ wrong.title || problem }}</p>

      <div class="worth">
        <RadioGroup
          :value="one.mine ?? undefined"
          size="small"
          option-type="button"
          aria-label="What I think of it"
          :disabled="!one.can.vote_idea?.ok"
        >
          <Radio v-for="(words, n) in VOTES" :key="words" :value="n + 1" @click="vote(n + 1)">{{ words }}</Radio>
        </RadioGroup>
        <span class="quiet">{{
          one.votes === 0
            ? 'nobody has voted yet'
            : one.voted.map((each) => `${each.name.split(' ')[0]}: ${VOTES[each.worth - 1]}`).join(', ')
        }}</span>
      </div>

      <div class="do">
        <template v-if="one.state === 'post' || one.state === 'out'">
          <router-link
            v-if="one.post_id"
            class="made"
            :to="{ name: 'post', params: { workspace, post: one.post_id } }"
            >{{ one.state === 'out' ? 'It is out' : 'Its post' }}</router-link
          >
          <b v-else class="made">A post is made of it</b>
        </template>
        <template v-else>
          <ActButton type="primary" :may="one.can.make_post" @click="post">Make a post of it</ActButton>
          <ActButton v-if="!pencilling" :may="one.can.pencil" @click="begin">{{
            one.state === 'pencilled' ? 'Pencil it in elsewhere, too' : 'Pencil it in …'
          }}</ActButton>
        </template>
        <span v-if="made" class="quiet">{{ became(one) }}</span>
        <ActButton v-if="made && one.state !== 'out'" link :off="off" @click="back">Bring it back</ActButton>
      </div>
      <form v-if="pencilling" class="pencil" @submit.prevent="pencil">
        <DayField id="idea-mark-day" v-model="at.day" label="Day in the plan" />
        <ClockField id="idea-mark-clock" v-model="at.clock" label="Hour, if it matters" />
        <ChoiceField
          id="idea-mark-channel"
          v-model="at.channel"
          label="Channel"
          :options="channels.map((each) => ({ value: each.id, label: each.name }))"
          placeholder="channel"
        />
        <Button html-type="submit" size="small" :disabled="!at.day || !at.channel">Pencil it in</Button>
        <button type="button" class="link-button" @click="pencilling = false">Cancel</button>
      </form>

      <div class="fields">
        <label for="idea-said">More of it</label>
        <Textarea
          id="idea-said"
          :value="value('note')"
          :readonly="!!off"
          :rows="5"
          class="copy"
          placeholder="Becomes the copy of its post"
          @update:value="typed.note = $event"
          @blur="left('note')"
        />
        <span v-if="wrong.note" class="wrong" role="alert">{{ wrong.note }}</span>
        <label for="idea-address">Link</label>
        <Input
          id="idea-address"
          :value="value('link')"
          :readonly="!!off"
          inputmode="url"
          placeholder="none"
          @update:value="typed.link = $event"
          @blur="left('link')"
          @press-enter="($event.target as HTMLElement).blur()"
        />
        <span v-if="wrong.link" class="wrong" role="alert">{{ wrong.link }}</span>
        <span class="label">Files</span>
        <ul class="files">
          <li v-for="file in one.files" :key="file.id">
            <img :src="thumb(workspace, file.id)" :alt="file.name" />
            <button v-if="!off" type="button" :aria-label="`Leave out ${file.name}`" @click="without(file.id)">
              out
            </button>
          </li>
          <li v-if="!off">
            <Button size="small" @click="picking = true">{{
              one.files.length === 0 ? 'From the media' : 'More'
            }}</Button>
          </li>
        </ul>
        <div class="two">
          <span>
            <label for="idea-group">Group</label>
            <ChoiceField
              id="idea-group"
              v-model="group"
              :disabled="!!off"
              :options="groups.map((each) => ({ value: each.id, label: each.name || 'none' }))"
            />
          </span>
          <span>
            <label for="idea-status">It is</label>
            <ChoiceField
              id="idea-status"
              v-model="status"
              :disabled="!!off"
              :options="Object.entries(STATUSES).map(([is, label]) => ({ value: is as keyof typeof STATUSES, label }))"
            />
          </span>
          <span>
            <label for="idea-channel">For</label>
            <ChoiceField
              id="idea-channel"
              v-model="channel"
              :disabled="!!off"
              :options="[
                { value: null, label: 'any channel' },
                ...channels.map((each) => ({ value: each.id, label: each.name })),
              ]"
            />
          </span>
          <span>
            <label for="idea-due">Wanted by</label>
            <DayField id="idea-due" v-model="due" :disabled="!!off" />
          </span>
          <span>
            <label for="idea-category">Kind</label>
            <SuggestField
              id="idea-category"
              :model-value="value('category')"
              :known="categories"
              :readonly="!!off"
              placeholder="none"
              @update:model-value="typed.category = $event"
              @done="left('category')"
              @left="left('category')"
            />
          </span>
          <span>
            <label for="idea-audience">Audience</label>
            <Input
              id="idea-audience"
              :value="value('audience')"
              :readonly="!!off"
              placeholder="whom it is for"
              @update:value="typed.audience = $event"
              @blur="left('audience')"
              @press-enter="($event.target as HTMLElement).blur()"
            />
          </span>
        </div>
        <p v-if="timing(one).words" :class="timing(one).loud ? 'late' : 'quiet'">{{ timing(one).words }}</p>
        <span v-for="name in SMALL.filter((field) => wrong[field])" :key="name" class="wrong" role="alert">{{
          wrong[name]
        }}</span>
        <span class="label">Keywords, with searches a month and competition</span>
        <KeywordRows :keywords="keywords ?? one.keywords" :off="off" @change="key" />
      </div>
      <p class="end">
        <ActButton link :off="off" @click="drop">Discard the idea</ActButton>
        <span class="quiet">{{ rating(one) || 'No vote yet' }}</span>
      </p>
    </template>
    <MediaPicker
      v-if="picking && one"
      :workspace="workspace"
      :there="one.media_ids"
      into="idea"
      @close="picking = false"
      @take="take"
    />
  </SidePanel>
</template>

<style scoped>
.worth {
  display: grid;
  gap: 4px;
  padding: 8px 0 12px;
}
.do,
.pencil {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 10px;
  align-items: center;
  padding-bottom: 10px;
}
.pencil {
  padding: 8px 10px;
  background: var(--well);
}
.made {
  font-weight: 600;
}
.fields {
  display: grid;
  gap: 2px;
}
.fields label,
.label {
  margin-top: 8px;
  color: var(--ink-2);
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 2px 12px;
}
.two > span {
  display: grid;
  align-content: end;
  min-width: 0;
}
.files {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.files li {
  position: relative;
}
.files img {
  display: block;
  width: 64px;
  height: 64px;
  object-fit: cover;
  background: var(--well);
}
.files li > button:not(.ant-btn) {
  position: absolute;
  right: 0;
  bottom: 0;
  min-height: 24px;
  padding: 0 6px;
  background: var(--sheet);
  border: 0;
  cursor: pointer;
}
.end {
  display: flex;
  justify-content: space-between;
  padding: 16px 0 24px;
}
</style>
