<script setup lang="ts">
// Adds a channel: by going to a network for consent, planned before that, or offline.
import { LENGTHS } from '@/api/lengths'
import { Button, Input, Radio, RadioGroup } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, ok, type Schemas } from '@/api/client'
import ChannelLogo from '@/parts/ChannelLogo.vue'
import FormField from '@/parts/FormField.vue'
import { useKept } from '@/parts/kept'
import { useProblem } from '@/parts/problem'
import DialogBox from '@/parts/DialogBox.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import OfflineLimits from './OfflineLimits.vue'

const props = defineProps<{ workspace: string; here: Schemas['ClientChannels'] }>()
const emit = defineEmits<{ close: [] }>()
const queries = useQueryClient()
const path = { workspace: props.workspace }
const way = ref<'connect' | 'planned' | 'offline'>('connect')
const planned = useKept(`planned:${props.workspace}`, { network_address: '', account: '', name: '' })
const offline = useKept(`offline:${props.workspace}`, {
  name: '',
  initials: '',
  limit: 2000,
  pictures: 4,
  picture_needed: false,
})
const outside = computed({ get: () => offline.value, set: (next) => Object.assign(offline.value, next) })
const { busy, at, beside, run, clear } = useProblem()

async function go(network_address: string) {
  const begun = await run(() =>
    ok(api.POST('/api/w/{workspace}/connect', { params: { path }, body: { network_address } })),
  )
  if (begun) location.assign(begun.address)
}
async function plan() {
  const made = await run(() =>
    ok(api.POST('/api/w/{workspace}/channels/planned', { params: { path }, body: { ...planned.value } })),
  )
  if (made) done(planned.forget)
}
async function add() {
  const made = await run(() =>
    ok(api.POST('/api/w/{workspace}/channels/offline', { params: { path }, body: { ...offline.value } })),
  )
  if (made) done(offline.forget)
}
function done(forget: () => void) {
  forget()
  void queries.invalidateQueries({ queryKey: ['channels', props.workspace] })
  emit('close')
}
function turn(next: typeof way.value) {
  clear()
  way.value = next
}
</script>

<template>
  <DialogBox :width="520" title="Add a channel" @close="emit('close')">
    <RadioGroup :value="way" class="stacked" aria-label="How" @update:value="turn">
      <Radio value="connect">connect it now</Radio>
      <Radio value="planned">plan for it, connect later</Radio>
      <Radio value="offline">offline, published by hand</Radio>
    </RadioGroup>
    <template v-if="way === 'connect'">
      <p class="quiet">
        You go to the network, sign in and allow it there, and come back here to tick which accounts belong to this
        client.
      </p>
      <ul>
        <li v-for="one in here.networks" :key="one.address">
          <button type="button" class="network" :disabled="!one.answers || busy" @click="go(one.address)">
            <span class="shape"><ChannelLogo :network="one.name ?? '?'" :initials="one.initials ?? '?'" /></span>
            <b>{{ one.name ?? one.address }}</b>
            <span class="quiet">{{ one.answers ? one.kind : 'does not answer at the moment' }}</span>
          </button>
        </li>
        <li v-if="here.networks.length === 0" class="quiet">This installation knows no network to connect to.</li>
      </ul>
      <p v-if="beside([])" class="wrong" role="alert">{{ beside([]) }}</p>
    </template>
    <form v-else-if="way === 'planned'" @submit.prevent="plan">
      <p class="quiet">
        It can be written for and approved, not released. A yes is a yes to where it goes: later exactly this account is
        connected to it.
      </p>
      <FormField id="p-network" label="Network" :wrong="at('network_address')">
        <ChoiceField
          id="p-network"
          v-model="planned.value.network_address"
          placeholder="choose"
          :options="
            here.networks
              .filter((each) => each.answers)
              .map((one) => ({ value: one.address, label: one.name ?? one.address }))
          "
        />
      </FormField>
      <FormField
        id="p-account"
        label="Public address of the account"
        :wrong="at('account')"
        hint="The page where people see it."
        ><Input id="p-account" v-model:value="planned.value.account" type="url" placeholder="https://"
      /></FormField>
      <FormField id="p-name" label="Name here" :wrong="at('name')"
        ><Input id="p-name" v-model:value="planned.value.name" :maxlength="LENGTHS.name"
      /></FormField>
      <p v-if="beside(['network_address', 'account', 'name'])" class="wrong" role="alert">
        {{ beside(['network_address', 'account', 'name']) }}
      </p>
      <div class="acts">
        <Button type="primary" html-type="submit" :loading="busy" :disabled="!planned.value.network_address"
          >Plan for it</Button
        >
      </div>
    </form>
    <form v-if="way === 'offline'" @submit.prevent="add">
      <p class="quiet">
        A newsletter, a leaflet, an ad brief: approved like everything else, then published by a person and ticked off
        with where it went.
      </p>
      <div class="pair">
        <OfflineLimits v-model="outside" named :at="at" />
      </div>
      <p v-if="beside(['name', 'initials', 'limit', 'pictures'])" class="wrong" role="alert">
        {{ beside(['name', 'initials', 'limit', 'pictures']) }}
      </p>
      <div class="acts"><Button type="primary" html-type="submit" :loading="busy">Add it</Button></div>
    </form>
  </DialogBox>
</template>

<style scoped>
.shape {
  display: grid;
  flex: 0 0 26px;
  place-items: center;
}
.network {
  display: flex;
  gap: 10px;
  align-items: center;
  width: 100%;
  padding: 9px 4px;
  border: 0;
  border-bottom: 1px solid var(--rule);
  background: none;
  text-align: left;
  cursor: pointer;
}
.network:hover:enabled {
  background: var(--ground);
}
.network .quiet {
  margin-left: auto;
}
</style>
