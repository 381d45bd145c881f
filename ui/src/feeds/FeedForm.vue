<script setup lang="ts">
// What is made of a feed: which items, in which words, as an idea or a draft. The rule is tried on its newest items as
// it is typed.
import { LENGTHS } from '@/api/lengths'
import { Button, Input, InputNumber, Radio, RadioGroup, Textarea } from 'ant-design-vue'
import { watchDebounced } from '@vueuse/core'
import { computed, reactive, ref, toRef } from 'vue'
import { sentence, type Schemas } from '@/api/client'
import { brief } from '@/api/time'
import DialogBox from '@/parts/DialogBox.vue'
import FormField from '@/parts/FormField.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import { useProblem } from '@/parts/problem'
import { typed, useFeedActs, words, type Feed, type Rule } from './feeds'
import type { Group } from '@/ideas/ideas'

const props = defineProps<{
  workspace: string
  feed: Feed
  groups: Group[]
  channels: Schemas['PlanChoices']['channels']
  now: string
}>()
const emit = defineEmits<{ close: [] }>()
const acts = useFeedActs(toRef(props, 'workspace'))
const { rule } = props.feed
const form = reactive({
  name: props.feed.name,
  needs: typed(rule.needs),
  without: typed(rule.without),
  title: rule.title,
  note: rule.note,
  makes: props.feed.makes,
  group: props.feed.group_id,
  channel: props.feed.channel_id,
  take: 0,
})
const written = computed<Rule>(() => ({
  needs: words(form.needs),
  without: words(form.without),
  title: form.title,
  note: form.note,
}))

// --- tried as it is typed ---
type Tried = Awaited<ReturnType<typeof acts.look>>['items']
const tried = ref<Tried>()
const refused = ref('')
async function look() {
  refused.value = ''
  try {
    tried.value = (await acts.look(props.feed.id, written.value)).items
  } catch (problem) {
    refused.value = sentence(problem)
  }
}
watchDebounced([written, () => props.feed.found], () => void look(), { debounce: 300, immediate: true })
const taken = computed(() => tried.value?.filter((one) => one.passes).length ?? 0)

const { busy, at, beside, run } = useProblem()
const FIELDS = ['name', 'needs', 'without', 'title', 'note']
async function save(begin: boolean) {
  const body = {
    version: props.feed.version,
    name: form.name,
    rule: written.value,
    makes: form.makes,
    group_id: form.group,
    channel_id: form.channel,
    ...(begin ? { begin, take: form.take } : {}),
  }
  if (await run(async () => (await acts.change(props.feed.id, body), true))) emit('close')
}
</script>

<template>
  <DialogBox :title="feed.address ?? `The folder “${feed.name}”`" :width="860" @close="emit('close')">
    <form class="feed" @submit.prevent="save(!feed.begun)">
      <div>
        <FormField id="feed-name" label="Name" :wrong="at('name')">
          <Input id="feed-name" v-model:value="form.name" :maxlength="LENGTHS.title" />
        </FormField>
        <FormField
          id="feed-needs"
          label="Only items with one of these words"
          hint="By commas; left empty, all items."
          :wrong="at('needs')"
        >
          <Input id="feed-needs" v-model:value="form.needs" placeholder="all" />
        </FormField>
        <FormField id="feed-without" label="And without any of these" :wrong="at('without')">
          <Input id="feed-without" v-model:value="form.without" placeholder="none" />
        </FormField>
        <FormField
          id="feed-title"
          label="Its title"
          hint="{title}, {words}, {date} and {link} are filled in."
          :wrong="at('title')"
        >
          <Input id="feed-title" v-model:value="form.title" :maxlength="300" />
        </FormField>
        <FormField id="feed-note" label="Its words" :wrong="at('note')">
          <Textarea id="feed-note" v-model:value="form.note" :rows="3" :maxlength="2000" />
        </FormField>
        <RadioGroup v-model:value="form.makes" aria-label="What each becomes">
          <Radio value="idea">an idea</Radio>
          <Radio value="draft">a draft at once</Radio>
        </RadioGroup>
        <div class="row">
          <FormField id="feed-group" label="In the group">
            <ChoiceField
              id="feed-group"
              v-model="form.group"
              :options="groups.map((one) => ({ value: one.id, label: one.name || 'none' }))"
            />
          </FormField>
          <FormField id="feed-channel" label="For the channel">
            <ChoiceField
              id="feed-channel"
              v-model="form.channel"
              :options="[{ value: null, label: 'any' }, ...channels.map((one) => ({ value: one.id, label: one.name }))]"
            />
          </FormField>
        </div>
        <FormField
          v-if="!feed.begun"
          id="feed-take"
          label="Of those that are there already, take the newest"
          hint="Everything that is new from now on comes by itself."
        >
          <InputNumber id="feed-take" v-model:value="form.take" :min="0" :max="10" :precision="0" />
        </FormField>
        <p v-if="beside(FIELDS)" role="alert" class="wrong">{{ beside(FIELDS) }}</p>
        <div class="acts">
          <Button type="primary" html-type="submit" :loading="busy">{{ feed.begun ? 'Save' : 'Begin' }}</Button>
          <Button v-if="!feed.begun" :loading="busy" @click="save(false)">Save, begin later</Button>
          <Button @click="emit('close')">Cancel</Button>
        </div>
      </div>
      <section tabindex="0" aria-label="Tried on its newest items" aria-live="polite">
        <h3>Tried on its newest items</h3>
        <p v-if="refused" role="alert" class="late">{{ refused }}</p>
        <p v-else-if="feed.state === 'new'" class="quiet">It is being read …</p>
        <p v-else-if="tried && tried.length === 0" class="quiet">There is no item in it yet.</p>
        <p v-else-if="tried" class="quiet">{{ taken }} of {{ tried.length }} would come in.</p>
        <ul>
          <li v-for="(one, index) in tried" :key="index" :class="{ passed: !one.passes }">
            <b dir="auto">{{ one.title }}</b>
            <span v-if="one.passes" class="quiet note" dir="auto">{{ one.note }}</span>
            <span class="quiet">{{
              [one.passes ? '' : 'passed over', one.at ? brief(one.at, now) : '', one.picture ? 'with a picture' : '']
                .filter(Boolean)
                .join(' · ')
            }}</span>
          </li>
        </ul>
      </section>
    </form>
  </DialogBox>
</template>

<style scoped>
.feed {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 24px;
}
.row {
  display: flex;
  gap: 14px;
  margin-top: 12px;
}
.row > * {
  flex: 1;
  min-width: 0;
}
section {
  max-height: 62vh;
  padding: 10px 14px;
  overflow: auto;
  background: var(--well);
}
h3 {
  font-size: 14px;
}
li {
  display: grid;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}
li b {
  font: 500 15px/1.35 var(--serif);
}
li.passed b {
  color: var(--ink-2);
  text-decoration: line-through;
}
.note {
  display: -webkit-box;
  overflow: hidden;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
}
@media (max-width: 760px) {
  .feed {
    grid-template-columns: 1fr;
  }
}
</style>
