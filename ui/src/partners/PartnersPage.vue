<script setup lang="ts">
// The people and firms that a client's posts are made with.
import { Input } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { useChosen } from '@/agency/me'
import { sentence, unread } from '@/api/client'
import { money } from '@/api/money'
import { LENGTHS } from '@/api/lengths'
import { counted } from '@/api/words'
import MaterialBar from '@/media/library/MaterialBar.vue'
import ActButton from '@/parts/ActButton.vue'
import ComingShape from '@/parts/ComingShape.vue'
import KeysHelp from '@/parts/KeysHelp.vue'
import { useInAddress } from '@/parts/address'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import { useKeys } from '@/parts/keys'
import { walkRows } from '@/parts/rows'
import PartnerPanel from './PartnerPanel.vue'
import { found, owing, STATUSES, usePartnerActs, usePartners } from './partners'

const { id, workspace, me } = useChosen()
const { data, error } = usePartners(id)
const acts = usePartnerActs(id)
const shown = useInAddress('partner')
const words = ref('')
const status = ref('')
const partners = computed(() => found(data.value?.partners ?? [], words.value, status.value))
const opened = computed(() => data.value?.partners.find((one) => one.id === shown.value))

const name = ref('')
const problem = ref('')
async function add() {
  problem.value = ''
  try {
    const made = await acts.keep({ name: name.value })
    name.value = ''
    shown.value = made.id
  } catch (caught) {
    problem.value = sentence(caught)
  }
}
useKeys({ J: () => walkRows(1), K: () => walkRows(-1) })
</script>

<template>
  <MaterialBar />
  <main v-if="id" class="partners">
    <div class="page-head">
      <span class="quiet">Whom posts for {{ workspace?.name }} are made with</span>
      <Input
        v-model:value="words"
        type="search"
        class="find"
        placeholder="name, codes, words"
        aria-label="Find partners"
      />
      <ChoiceField
        id="partners-status"
        v-model="status"
        label="Status"
        :options="[
          { value: '', label: 'all of them' },
          ...Object.entries(STATUSES).map(([value, label]) => ({ value, label })),
        ]"
      />
      <span class="fill" />
      <form class="add" @submit.prevent="add">
        <Input v-model:value="name" :maxlength="LENGTHS.title" placeholder="Name" aria-label="Name of a new partner" />
        <ActButton
          type="primary"
          html-type="submit"
          :may="data?.can.keep_partner"
          :off="name.trim() === '' ? 'Write a name first.' : undefined"
          >Add partner</ActButton
        >
      </form>
    </div>
    <p v-if="problem" role="alert" class="late">{{ problem }}</p>
    <p v-if="error" role="alert" class="late">{{ unread(error) }}</p>
    <div class="columns">
      <ComingShape v-if="!data && !error" label="Fetching the partners" :lines="6" />
      <section v-if="data" class="listed" aria-label="Partners">
        <table v-if="partners.length > 0" class="partner-table">
          <thead>
            <tr>
              <th scope="col">Partner</th>
              <th scope="col">Status</th>
              <th scope="col">Delivers</th>
              <th scope="col">Fee</th>
              <th scope="col">Made together</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in partners" :key="one.id" :class="{ shown: one.id === shown }">
              <th scope="row">
                <button
                  type="button"
                  data-row
                  :aria-pressed="one.id === shown"
                  @click="shown = shown === one.id ? '' : one.id"
                >
                  <b dir="auto">{{ one.name }}</b>
                  <span class="quiet">{{
                    [one.kind === 'firm' ? 'firm' : '', one.contact, one.alike.length > 0 ? 'may be there twice' : '']
                      .filter(Boolean)
                      .join(' · ')
                  }}</span>
                </button>
              </th>
              <td>{{ STATUSES[one.status] }}</td>
              <td :class="{ late: owing(one).loud }">{{ owing(one).words }}</td>
              <td>{{ one.fee ? money(one.fee) : '' }}</td>
              <td>{{ one.posts > 0 ? counted(one.posts, 'post', 'posts') : '' }}</td>
            </tr>
          </tbody>
        </table>
        <p v-else class="quiet none">
          {{
            data.partners.length === 0
              ? 'Nobody yet: a baker who lends the bread, a musician, a magazine. Write a name down above.'
              : 'Nobody is found like this.'
          }}
        </p>
      </section>
      <PartnerPanel
        v-if="opened && data && me"
        :key="opened.id"
        :workspace="id"
        :partner="opened.id"
        :others="data.partners"
        :alike="opened.alike"
        :currency="data.currency"
        :now="me.now"
        @close="shown = ''"
        @show="shown = $event"
      />
    </div>
    <KeysHelp :keys="[['J K', 'next and previous partner']]" />
  </main>
  <main v-else class="page"><p class="quiet">Partners belong to one client each. Choose one above.</p></main>
</template>

<style scoped>
.partners {
  padding: 14px 20px 40px;
}
.find {
  flex: 0 1 220px;
}
.add {
  display: flex;
  gap: 8px;
}
.columns {
  display: flex;
  gap: 18px;
  align-items: flex-start;
}
.listed {
  flex: 1;
  min-width: 0;
  overflow-x: auto;
}
.partner-table {
  width: 100%;
  border-collapse: collapse;
  background: var(--sheet);
  border-top: 2px solid var(--ink);
}
.partner-table th,
.partner-table td {
  padding: 4px 10px;
  text-align: left;
  white-space: nowrap;
  border-bottom: 1px solid var(--rule);
}
.partner-table thead th {
  font-weight: 450;
  color: var(--ink-2);
}
.partner-table tbody th {
  padding: 0;
  color: var(--ink);
  font-weight: 450;
  white-space: normal;
}
.partner-table button {
  display: grid;
  width: 100%;
  padding: 7px 10px;
  border: 0;
  background: none;
  text-align: left;
  cursor: pointer;
}
.partner-table b {
  font-weight: 600;
}
tr.shown {
  box-shadow: inset 3px 0 var(--ink);
}
.none {
  padding: 30px 8px;
}
</style>
