<script setup lang="ts">
// What stands beside the post and voids nothing: its inner name, the note to the team, labels, campaign.
import { Textarea } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { api, ok } from '@/api/client'
import { useAct, type Sheet } from './sheet'
import InnerName from './InnerName.vue'
import { usePart } from './part'
import SaysState from './SaysState.vue'
import ActButton from '@/parts/ActButton.vue'
import { later } from '@/parts/later'

const SuggestField = later(() => import('@/parts/fields/SuggestField.vue'))

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

const labelling = ref(false)
const choosing = ref(false)
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
function keepCampaign() {
  choosing.value = false
  if (campaign.value !== (props.sheet.campaign ?? '')) setCampaign.mutate(campaign.value)
}
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
    <p v-for="name in sheet.proposed_labels" :key="name" class="quiet">
      Its words name a time or a price.
      <ActButton link :off="off" @click="setLabels.mutate([...sheet.labels, name])">Label it “{{ name }}”</ActButton>
    </p>
    <form v-if="labelling" @submit.prevent="addLabel">
      <SuggestField
        id="label"
        v-model="label"
        focus
        label="Label"
        placeholder="Label, known or new"
        :readonly="!!off"
        :title="off"
        :known="sheet.known.labels.filter((one) => !sheet.labels.includes(one))"
        @done="addLabel"
      />
    </form>
    <ActButton v-else link :off="off" @click="labelling = true">add a label</ActButton>
    <p v-if="!choosing" class="campaign">
      <span class="quiet">Campaign</span> <bdi>{{ sheet.campaign || 'none' }}</bdi>
      <ActButton link :off="off" aria-label="Change the campaign" @click="choosing = true">change</ActButton>
    </p>
    <SuggestField
      v-else
      id="campaign"
      v-model="campaign"
      focus
      label="Campaign"
      placeholder="Campaign, known or new"
      :readonly="!!off"
      :title="off"
      :known="sheet.known.campaigns"
      @done="keepCampaign"
      @left="keepCampaign"
    />
    <InnerName :sheet="sheet" :off="off" />
    <Textarea
      :value="note ?? ''"
      :rows="2"
      aria-label="Note to the team"
      placeholder="Note to the team"
      :readonly="!sheet.can.house_talk?.ok"
      @update:value="change"
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
.campaign {
  display: flex;
  flex-wrap: wrap;
  gap: 0 6px;
  align-items: baseline;
}
.labels {
  display: flex;
  flex-wrap: wrap;
  gap: 0 12px;
}
.labels li {
  min-height: 24px;
}
</style>
