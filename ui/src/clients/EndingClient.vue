<script setup lang="ts">
// Archive (can be undone) and delete (14 days of grace): both say first what stops and what goes.
import { Button, Input } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ok, type Schemas } from '@/api/client'
import { useProblem } from '@/parts/problem'
import DialogBox from '@/parts/DialogBox.vue'
import ActButton from '@/parts/ActButton.vue'

const props = defineProps<{ workspace: string; can: Schemas['Can']; archived: boolean; name: string }>()
const router = useRouter()
const queries = useQueryClient()
const path = { workspace: props.workspace }
const asking = ref<'archive' | 'delete'>()
const typed = ref('')
const { busy, at, beside, run, clear } = useProblem()
const open = (what: 'archive' | 'delete') => {
  clear()
  typed.value = ''
  asking.value = what
}
const { data: goes } = useQuery({
  queryKey: ['what-goes', props.workspace, asking],
  queryFn: () => ok(api.GET('/api/w/{workspace}/what-goes', { params: { path } })),
  enabled: () => asking.value !== undefined,
})

async function archive(out: boolean) {
  const done = await run(async () => {
    await ok(api.POST('/api/w/{workspace}/archive', { params: { path }, body: { out } }))
    return true
  })
  if (!done) return
  asking.value = undefined
  await queries.invalidateQueries()
}
async function remove() {
  const done = await run(async () => {
    await ok(api.POST('/api/w/{workspace}/delete', { params: { path }, body: { name: typed.value } }))
    return true
  })
  if (!done) return
  asking.value = undefined
  await queries.invalidateQueries()
  await router.push({ name: 'desk' })
}
</script>

<template>
  <section class="block">
    <h2>The end of the work</h2>
    <div class="row">
      <a v-if="can.export?.ok" :href="`/api/w/${workspace}/export`" download
        >Export everything (ZIP of JSON, CSV and files)</a
      >
      <span v-else class="quiet">{{ can.export?.why }}</span>
    </div>
    <div class="row">
      <ActButton v-if="archived" :may="can.archive" :loading="busy" @click="archive(true)">Unarchive</ActButton>
      <ActButton v-else :may="can.archive" @click="open('archive')">Archive …</ActButton>
      <ActButton danger :may="can.delete_client" @click="open('delete')">Delete …</ActButton>
    </div>
    <p v-if="!can.delete_client?.ok" class="quiet">{{ can.delete_client?.why }}</p>
  </section>

  <DialogBox :open="asking === 'archive'" :width="460" :title="`Archive ${name}`" @close="asking = undefined">
    <p>It can be read and nothing else; nothing goes out. You can take it out again.</p>
    <ul v-if="goes">
      <li v-if="goes.releases > 0">
        <b>{{ goes.releases }}</b> {{ goes.releases === 1 ? 'release is' : 'releases are' }} taken back; they must be
        released again later.
      </li>
      <li v-if="goes.open_asks > 0">
        <b>{{ goes.open_asks }}</b> open {{ goes.open_asks === 1 ? 'ask is' : 'asks are' }} withdrawn; answers that were
        given stay.
      </li>
      <li v-if="goes.releases + goes.open_asks === 0">Nothing is released or asked at the moment.</li>
    </ul>
    <p v-if="beside([])" class="wrong" role="alert">{{ beside([]) }}</p>
    <div class="acts">
      <Button type="primary" :loading="busy" @click="archive(false)">Archive it</Button>
      <Button @click="asking = undefined">Cancel</Button>
    </div>
  </DialogBox>

  <DialogBox :open="asking === 'delete'" :width="500" :title="`Delete ${name}`" @close="asking = undefined">
    <template v-if="goes">
      <p>
        This goes, for good after <b>{{ goes.grace_days }} days</b>; until then an owner can restore it:
      </p>
      <ul class="goes">
        <li>
          <b>{{ goes.posts }}</b> posts ({{ goes.out }} are out; they stay at their networks)
        </li>
        <li>
          <b>{{ goes.pictures }}</b> pictures and <b>{{ goes.files }}</b> files
        </li>
        <li>
          <b>{{ goes.answers }}</b> answers and <b>{{ goes.record }}</b> lines of the record
        </li>
        <li>
          <b>{{ goes.channels }}</b> channels with their connections; the accounts stay at their networks
        </li>
        <li>
          the access of <b>{{ goes.people }}</b> people ({{ goes.client_people }} of the client)
        </li>
        <li v-if="goes.releases > 0">
          <b>{{ goes.releases }}</b> releases end now
        </li>
      </ul>
      <p><a :href="`/api/w/${workspace}/export`" download>Export everything first</a></p>
      <div class="field" :class="{ bad: at('name') }">
        <label for="typed">Type the client’s name</label>
        <Input id="typed" v-model:value="typed" autocomplete="off" :placeholder="name" />
        <span v-if="at('name')" class="wrong" role="alert">{{ at('name') }}</span>
      </div>
      <p v-if="beside(['name'])" class="wrong" role="alert">{{ beside(['name']) }}</p>
      <div class="acts">
        <Button danger type="primary" :loading="busy" @click="remove">Delete {{ name }}</Button>
        <Button @click="asking = undefined">Cancel</Button>
      </div>
    </template>
  </DialogBox>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 8px 0;
}
ul {
  margin: 10px 0;
}
li {
  padding: 3px 0;
  border-bottom: 1px solid var(--hairline);
}
</style>
