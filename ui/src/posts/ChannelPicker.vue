<script setup lang="ts">
// Which channels the post goes to. Ticks count at once; saves go one after the other, so that quick ticks never undo
// each other.
import { ref, watch } from 'vue'
import { api, ok } from '@/api/client'
import ChannelMark from '@/parts/ChannelMark.vue'
import { useAct, type Sheet } from './sheet'

const props = defineProps<{ sheet: Sheet }>()
const wanted = ref<string[]>([])
const open = ref(0)
watch(
  () => props.sheet.adaptations.map((one) => one.channel.id),
  (ids) => {
    if (open.value === 0) wanted.value = ids
  },
  { immediate: true },
)
const choose = useAct<string[]>(props.sheet.id, (ids) =>
  ok(api.PUT('/api/w/{workspace}/posts/{post}/channels', { params: { path: { workspace: props.sheet.workspace_id, post: props.sheet.id } }, body: { channel_ids: ids } })),
)

let queue = Promise.resolve()
function toggle(id: string) {
  wanted.value = wanted.value.includes(id) ? wanted.value.filter((one) => one !== id) : [...wanted.value, id]
  const next = wanted.value
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
  <fieldset :disabled="!sheet.can.choose_channels?.ok" :title="sheet.can.choose_channels?.why">
    <legend>Channels</legend>
    <label v-for="channel in sheet.channels" :key="channel.id">
      <input type="checkbox" :checked="wanted.includes(channel.id)" @change="toggle(channel.id)" />
      <ChannelMark :network="channel.network" :initials="channel.initials" />
      {{ channel.name }}
      <span v-if="channel.state === 'lapsed'" class="late">lapsed</span>
    </label>
  </fieldset>
</template>

<style scoped>
fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
  margin: 0;
  padding: 0;
  border: 0;
}
legend {
  float: left;
  padding: 0;
  margin-right: 12px;
  color: var(--ink-2);
}
label {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  min-height: 24px;
}
</style>
