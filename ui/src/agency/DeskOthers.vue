<script setup lang="ts">
// What waits for others, by person or by client, the worst first, with a nudge for whoever keeps it.
import { message } from 'ant-design-vue'
import { useMutation } from '@tanstack/vue-query'
import { useStorage } from '@vueuse/core'
import { computed } from 'vue'
import { api, ok, sentence, type Schemas } from '@/api/client'
import { brief } from '@/api/time'
import { initials, list, titled } from '@/api/words'
import ActButton from '@/parts/ActButton.vue'
import ChannelLogos from '@/parts/ChannelLogos.vue'
import SignoffStrip from '@/parts/SignoffStrip.vue'
import { folds, type Group } from './others'

const props = defineProps<{
  desk: Schemas['Desk']
  names: Record<string, string>
  may: Record<string, { ok: boolean; why?: string } | undefined>
  several: boolean
  when: (at: string | null | undefined, workspace: string) => string
}>()
const emit = defineEmits<{ whole: [] }>()
const by = useStorage<'person' | 'client'>('desk:others', 'person')
const groups = computed(() => folds(props.desk.waits_for_others, props.several ? by.value : 'person', props.names))
const shown = computed(() => props.desk.waits_for_others.reduce((sum, one) => sum + one.open, 0))
const open = (workspace: string, post: string) => ({ name: 'post', params: { workspace, post } })
const firsts = (person: string) =>
  person
    .split(' or ')
    .map((name) => name.split(' ')[0])
    .join(' and ')

const nudge = useMutation({
  mutationFn: async (group: Group) => {
    const params = { path: { workspace: group.workspace_id } }
    return (await ok(api.POST('/api/w/{workspace}/nudges', { params, body: { ask_ids: group.asks } }))).reminded
  },
  onSuccess: (names) => void message.success(`${list(names)} ${names.length === 1 ? 'is' : 'are'} reminded.`),
  onError: (problem) => void message.error(sentence(problem), 9),
})
</script>

<template>
  <section aria-labelledby="others">
    <h2 id="others">
      Waiting for others <span class="number">{{ desk.counts.waits_for_others }}</span>
      <button
        v-if="several && desk.counts.waits_for_others > 0"
        type="button"
        class="link-button"
        @click="by = by === 'person' ? 'client' : 'person'"
      >
        {{ by === 'person' ? 'by client' : 'by person' }}
      </button>
    </h2>
    <details v-for="(one, index) in groups" :key="one.key" class="group" :open="groups.length < 8 || index < 2">
      <summary class="person">
        <span
          v-if="one.groups.length === 1 && by === 'person'"
          class="face"
          :class="one.groups[0]!.side"
          aria-hidden="true"
          >{{ initials(one.name) }}</span
        >
        <b>{{ one.name }}</b>
        <span class="quiet"
          >{{ one.open }} open<template v-if="one.groups.length === 1 && by === 'person' && one.late === 0"
            >, asked {{ brief(one.groups[0]!.since, desk.now) }}</template
          ></span
        >
        <b v-if="one.late > 0" class="late">{{ one.late }} late</b>
      </summary>
      <template v-for="group in one.groups" :key="group.workspace_id + group.person">
        <p v-if="several && by === 'client'" class="inset who" :class="group.side">{{ group.person }}</p>
        <ul class="inset">
          <li v-for="line in group.lines" :key="line.post.id" class="row">
            <router-link data-row :to="open(line.workspace_id, line.post.id)">
              <span class="line"
                ><span>{{ titled(line.post.subject) }}</span
                ><SignoffStrip :strip="line.post.strip" :now="desk.now"
              /></span>
              <span class="line quiet"
                ><span v-if="several && by === 'person'"
                  >{{ names[line.workspace_id] }} · {{ when(line.post.at, line.workspace_id) }}</span
                ><span v-else class="marks"
                  >{{ when(line.post.at, line.workspace_id) }} <ChannelLogos :channels="line.post.channels" /></span
                ><b v-if="line.late" class="late">answer was due {{ when(line.due_at, line.workspace_id) }}</b
                ><span v-else>by {{ when(line.due_at, line.workspace_id) }}</span></span
              >
            </router-link>
          </li>
        </ul>
        <p class="inset nudge">
          <ActButton
            size="small"
            :may="may[group.workspace_id]"
            :loading="nudge.isPending.value && nudge.variables.value === group"
            @click="nudge.mutate(group)"
            >Nudge {{ firsts(group.person) }}</ActButton
          >
          <span v-if="group.reminded_at" class="quiet">reminded {{ brief(group.reminded_at, desk.now) }}</span>
        </p>
      </template>
    </details>
    <button v-if="shown < desk.counts.waits_for_others" type="button" class="link-button" @click="emit('whole')">
      {{ shown }} of {{ desk.counts.waits_for_others }} are shown: show all
    </button>
    <p v-if="desk.counts.waits_for_others === 0" class="none">Nothing waits for anybody else.</p>
  </section>
</template>

<style scoped>
h2 .link-button {
  height: 20px;
  margin-left: auto;
  font-weight: 450;
}
.nudge {
  display: flex;
  align-items: center;
  gap: 8px;
  padding-block: 6px;
}
.person {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 7px 0;
  border-bottom: 1px solid var(--rule);
}
.person .late {
  margin-left: auto;
}
.face {
  display: grid;
  place-items: center;
  width: 24px;
  height: 24px;
  border: 1.5px solid var(--internal);
  border-radius: 50%;
  font-size: 10px;
  font-weight: 600;
  color: var(--internal);
  background: var(--sheet);
}
.face.client {
  border-color: var(--client);
  color: var(--client);
}
.who {
  padding-top: 6px;
  font-weight: 600;
  color: var(--internal);
}
.who.client {
  color: var(--client);
}
.inset {
  padding-left: 12px;
}
</style>
