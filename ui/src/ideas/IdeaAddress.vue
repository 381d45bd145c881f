<script setup lang="ts">
// One's private address: what is mailed there, from one's own mailbox, is an idea of this client's.
import { Button, Input, message } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, ok, sentence, unread } from '@/api/client'
import ComingShape from '@/parts/ComingShape.vue'
import DialogBox from '@/parts/DialogBox.vue'
import { copied } from '@/parts/copied'

const props = defineProps<{ workspace: string; client: string }>()
const emit = defineEmits<{ close: [] }>()
const queries = useQueryClient()
const path = { workspace: props.workspace }
const key = ['idea-address', props.workspace]
const { data, error } = useQuery({
  queryKey: key,
  queryFn: () => ok(api.GET('/api/w/{workspace}/idea-address', { params: { path } })),
})
const busy = ref(false)
async function make() {
  busy.value = true
  try {
    queries.setQueryData(key, await ok(api.POST('/api/w/{workspace}/idea-address', { params: { path } })))
  } catch (problem) {
    void message.error(sentence(problem), 9)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <DialogBox :title="`Ideas for ${client} by mail`" :width="520" @close="emit('close')">
    <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
    <ComingShape v-if="!data && !error" label="Fetching your address" :lines="3" />
    <template v-if="data">
      <p v-if="!data.mail">This installation fetches no mail, so nothing can be mailed here.</p>
      <template v-else-if="data.address">
        <p>
          A mail from your own address to this one is kept as an idea: its subject as the title, its words as the note,
          its pictures in the media.
        </p>
        <p class="address">
          <Input :value="data.address" readonly aria-label="Your address for ideas" />
          <Button @click="copied(data.address)">Copy</Button>
        </p>
        <p class="quiet">It is yours alone. If somebody else has it, make another one; this one then works no more.</p>
        <Button size="small" :loading="busy" @click="make">Make another one</Button>
      </template>
      <template v-else>
        <p>Get an address of your own: what you mail there is kept as an idea of this client’s.</p>
        <Button type="primary" :loading="busy" @click="make">Make my address</Button>
      </template>
    </template>
  </DialogBox>
</template>

<style scoped>
.address {
  display: flex;
  gap: 8px;
}
p {
  margin-bottom: 10px;
}
</style>
