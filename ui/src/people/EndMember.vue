<script setup lang="ts">
// Ends a membership at once; what would be left lying is named first and handed over.
import { Button, message } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ok, type Schemas } from '@/api/client'
import { useProblem } from '@/parts/problem'
import HeirField from './HeirField.vue'
import DialogBox from '@/parts/DialogBox.vue'

const props = defineProps<{
  workspace: string
  person: Schemas['ClientPeople']['people'][number]
  here: Schemas['ClientPeople']
  holds: Schemas['MemberSheet']['holds']
}>()
const emit = defineEmits<{ close: [] }>()
const queries = useQueryClient()
const router = useRouter()
const to = ref('')
const { busy, at, beside, run } = useProblem()

async function end() {
  const done = await run(async () => {
    await ok(
      api.POST('/api/w/{workspace}/people/{membership}/end', {
        params: { path: { workspace: props.workspace, membership: props.person.id } },
        body: { to: to.value || null },
      }),
    )
    return true
  })
  if (!done) return
  void message.success(`${props.person.name} has no access here any more.`)
  emit('close')
  await queries.invalidateQueries({ queryKey: ['people', props.workspace] })
  await router.replace({ query: {} })
}
</script>

<template>
  <DialogBox :width="480" :title="`End the access of ${person.name}`" @close="emit('close')">
    <p>It ends at once, here only. Their name stays in the record, and every yes that they gave stays theirs.</p>
    <ul>
      <li v-for="task in holds.tasks" :key="task">task “{{ task }}” needs another person</li>
      <li v-for="ask in holds.asks" :key="ask.id + ask.post_id">
        “{{ ask.subject || 'Untitled' }}” waits for them at “{{ ask.step }}”{{
          ask.last ? ', and for nobody else' : ''
        }}
      </li>
      <li v-for="step in holds.steps" :key="step.name">
        the step “{{ step.name }}” names them{{ step.only ? ' and nobody else' : '' }}
      </li>
      <li v-for="channel in holds.channels" :key="channel">
        {{ channel }} rests on their consent: connect it again in another name before it lapses
      </li>
      <li v-if="holds.only_they_release" class="late">only they can release here</li>
      <li v-if="holds.posts > 0">{{ holds.posts }} posts get another owner</li>
    </ul>
    <HeirField id="end-heir" v-model="to" :person="person" :here="here" label="Who takes this over" :wrong="at('to')" />
    <p v-if="beside(['to'])" class="wrong" role="alert">{{ beside(['to']) }}</p>
    <div class="acts">
      <Button danger type="primary" :loading="busy" @click="end">End the access</Button>
      <Button @click="emit('close')">Cancel</Button>
    </div>
  </DialogBox>
</template>

<style scoped>
ul {
  margin: 10px 0;
}
li {
  padding: 3px 0;
  border-bottom: 1px solid var(--hairline);
}
</style>
