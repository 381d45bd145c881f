<script setup lang="ts">
// What the networks take, side by side, made from their own cards.
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useMe } from '@/agency/me'
import { api, ok, unread } from '@/api/client'
import { brief } from '@/api/time'
import ChannelLogo from '@/parts/ChannelLogo.vue'
import ComingShape from '@/parts/ComingShape.vue'

const { data: me } = useMe()
const { data, error } = useQuery({ queryKey: ['networks'], queryFn: () => ok(api.GET('/api/networks')) })
// a line that holds for none of them says nothing
const lines = computed(() =>
  (data.value?.about ?? []).flatMap((about, at) => {
    const says = data.value!.networks.map((one) => one.says[at] ?? null)
    return says.some((one) => one !== null) ? [{ about, says }] : []
  }),
)
</script>

<template>
  <main class="networks">
    <h1>What networks take</h1>
    <p class="quiet">As their own cards say; a card is read again before something goes out.</p>
    <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
    <ComingShape v-if="!data && !error" label="Fetching the networks" :lines="10" />
    <div
      v-if="data && data.networks.length > 0"
      class="wide"
      role="region"
      tabindex="0"
      aria-label="Networks side by side"
    >
      <table>
        <thead>
          <tr>
            <th scope="col"><span class="hidden">About</span></th>
            <th v-for="one in data.networks" :key="one.network" scope="col">
              <ChannelLogo :network="one.network" :initials="one.initials" /> {{ one.network }}
              <span v-if="one.read_at && me" class="quiet read">read {{ brief(one.read_at, me.now) }}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="line in lines" :key="line.about">
            <th scope="row">{{ line.about }}</th>
            <td v-for="(says, at) in line.says" :key="at" :class="{ quiet: says === null }">{{ says ?? '–' }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="data && data.networks.length === 0" class="quiet">No channel is connected to a network yet.</p>
  </main>
</template>

<style scoped>
.networks {
  padding: 14px 20px 40px;
}
h1 {
  margin-bottom: 4px;
  font-size: 20px;
  font-weight: 750;
}
.wide {
  margin-top: 12px;
  overflow-x: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
  border-top: 2px solid var(--ink);
}
th,
td {
  min-width: 130px;
  padding: 6px 14px 6px 0;
  border-bottom: 1px solid var(--rule);
  text-align: left;
  vertical-align: top;
}
thead th {
  font-weight: 600;
  white-space: nowrap;
}
tbody th {
  color: var(--ink-2);
  font-weight: 450;
}
.read {
  display: block;
  font-size: 12px;
  font-weight: 450;
}
</style>
