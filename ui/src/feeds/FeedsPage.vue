<script setup lang="ts">
// Where ideas come from by themselves: the client's own site, or a folder of its media; each with its health.
import { Button, Input, message } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { useChosen } from '@/agency/me'
import { sentence, unread } from '@/api/client'
import { brief } from '@/api/time'
import MaterialBar from '@/media/library/MaterialBar.vue'
import ActButton from '@/parts/ActButton.vue'
import ComingShape from '@/parts/ComingShape.vue'
import FormField from '@/parts/FormField.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import { later } from '@/parts/later'
import { useProblem } from '@/parts/problem'
import { useChoices } from '@/plan/calendar/filter'
import { came, health, useFeedActs, useFeeds, type Feed, type FeedSaid } from './feeds'
import { useBoard } from '@/ideas/ideas'

const FeedForm = later(() => import('./FeedForm.vue'))
const { id, workspace, me } = useChosen()
const { data, error } = useFeeds(id)
const { data: board } = useBoard(id, ref({ state: '', category: '', words: '', view: '', order: '' }))
const { data: choices } = useChoices(id)
const channels = computed(() => (choices.value?.channels ?? []).filter((one) => one.workspace_id === id.value))
const acts = useFeedActs(computed(() => id.value!))
const off = computed(() => (data.value?.can.keep_feed?.ok ? undefined : (data.value?.can.keep_feed?.why ?? '…')))
const open = ref<string>()
const opened = computed(() => data.value?.feeds.find((one) => one.id === open.value))

const address = ref('')
const folder = ref<string>()
const { busy, at, beside, run } = useProblem()
async function add(body: FeedSaid) {
  const made = await run(() => acts.add(body))
  if (!made) return
  address.value = ''
  folder.value = undefined
  open.value = made.id
}
const watched = computed(() => new Set(data.value?.feeds.map((one) => one.folder_id)))
const folders = computed(() => (data.value?.folders ?? []).filter((one) => !watched.value.has(one.id)))

async function told(act: () => Promise<unknown>) {
  try {
    await act()
  } catch (problem) {
    void message.error(sentence(problem), 9)
  }
}
const rest = (one: Feed) => void told(() => acts.change(one.id, { version: one.version, paused: !one.paused }))
const leaving = ref<string>()
function drop(one: Feed) {
  leaving.value = undefined
  void told(() => acts.drop(one.id))
}
</script>

<template>
  <MaterialBar />
  <main v-if="id" class="page feeds">
    <div class="page-head">
      <span class="quiet">What comes in for {{ workspace?.name }} by itself</span>
    </div>
    <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
    <ComingShape v-if="!data && !error" label="Fetching the feeds" :lines="6" />
    <template v-if="data">
      <ul class="rows">
        <li v-for="one in data.feeds" :key="one.id" :class="{ rests: one.paused }">
          <div class="what">
            <b dir="auto">{{ one.name }}</b>
            <span class="quiet">{{ one.address ?? 'a folder of the media' }}</span>
            <span :class="health(one, me!.now).loud ? 'late' : 'quiet'">{{ health(one, me!.now).words }}</span>
          </div>
          <div class="came">
            <span>{{ one.makes === 'draft' ? 'becomes drafts' : 'becomes ideas' }}</span>
            <span v-if="came(one)" class="quiet">{{ came(one) }}</span>
            <ul>
              <li v-for="item in one.latest.slice(0, 3)" :key="item.idea_id ?? item.title">
                <router-link
                  v-if="item.idea_id"
                  :to="{ name: 'ideas', query: { client: id, idea: item.idea_id } }"
                  dir="auto"
                  >{{ item.title }}</router-link
                >
                <span class="quiet">{{ brief(item.at, me!.now) }}</span>
              </li>
            </ul>
          </div>
          <div class="do">
            <template v-if="leaving === one.id">
              <span>What came of it stays.</span>
              <Button size="small" @click="drop(one)">Remove it</Button>
              <button type="button" class="link-button" @click="leaving = undefined">Keep it</button>
            </template>
            <template v-else>
              <ActButton size="small" :type="one.begun ? 'default' : 'primary'" :off="off" @click="open = one.id">{{
                one.begun ? 'Rule' : 'Write its rule and begin'
              }}</ActButton>
              <ActButton v-if="one.begun" link :off="off" @click="rest(one)">{{
                one.paused ? 'Go on' : 'Pause'
              }}</ActButton>
              <ActButton link :off="off" @click="leaving = one.id">Remove</ActButton>
            </template>
          </div>
        </li>
        <li v-if="data.feeds.length === 0" class="quiet none">
          None yet. The news of the client’s own site can come in as ideas, and every file that is put into a folder.
        </li>
      </ul>
      <form v-if="!off" class="block add" @submit.prevent="add({ address })">
        <FormField
          id="feed-address"
          label="A feed, or the page of a site that has one"
          hint="RSS, Atom or JSON Feed."
          :wrong="at('address')"
        >
          <Input id="feed-address" v-model:value="address" inputmode="url" placeholder="https://" />
        </FormField>
        <Button html-type="submit" type="primary" :loading="busy" :disabled="address.trim() === ''">Read it</Button>
        <template v-if="folders.length > 0">
          <FormField id="feed-folder" label="Or watch a folder of the media">
            <ChoiceField
              id="feed-folder"
              v-model="folder"
              :options="folders.map((one) => ({ value: one.id, label: one.name }))"
              placeholder="choose one"
              @update:model-value="add({ folder_id: $event })"
            />
          </FormField>
        </template>
        <p v-if="beside(['address'])" role="alert" class="wrong">{{ beside(['address']) }}</p>
      </form>
      <p v-else class="quiet">{{ off }}</p>
    </template>
    <FeedForm
      v-if="opened && id && me"
      :key="opened.id"
      :workspace="id"
      :feed="opened"
      :groups="board?.groups ?? []"
      :channels="channels"
      :now="me.now"
      @close="open = undefined"
    />
  </main>
  <main v-else class="page"><p class="quiet">Feeds belong to one client each. Choose one above.</p></main>
</template>

<style scoped>
.rows {
  margin-bottom: 18px;
  border-top: 2px solid var(--ink);
  background: var(--sheet);
}
.rows > li {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr) auto;
  gap: 8px 24px;
  padding: 12px 16px;
  border-bottom: 1px solid var(--rule);
}
.rows > li.rests {
  background: transparent;
}
.rows > li.none {
  display: block;
}
.what,
.came {
  display: grid;
  align-content: start;
  overflow-wrap: anywhere;
}
.what b {
  font-weight: 600;
}
.came li {
  display: flex;
  gap: 10px;
}
.came li .quiet {
  margin-left: auto;
  white-space: nowrap;
}
.do {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: flex-start;
  justify-content: flex-end;
  max-width: 300px;
}
.add {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 16px;
  align-items: flex-start;
}
.add > :first-child {
  flex: 0 1 420px;
}
.add > button {
  margin-top: 21px;
}
.add > :nth-child(3) {
  margin-left: 24px;
}
@media (max-width: 760px) {
  .rows > li {
    grid-template-columns: 1fr;
  }
}
</style>
