<script setup lang="ts">
// What stands beside the post and voids nothing: the note to the team, labels, campaign.
import { computed, ref, watch } from 'vue'
import { api, ok } from '@/api/client'
import { useAct, type Sheet } from './sheet'
import { usePart } from './part'
import SaysState from './SaysState.vue'
import ActButton from '@/parts/ActButton.vue'

const props = defineProps<{ sheet: Sheet }>()
const server = computed(() => ({ value: props.sheet.note, version: props.sheet.note_version }))
const {
  value: note,
  state,
  problem,
  theirs,
  change,
  save,
  keepMine,
  takeTheirs,
  drop,
} = usePart<string>({ workspace: props.sheet.workspace_id, post: props.sheet.id, part: 'note' }, server, '')
const path = { workspace: props.sheet.workspace_id, post: props.sheet.id }
const off = computed(() => (props.sheet.can.rename?.ok ? undefined : props.sheet.can.rename?.why))

const label = ref('')
const setLabels = useAct<string[]>(
  props.sheet.id,
  (names) => ok(api.PUT('/api/w/{workspace}/posts/{post}/labels', { params: { path }, body: { names } })),
  () => (label.value = ''),
)
function addLabel() {
  const name = label.value.trim()
  if (name) setLabels.mutate([...props.sheet.labels, name])
}

const campaign = ref(props.sheet.campaign ?? '')
watch(
  () => props.sheet.campaign,
  (now) => (campaign.value = now ?? ''),
)
const setCampaign = useAct<string>(props.sheet.id, (name) =>
  ok(api.PUT('/api/w/{workspace}/posts/{post}/campaign', { params: { path }, body: { name } })),
)
</script>

<template>
  <section aria-label="Labels and notes">
    <h3>Labels and notes <span class="quiet">agency only</span></h3>
    <ul class="labels" aria-label="Labels">
      <li v-for="name in sheet.labels" :key="name">
        {{ name }}
        <ActButton
          link
          :off="off"
          :aria-label="`Remove the label ${name}`"
          @click="setLabels.mutate(sheet.labels.filter((one) => one !== name))"
          >off</ActButton
        >
      </li>
    </ul>
    <form @submit.prevent="addLabel">
      <input
        v-model="label"
        list="known-labels"
        aria-label="Label"
        placeholder="Label, known or new"
        :readonly="!!off"
        :title="off"
        @change="sheet.known.labels.includes(label) && addLabel()"
      />
      <datalist id="known-labels">
        <option
          v-for="name in sheet.known.labels.filter((one) => !sheet.labels.includes(one))"
          :key="name"
          :value="name"
        />
      </datalist>
    </form>
    <input
      v-model="campaign"
      list="known-campaigns"
      aria-label="Campaign"
      placeholder="Campaign, known or new"
      :readonly="!!off"
      :title="off"
      @change="setCampaign.mutate(campaign)"
    />
    <datalist id="known-campaigns"><option v-for="name in sheet.known.campaigns" :key="name" :value="name" /></datalist>
    <textarea
      :value="note ?? ''"
      rows="2"
      aria-label="Note to the team"
      placeholder="Note to the team"
      :readonly="!sheet.can.house_talk?.ok"
      @input="change(($event.target as HTMLTextAreaElement).value)"
      @blur="save()"
    />
    <SaysState
      :state="state"
      :problem="problem"
      :by="theirs?.by"
      :theirs="theirs?.value"
      @mine="keepMine"
      @theirs="takeTheirs"
      @drop="drop"
    />
  </section>
</template>

<style scoped>
.labels {
  display: flex;
  flex-wrap: wrap;
  gap: 0 12px;
}
.labels li {
  min-height: 24px;
}
input,
textarea {
  width: 100%;
  margin-top: 4px;
}
textarea {
  background: var(--well);
}
</style>
