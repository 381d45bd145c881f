<script setup lang="ts">
// One member: what they may do here and why, what they hold in their hands, and what can be changed about it.
import { message } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ok, sentence, type Schemas } from '@/api/client'
import { list } from '@/api/words'
import ChangeMember from './ChangeMember.vue'
import EndMember from './EndMember.vue'
import ActButton from '@/parts/ActButton.vue'
import SidePanel from '@/parts/SidePanel.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'

const props = defineProps<{
  workspace: string
  person: Schemas['ClientPeople']['people'][number]
  here: Schemas['ClientPeople']
}>()
const emit = defineEmits<{ close: [] }>()
const router = useRouter()
const queries = useQueryClient()
const path = { workspace: props.workspace, membership: props.person.id }
const { data } = useQuery({
  queryKey: ['member', props.person.id, props.person.version],
  queryFn: () => ok(api.GET('/api/w/{workspace}/people/{membership}', { params: { path } })),
})
const changing = ref(false)
const ending = ref(false)
const first = computed(() => props.person.name.split(' ')[0])
const holds = computed(() => data.value?.holds)
const MOST_NAMES = 3
const NOTICES: Record<string, string> = { asked: 'is asked for a yes', talk: 'is answered in the client’s room' }
const choices = [
  { value: 'at_once', label: 'at once' },
  { value: 'digest', label: 'once a day' },
  { value: 'not', label: 'not at all' },
]

async function look() {
  try {
    await ok(
      api.POST('/api/w/{workspace}/look-as', {
        params: { path: { workspace: props.workspace } },
        body: { membership_id: props.person.id },
      }),
    )
    await queries.resetQueries() // everything is seen by other eyes now
    await router.push(
      props.person.side === 'client' ? { name: 'as-client' } : { name: 'desk', query: { client: props.workspace } },
    )
  } catch (problem) {
    void message.error(sentence(problem), 8)
  }
}
async function turn(kind: string, choice: string) {
  try {
    await ok(
      api.PUT('/api/w/{workspace}/people/{membership}/notices', {
        params: { path },
        body: { notices: { [kind]: choice } },
      }),
    )
  } catch (problem) {
    void message.error(sentence(problem), 8)
  }
  void queries.invalidateQueries({ queryKey: ['member', props.person.id] })
}
function why(line: Schemas['MemberSheet']['lines'][number]) {
  if (line.allowed === 'all') return ''
  const names = line.who_can.map((name) => name.split(' ')[0]!)
  const more = names.length - MOST_NAMES
  return names.length > 0 ? `${list(more > 1 ? [...names.slice(0, MOST_NAMES), `${more} more`] : names)} can` : ''
}
</script>

<template>
  <SidePanel :label="`What ${person.name} may do here`" :width="390" @close="emit('close')">
    <header>
      <b>{{ person.name }}</b> <span class="quiet">{{ person.role }}</span>
    </header>
    <p class="mail quiet">{{ person.email }}</p>
    <ul v-if="data" class="lines">
      <li
        v-for="line in data.lines"
        :key="line.words"
        :title="line.who_can.length > 0 ? `${list(line.who_can)} can` : undefined"
      >
        <svg
          width="13"
          height="13"
          viewBox="0 0 13 13"
          role="img"
          :aria-label="line.allowed === 'none' ? 'may not' : line.allowed === 'part' ? 'in part' : 'may'"
        >
          <path
            v-if="line.allowed === 'all'"
            d="M1.5 7l3.2 3.3L11.5 2.5"
            fill="none"
            :style="{ stroke: 'var(--cleared)' }"
            stroke-width="2"
          />
          <path
            v-else-if="line.allowed === 'part'"
            d="M1.5 7l3.2 3.3L11.5 2.5"
            fill="none"
            :style="{ stroke: 'var(--cleared)' }"
            stroke-width="1.5"
            stroke-dasharray="2.5 2"
          />
          <path v-else d="M2 6.5H10" fill="none" :style="{ stroke: 'var(--trouble)' }" stroke-width="2" />
        </svg>
        <span
          >{{ line.words }}<span v-if="why(line)" class="quiet who">{{ why(line) }}</span></span
        >
        <span class="quiet">{{ line.why }}</span>
      </li>
    </ul>
    <template v-if="holds">
      <header class="second">
        <b>If {{ first }} leaves this client</b> <span class="quiet">nothing is lost</span>
      </header>
      <ul class="holds">
        <li>
          <b>{{ holds.tasks.length }}</b> open {{ holds.tasks.length === 1 ? 'task needs' : 'tasks need' }} another
          person
        </li>
        <li>
          <b>{{ holds.asks.length }}</b> {{ holds.asks.length === 1 ? 'ask waits' : 'asks wait' }} for {{ first
          }}<template v-if="holds.asks.some((one) => one.last)"
            >, {{ holds.asks.filter((one) => one.last).length }} for nobody else</template
          >
        </li>
        <li v-if="holds.posts > 0">
          <b>{{ holds.posts }}</b> {{ holds.posts === 1 ? 'post has' : 'posts have' }} {{ first }} as owner
        </li>
        <li v-for="step in holds.steps" :key="step.name">
          <b>–</b> the step “{{ step.name }}” names {{ first }}<template v-if="step.only"> and nobody else</template>
        </li>
        <li v-if="holds.channels.length > 0">
          <b>–</b> {{ list(holds.channels) }} {{ holds.channels.length === 1 ? 'rests' : 'rest' }} on their consent;
          somebody else must connect again
        </li>
        <li v-if="holds.only_they_release"><b>!</b> only {{ first }} can release here</li>
        <li v-if="holds.releases > 0">
          <b>{{ holds.releases }}</b> {{ holds.releases === 1 ? 'release stands' : 'releases stand' }} in their name,
          and stay
        </li>
        <li v-if="holds.stands_in_for > 0">
          <b>{{ holds.stands_in_for }}</b> {{ holds.stands_in_for === 1 ? 'absence has' : 'absences have' }} them as
          stand-in
        </li>
        <li>
          <b>{{ holds.record }}</b> lines keep their name in the record
        </li>
      </ul>
    </template>
    <template v-if="data?.notices">
      <header class="second"><b>Mail to them</b></header>
      <div v-for="(choice, kind) in data.notices" :key="kind" class="notice">
        <label :for="`notice-${kind}`">when {{ first }} {{ NOTICES[kind] ?? kind }}</label>
        <ChoiceField
          :id="`notice-${kind}`"
          :model-value="choice"
          :disabled="!here.can.change_member?.ok"
          :options="choices"
          @update:model-value="turn(String(kind), $event)"
        />
      </div>
    </template>
    <div class="acts">
      <ActButton :may="here.can.change_member" @click="changing = true">Change role …</ActButton>
      <ActButton :may="here.can.change_member" @click="ending = true">End access …</ActButton>
      <ActButton v-if="!person.me" :may="here.can.look_as" @click="look">See as {{ first }}</ActButton>
    </div>
    <ChangeMember
      v-if="changing"
      :workspace="workspace"
      :person="person"
      :here="here"
      :holds="holds"
      @close="changing = false"
    />
    <EndMember
      v-if="ending && holds"
      :workspace="workspace"
      :person="person"
      :here="here"
      :holds="holds"
      @close="ending = false"
    />
  </SidePanel>
</template>

<style scoped>
header {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  padding-bottom: 5px;
  border-bottom: 1px solid var(--rule);
}
header.second {
  margin-top: 16px;
}
.mail {
  padding: 4px 0;
}
.lines li {
  display: grid;
  grid-template-columns: 16px 1fr auto;
  gap: 8px;
  align-items: baseline;
  padding: 4px 0;
  border-bottom: 1px solid var(--hairline);
}
.who {
  display: block;
}
.holds li {
  display: grid;
  grid-template-columns: 24px 1fr;
  padding: 4px 0;
  border-bottom: 1px solid var(--hairline);
}
.notice {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  padding: 5px 0;
}
/* always in reach, however long the list */
.acts {
  position: sticky;
  bottom: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 12px -18px 0;
  padding: 12px 18px;
  background: var(--sheet);
  border-top: 1px solid var(--rule);
}
</style>
