<script setup lang="ts">
// One channel: its name, an offline one's marks and limits; withdraw the consent; archive.
import { LENGTHS } from '@/api/lengths'
import { Button, Input } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, isProblem, ok, type Schemas } from '@/api/client'
import FormField from '@/parts/FormField.vue'
import { useProblem } from '@/parts/problem'
import DialogBox from '@/parts/DialogBox.vue'
import OfflineLimits from './OfflineLimits.vue'

const props = defineProps<{ workspace: string; channel: Schemas['ClientChannels']['channels'][number] }>()
const emit = defineEmits<{ close: []; archive: []; withdraw: [] }>()
const queries = useQueryClient()
const offline = props.channel.state === 'offline'
const name = ref(props.channel.name)
const limits = ref({
  initials: props.channel.initials,
  limit: props.channel.limits.text ?? 2000,
  pictures: props.channel.limits.pictures ?? 0,
  picture_needed: props.channel.limits.needed,
})
const version = ref(props.channel.version)
const { busy, at, beside, run, error } = useProblem()

async function save() {
  const saved = await run(() =>
    ok(
      api.PUT('/api/w/{workspace}/channels/{channel}', {
        params: {
          path: { workspace: props.workspace, channel: props.channel.id },
          header: { 'If-Match': `"${version.value}"` },
        },
        body: { name: name.value, limits: offline ? limits.value : null },
      }),
    ),
  )
  if (saved) {
    void queries.invalidateQueries({ queryKey: ['channels', props.workspace] })
    emit('close')
  } else if (isProblem(error.value) && error.value.problem.code === 'channel_changed')
    version.value = (error.value.problem.facts as { version: number }).version
}
function leave(what: 'archive' | 'withdraw') {
  if (what === 'archive') emit('archive')
  else emit('withdraw')
  emit('close')
}
</script>

<template>
  <DialogBox :width="460" :title="`Change ${channel.name}`" @close="emit('close')">
    <form @submit.prevent="save">
      <FormField id="c-name" label="Name here" :wrong="at('name')"
        ><Input id="c-name" v-model:value="name" :maxlength="LENGTHS.name"
      /></FormField>
      <p v-if="!offline" class="quiet">
        {{ channel.account }}<br />{{ channel.network }} sets what it takes. {{ channel.sentence }}
      </p>
      <div v-else class="pair">
        <OfflineLimits v-model="limits" :at="at" />
      </div>
      <p v-if="beside(['name', 'initials', 'limit', 'pictures'])" class="wrong" role="alert">
        {{ beside(['name', 'initials', 'limit', 'pictures']) }}
      </p>
      <div class="acts">
        <Button type="primary" html-type="submit" :loading="busy">Save</Button>
        <Button @click="emit('close')">Cancel</Button>
      </div>
    </form>
    <div class="ends">
      <Button v-if="channel.state === 'connected' && channel.network_address" size="small" @click="leave('withdraw')"
        >Withdraw the consent</Button
      >
      <Button size="small" danger @click="leave('archive')">Archive the channel</Button>
      <p class="quiet">
        Archived, no new post goes there; what was there stays. What was released there while a consent is withdrawn
        shows as trouble at its time.
      </p>
    </div>
  </DialogBox>
</template>

<style scoped>
.ends {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 18px;
  padding-top: 12px;
  border-top: 1px solid var(--rule);
}
</style>
