<script setup lang="ts">
// The line above the plan: which days, how they look, and what can be done with them.
import { Button, Dropdown, RadioButton, RadioGroup } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { place as zonePlace, readerZone } from '@/api/time'
import { counted } from '@/api/words'
import ActButton from '@/parts/ActButton.vue'
import type { MenuLine } from '@/parts/LinesMenu.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import { later } from '@/parts/later'
import NewPost from '@/posts/NewPost.vue'
import type { Client } from './plan'
import type { Span } from './period'
import type { View } from './place'
import { SPANS, VIEWS } from './showing'

const LinesMenu = later(() => import('@/parts/LinesMenu.vue'))
const props = defineProps<{
  heading: string
  dates: string
  client?: Client
  zone?: string
  view: View
  span: Span
  narrowed: string
  filtering: boolean
  cut?: boolean
  /** pencil marks that are shown */
  marks: number
  more: MenuLine[]
}>()
const emit = defineEmits<{
  turn: [by: number]
  today: []
  view: [view: View]
  span: [span: Span]
  filter: []
  pencil: []
  choose: [key: string]
}>()
const menu = ref(false)
const spans = computed(() => SPANS[props.view])
const unit = computed(() => ({ '30': '30 days', '60': '60 days', '90': '90 days' })[props.span as string] ?? props.span)
function chosen(key: string) {
  menu.value = false
  emit('choose', key)
}
</script>

<template>
  <div class="head">
    <h1>{{ heading }}</h1>
    <b class="paper when">{{ client?.name ?? 'All my clients' }}</b>
    <span v-if="dates" class="quiet when">{{ dates }}</span>
    <span v-if="zone && zone !== readerZone()" class="quiet when">{{ zonePlace(zone) }}</span>
    <span class="steps">
      <Button size="small" :aria-label="`The ${unit} before`" @click="emit('turn', -1)">‹</Button>
      <Button size="small" @click="emit('today')">Today</Button>
      <Button size="small" :aria-label="`The ${unit} after`" @click="emit('turn', 1)">›</Button>
    </span>
    <RadioGroup :value="view" button-style="solid" aria-label="View" @update:value="emit('view', $event)">
      <RadioButton v-for="one in VIEWS" :key="one.value" :value="one.value">{{ one.label }}</RadioButton>
    </RadioGroup>
    <ChoiceField
      v-if="spans.length > 1"
      id="plan-span"
      label="How much"
      :model-value="span"
      :options="spans"
      @update:model-value="emit('span', $event)"
    />
    <Button size="small" :aria-expanded="filtering" class="narrowed" @click="emit('filter')">{{
      narrowed || 'Narrow'
    }}</Button>
    <span v-if="cut" class="late" role="status">There is more than is shown: choose one client.</span>
    <span v-if="marks > 0" class="quiet">{{ counted(marks, 'open mark', 'open marks') }}</span>
    <span class="fill" />
    <Dropdown v-if="more.length > 0" v-model:open="menu" :trigger="['click']">
      <Button size="small" aria-haspopup="menu">More …</Button>
      <template #overlay><LinesMenu :lines="more" @choose="chosen" /></template>
    </Dropdown>
    <ActButton v-if="client" :may="client.can.pencil" shortcut="P" @click="emit('pencil')">Pencil</ActButton>
    <NewPost />
  </div>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 7px;
  align-items: center;
  min-height: 40px;
  margin-bottom: 8px;
}
h1 {
  margin: 0;
  font-size: 20px;
}
/* six views and their spans on one line */
.head :deep(.ant-radio-button-wrapper) {
  padding-inline: 8px;
}
@media (max-width: 1400px) {
  .head :deep(kbd) {
    display: none;
  }
}
.head :deep(.choice) {
  min-width: 104px;
}
.steps {
  display: inline-flex;
  gap: 8px;
}
.narrowed {
  max-width: 300px;
  overflow: hidden;
  text-overflow: ellipsis;
}
/* on paper: the days and nothing to press */
.paper {
  display: none;
}
@media print {
  .paper {
    display: inline;
  }
  .head > :not(h1, .when) {
    display: none;
  }
}
</style>
