<script setup lang="ts">
// Which channels the post goes to. Ticks count at once; saves go one after the other, so that quick ticks never undo
// each other.
import { Checkbox } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { api, ok } from '@/api/client'
import ChannelLogo from '@/parts/ChannelLogo.vue'
import { useAct, type Sheet } from './sheet'
import ActButton from '@/parts/ActButton.vue'

const props = defineProps<{ sheet: Sheet }>()
const counted = computed(() =>
  props.sheet.adaptations.length === 1 ? '1 channel' : `${props.sheet.adaptations.length} channels`,
)
const wanted = ref<string[]>([])
const open = ref(0)
// chosen already, it takes one line; while somebody chooses, it stays where it is
const folded = ref(props.sheet.adaptations.length > 0)
watch(
  () => props.sheet.adaptations.map((one) => one.channel.id),
  (ids) => {
    if (open.value === 0) wanted.value = ids
  },
  { immediate: true },
)
/** channel id => why the post cannot leave it now */
const stays = computed(
  () => new Map(props.sheet.adaptations.flatMap((one) => (one.stays ? [[one.channel.id, one.stays] as const] : []))),
)
const choose = useAct<string[]>(props.sheet.id, (ids) =>
  ok(
    api.PUT('/api/w/{workspace}/posts/{post}/channels', {
      params: { path: { workspace: props.sheet.workspace_id, post: props.sheet.id } },
      body: { channel_ids: ids },
    }),
  ),
)

let queue = Promise.resolve()
function toggle(id: string) {
  put(wanted.value.includes(id) ? wanted.value.filter((one) => one !== id) : [...wanted.value, id])
}
/** A set is ticked together; when all of it is ticked, it is taken off together. */
function toggleSet(ids: string[]) {
  const there = ids.filter((id) => props.sheet.channels.some((one) => one.id === id))
  put(
    chosen(there)
      ? wanted.value.filter((id) => !there.includes(id) || stays.value.has(id))
      : [...new Set([...wanted.value, ...there])],
  )
}
function chosen(ids: string[]) {
  return ids.length > 0 && ids.every((id) => wanted.value.includes(id))
}
function put(next: string[]) {
  wanted.value = next
  open.value += 1
  queue = queue
    .then(() => choose.mutateAsync(next))
    .then(
      () => void (open.value -= 1),
      () => {
        open.value -= 1
        wanted.value = props.sheet.adaptations.map((one) => one.channel.id)
      },
    )
}
</script>

<template>
  <p v-if="folded" class="folded">
    <span v-for="one in sheet.adaptations" :key="one.id" :title="one.channel.name"
      ><ChannelLogo :network="one.channel.network" :initials="one.channel.initials" /><span class="hidden">{{
        one.channel.name
      }}</span></span
    >
    <ActButton link :may="sheet.can.choose_channels" :aria-label="`${counted}: change them`" @click="folded = false">{{
      counted
    }}</ActButton>
    <span v-if="sheet.other_channels > 0" class="quiet">and {{ sheet.other_channels }} more that are not yours</span>
  </p>
  <fieldset v-else :disabled="!sheet.can.choose_channels?.ok" :title="sheet.can.choose_channels?.why">
    <legend>Channels</legend>
    <Checkbox
      v-for="channel in sheet.channels"
      :key="channel.id"
      :title="stays.get(channel.id)"
      :checked="wanted.includes(channel.id)"
      :disabled="stays.has(channel.id)"
      @change="toggle(channel.id)"
      ><ChannelLogo :network="channel.network" :initials="channel.initials" />
      {{ channel.name }}
      <span v-if="channel.state === 'lapsed'" class="late">lapsed</span>
      <span v-else-if="channel.state === 'planned'" class="quiet">not connected yet</span></Checkbox
    >
    <span v-if="sheet.sets.length > 0" class="sets">
      <span class="quiet">Sets</span>
      <button
        v-for="set in sheet.sets"
        :key="set.id"
        type="button"
        class="set"
        :aria-pressed="chosen(set.channel_ids)"
        @click="toggleSet(set.channel_ids)"
      >
        {{ set.name }}
      </button>
    </span>
    <span v-if="sheet.other_channels > 0" class="quiet">and {{ sheet.other_channels }} more that are not yours</span>
    <p v-for="[id, why] in sheet.can.choose_channels?.ok ? stays : []" :key="id" class="quiet why">{{ why }}</p>
    <p v-if="!sheet.can.choose_channels?.ok" class="quiet">{{ sheet.can.choose_channels?.why }}</p>
  </fieldset>
</template>

<style scoped>
fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  align-items: center;
  margin: 0;
  padding: 0;
  border: 0;
}
.folded {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
legend {
  padding: 0;
  margin-bottom: 2px;
  color: var(--ink-2);
}
.why {
  flex-basis: 100%;
}
.sets {
  display: flex;
  flex-basis: 100%;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.set {
  min-height: 24px;
  padding: 0 8px;
  border: 1px solid var(--edge);
  border-radius: 3px;
  background: var(--sheet);
  cursor: pointer;
}
.set:disabled {
  color: var(--ink-2);
  background: none;
  cursor: default;
}
.set[aria-pressed='true'] {
  background: var(--ink);
  color: var(--sheet);
}
label {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  min-height: 24px;
}
</style>
