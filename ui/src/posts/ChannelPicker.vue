<script setup lang="ts">
// Which channels the post goes to.
import { api, ok } from '@/api/client'
import ChannelMark from '@/parts/ChannelMark.vue'
import { useAct, type Sheet } from './sheet'

const props = defineProps<{ sheet: Sheet }>()
const choose = useAct<string[]>(props.sheet.id, (ids) =>
  ok(api.PUT('/api/w/{workspace}/posts/{post}/channels', { params: { path: { workspace: props.sheet.workspace_id, post: props.sheet.id } }, body: { channel_ids: ids } })),
)
function chosen(id: string) {
  return props.sheet.adaptations.some((one) => one.channel.id === id)
}
function toggle(id: string) {
  const now = props.sheet.adaptations.map((one) => one.channel.id)
  choose.mutate(now.includes(id) ? now.filter((one) => one !== id) : [...now, id])
}
</script>

<template>
  <fieldset :disabled="!sheet.can.choose_channels?.ok || choose.isPending.value" :title="sheet.can.choose_channels?.why">
    <legend>Channels</legend>
    <label v-for="channel in sheet.channels" :key="channel.id">
      <input type="checkbox" :checked="chosen(channel.id)" @change="toggle(channel.id)" />
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
