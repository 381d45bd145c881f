<script setup lang="ts">
// One thread of talk: what it points at, what was said, a suggestion that is taken or declined, and how it goes on.
import { Button, Textarea, message } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { api, ok, sentence } from '@/api/client'
import { brief } from '@/api/time'
import { list } from '@/api/words'
import ActButton from '@/parts/ActButton.vue'
import DialogBox from '@/parts/DialogBox.vue'
import { draft } from '@/parts/drafts'
import WordRuns from '@/parts/WordRuns.vue'
import { useAct, type Sheet } from '@/posts/sheet'
import { fileAddress } from './files'
import { placeWords, usePins } from './pins'

type Remark = Sheet['remarks'][number]
const props = defineProps<{ sheet: Sheet; root: Remark; answers: Remark[]; number?: number; now: string }>()
const emit = defineEmits<{ task: [words: string] }>()
const { active } = usePins()
const path = computed(() => ({ workspace: props.sheet.workspace_id }))
const all = computed(() => [props.root, ...props.answers])
const answering = ref(false)
const box = draft(`answer:${props.root.id}`)
const words = ref(box.read() ?? '')
const editing = ref<string>()
const edited = ref('')

const at = (id: string) => ({ params: { path: { ...path.value, remark: id } } })
const answer = useAct<undefined>(
  props.sheet.id,
  () =>
    ok(
      api.POST('/api/w/{workspace}/posts/{post}/remarks', {
        params: { path: { ...path.value, post: props.sheet.id } },
        body: { room: props.root.room, words: words.value, thread_id: props.root.id },
      }),
    ),
  () => {
    words.value = ''
    box.clear()
    answering.value = false
  },
)
const settle = useAct<boolean>(props.sheet.id, (settled) =>
  ok(api.PUT('/api/w/{workspace}/remarks/{remark}/settled', { ...at(props.root.id), body: { settled } })),
)
const change = useAct<string>(
  props.sheet.id,
  (id) => ok(api.PUT('/api/w/{workspace}/remarks/{remark}', { ...at(id), body: { words: edited.value } })),
  () => (editing.value = undefined),
)
const remove = useAct<string>(props.sheet.id, (id) => ok(api.DELETE('/api/w/{workspace}/remarks/{remark}', at(id))))
const inside = useAct<string>(props.sheet.id, (id) =>
  ok(api.POST('/api/w/{workspace}/remarks/{remark}/copy-inside', at(id))),
)
const decide = useAct<{ as: 'taken' | 'declined'; everywhere?: boolean }>(props.sheet.id, (body) =>
  ok(api.POST('/api/w/{workspace}/remarks/{remark}/decide', { ...at(props.root.id), body })),
)
const pinned = computed(() => {
  const { pin } = props.root
  if (!pin) return ''
  const where = pin.channel ? `, ${pin.channel}` : ''
  if (pin.kind === 'words') return `“${pin.exact}”${where}`
  if (pin.kind === 'page') return `${placeWords(pin)} of the document${where}`
  if (pin.kind === 'moment') return `${placeWords(pin)} of the video${where}`
  return `${(pin.width ?? 0) > 0 ? 'an area' : 'a spot'} of the picture${where}`
})
// one's own words can be changed for a while, as long as nobody has answered
const own = (one: Remark) =>
  one.mine &&
  !one.deleted &&
  Date.parse(props.now) - Date.parse(one.at) < 15 * 60_000 &&
  props.answers.at(-1)?.id !== props.root.id
function edit(one: Remark) {
  editing.value = one.id
  edited.value = one.words
}
const copy = computed(() => props.root.suggestion)
// what came by mail, whole
const mail = ref<{ sender: string; at: string; whole: string }>()
async function openMail(id: string) {
  try {
    mail.value = await ok(api.GET('/api/w/{workspace}/remarks/{remark}/mail', at(id)))
  } catch (error) {
    void message.error(sentence(error))
  }
}
</script>

<template>
  <li class="thread" :class="[root.room, { active: active === root.id }]" @focusin="active = root.id">
    <p v-if="pinned" class="pinned">
      <b v-if="number" class="number">{{ number }}</b>
      <bdi :class="{ gone: root.pin?.gone }">{{ pinned }}</bdi>
      <span v-if="root.pin?.gone" class="quiet">&#32;is not there any more</span>
    </p>
    <div v-for="one in all" :key="one.id" class="said">
      <b>{{ one.person }}</b>
      <span class="quiet"
        >{{ brief(one.at, now) }}{{ one.edited ? ', changed' : '' }}{{ one.copied ? ', from client talk' : '' }}</span
      >
      <p v-if="one.deleted" class="quiet">deleted</p>
      <form v-else-if="editing === one.id" @submit.prevent="change.mutate(one.id)">
        <Textarea v-model:value="edited" :rows="2" :aria-label="`Your words of ${brief(one.at, now)}`" />
        <Button size="small" html-type="submit" :disabled="!edited.trim()">Save</Button>
        <Button size="small" @click="editing = undefined">Cancel</Button>
      </form>
      <p v-else-if="one.words !== '…'" dir="auto">{{ one.words }}</p>
      <p v-if="one.mail" class="quiet small">
        by mail{{ one.mail.about_all ? ', about all that was asked there' : '' }}
        <button type="button" class="link-button" @click="openMail(one.id)">the whole mail</button>
      </p>
      <p v-if="one.mentions.length > 0" class="quiet">to {{ list(one.mentions) }}</p>
      <p v-for="file in one.files" :key="file.id">
        <a :href="fileAddress({ workspace: sheet.workspace_id, post: sheet.id }, file.id)" download>{{ file.name }}</a>
      </p>
      <p v-if="own(one) && editing !== one.id && answers.length === 0" class="small">
        <button type="button" class="link-button" @click="edit(one)">change</button>
        <button type="button" class="link-button" @click="remove.mutate(one.id)">delete</button>
      </p>
    </div>
    <div v-if="copy" class="suggestion">
      <WordRuns :runs="copy.runs" label="What would stand there" />
      <p v-if="copy.decided" class="quiet">{{ copy.decided }} by {{ copy.by }}</p>
      <template v-else>
        <p v-for="cost in (copy.everywhere ?? copy.here)?.costs ?? []" :key="cost" class="quiet">{{ cost }}</p>
        <p v-if="copy.here && !copy.here.there" class="quiet">These words were changed since; write it by hand.</p>
        <div class="acts">
          <ActButton
            v-if="copy.everywhere?.there"
            size="small"
            :loading="decide.isPending.value"
            @click="decide.mutate({ as: 'taken', everywhere: true })"
            >Take it everywhere</ActButton
          >
          <ActButton
            v-if="copy.here?.there"
            size="small"
            :loading="decide.isPending.value"
            @click="decide.mutate({ as: 'taken' })"
            >{{ copy.everywhere ? `${root.pin?.channel} only` : 'Take it' }}</ActButton
          >
          <ActButton size="small" @click="decide.mutate({ as: 'declined' })">Decline</ActButton>
        </div>
      </template>
    </div>
    <form v-if="answering" @submit.prevent="answer.mutate(undefined)">
      <label class="hidden" :for="`answer-${root.id}`">Your answer</label>
      <Textarea
        :id="`answer-${root.id}`"
        :value="words"
        :rows="2"
        @update:value="((words = $event), box.write($event))"
        @keydown.ctrl.enter.prevent="words.trim() && answer.mutate(undefined)"
      />
      <Button size="small" html-type="submit" :disabled="!words.trim()" :loading="answer.isPending.value"
        >Send the answer</Button
      >
    </form>
    <p class="small">
      <button v-if="!answering" type="button" class="link-button" @click="answering = true">answer</button>
      <button type="button" class="link-button" @click="settle.mutate(!root.settled)">
        {{ root.settled ? 'open again' : 'settled' }}
      </button>
      <ActButton link :may="sheet.can.assign" @click="emit('task', root.words)">make it a task</ActButton>
      <button v-if="root.room === 'client'" type="button" class="link-button" @click="inside.mutate(root.id)">
        copy inside
      </button>
    </p>
    <DialogBox v-if="mail" title="The whole mail" :width="560" @close="mail = undefined">
      <p class="quiet">{{ mail.sender }}, {{ brief(mail.at, now) }}</p>
      <p class="whole" dir="auto">{{ mail.whole }}</p>
    </DialogBox>
  </li>
</template>

<style scoped>
.thread {
  padding: 7px 10px;
  margin-bottom: 6px;
  background: var(--well);
  border-left: 4px solid var(--ink-2);
  overflow-wrap: anywhere;
}
.client {
  background: var(--client-ground);
  border-left-color: var(--client);
}
.active {
  outline: 1px solid var(--ink);
}
.pinned bdi {
  font: italic 400 13px/1.4 var(--serif);
}
.gone {
  text-decoration: line-through;
}
.number {
  display: inline-block;
  min-width: 20px;
  margin-right: 6px;
  border-radius: 10px;
  text-align: center;
  background: var(--ink);
  color: var(--sheet);
  font-size: 12px;
}
.client .number {
  background: var(--client);
}
.said {
  padding: 2px 0;
}
.whole {
  max-height: 60vh;
  overflow: auto;
  white-space: pre-line;
}
.small {
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
}
.said .quiet {
  margin-left: 6px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin: 4px 0;
}
</style>
