<script setup lang="ts">
// Invites by mail, one or by the tens: each address gets its own answer, the good ones are kept, the others stay to
// be mended.
import { LENGTHS } from '@/api/lengths'
import { Button, Input, Textarea } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, ok, type Schemas } from '@/api/client'
import FormField from '@/parts/FormField.vue'
import { useKept } from '@/parts/kept'
import { useProblem } from '@/parts/problem'
import ChannelLimit from './ChannelLimit.vue'
import DialogBox from '@/parts/DialogBox.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import DayField from '@/parts/fields/DayField.vue'

const props = defineProps<{ workspace: string; here: Schemas['ClientPeople']; open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const queries = useQueryClient()
const form = useKept(`invite:${props.workspace}`, {
  addresses: '',
  role_id: '',
  title: '',
  channel_ids: null as string[] | null,
  until: '',
})
const { busy, at, beside, run } = useProblem()
const results = ref<{ typed: string; invited: boolean; problem: string | null }[]>([])
const role = computed(() => props.here.roles.find((one) => one.id === form.value.role_id))
const good = computed(() => results.value.filter((one) => one.invited))
const bad = computed(() => results.value.filter((one) => !one.invited))

async function invite() {
  const { until, ...rest } = form.value
  const client = role.value?.side === 'client'
  const done = await run(() =>
    ok(
      api.POST('/api/w/{workspace}/invitations', {
        params: { path: { workspace: props.workspace } },
        body: { ...rest, channel_ids: client ? null : rest.channel_ids, until: client ? null : until || null },
      }),
    ),
  )
  if (!done) return
  results.value = done.results
  form.value.addresses = bad.value.map((one) => one.typed).join('\n')
  void queries.invalidateQueries({ queryKey: ['people', props.workspace] })
}
function close() {
  results.value = []
  emit('close')
}
</script>

<template>
  <DialogBox :open="open" :width="520" title="Invite by mail" @close="close">
    <form @submit.prevent="invite">
      <div v-if="results.length > 0" class="results" role="status">
        <p v-if="good.length > 0">
          <b>{{ good.length }} invited:</b> {{ good.map((one) => one.typed).join(', ') }}
        </p>
        <template v-if="bad.length > 0">
          <p>
            <b class="late">{{ bad.length }} not:</b> they stay below to be mended
          </p>
          <ul>
            <li v-for="one in bad" :key="one.typed">
              <b>{{ one.typed }}</b> {{ one.problem }}
            </li>
          </ul>
        </template>
      </div>
      <FormField
        id="addresses"
        label="Mail addresses"
        :wrong="at('addresses')"
        hint="One or many: by line, comma or space. Names around them are fine."
      >
        <Textarea id="addresses" v-model:value="form.value.addresses" :rows="4" spellcheck="false" />
      </FormField>
      <div class="pair">
        <FormField id="invite-role" label="Role here" :wrong="at('role_id')">
          <ChoiceField
            id="invite-role"
            v-model="form.value.role_id"
            placeholder="choose"
            :options="
              here.roles.map((one) => ({
                value: one.id,
                label: `${one.name}, ${one.side === 'agency' ? 'agency' : 'client'} side`,
              }))
            "
          />
        </FormField>
        <FormField id="invite-title" label="Title" :wrong="at('title')" hint="Such as marketing; may stay empty."
          ><Input id="invite-title" v-model:value="form.value.title" :maxlength="LENGTHS.title"
        /></FormField>
      </div>
      <template v-if="role?.side !== 'client'">
        <ChannelLimit v-model="form.value.channel_ids" :channels="here.channels" :wrong="at('channel_ids')" />
        <FormField
          id="invite-until"
          label="Last day of access"
          :wrong="at('until')"
          hint="For freelancers: access ends by itself. Empty: no end."
          ><DayField id="invite-until" v-model="form.value.until"
        /></FormField>
      </template>
      <p v-else class="quiet">Sees only what is shared, and answers by links in mails: no account is needed.</p>
      <p v-if="beside(['addresses', 'role_id', 'title', 'channel_ids', 'until'])" class="wrong" role="alert">
        {{ beside(['addresses', 'role_id', 'title', 'channel_ids', 'until']) }}
      </p>
      <div class="acts">
        <Button type="primary" html-type="submit" :loading="busy" :disabled="!form.value.role_id"
          >Send the invitations</Button
        >
        <Button @click="close">{{ results.length > 0 ? 'Done' : 'Cancel' }}</Button>
      </div>
    </form>
  </DialogBox>
</template>

<style scoped>
.results {
  border-left: 4px solid var(--ink);
  padding: 4px 10px;
  background: var(--ground);
}
.results li {
  padding: 2px 0;
}
</style>
