<script setup lang="ts">
// The client's sign-off routes: the one that every post passes, and others that campaigns and posts pass instead. Each
// from a preset or step by step.
import { Button, message } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, ok, sentence, unread } from '@/api/client'
import { useChosen } from '@/agency/me'
import { draft as keptDraft } from '@/parts/drafts'
import { counted } from '@/api/words'
import ActButton from '@/parts/ActButton.vue'
import PassRows from '@/signoff/passes/PassRows.vue'
import RouteEditor from './RouteEditor.vue'
import RouteSteps from './RouteSteps.vue'
import { draftOf, newDraft, newStep, type Draft, type Route } from './route'
import { useRoutes } from './known'

const props = defineProps<{ workspace: string }>()
const queries = useQueryClient()
const { workspace: client } = useChosen()
const { data, error } = useRoutes(props.workspace)
const main = computed(() => data.value?.routes.find((one) => one.default))
const others = computed(() => data.value?.routes.filter((one) => !one.default) ?? [])
const may = computed(() => (client.value?.setup_step ? data.value?.can.change_settings : data.value?.can.change_route))

// what is being written stays in this browser until it stands or is left
const box = keptDraft(`route:${props.workspace}`)
const writing = ref<Draft | undefined>((JSON.parse(box.read() ?? 'null') as Draft | null) ?? undefined)
watch(writing, (now) => (now ? box.write(JSON.stringify(now)) : box.clear()), { deep: true })

function change(route: Route) {
  writing.value = draftOf(route)
}
function begin(key: string) {
  const preset = data.value?.presets.find((one) => one.key === key)
  if (!preset || !main.value || !data.value) return
  const known = data.value
  const steps = preset.steps.map((one) => newStep(known, one.side, one.name))
  writing.value = { ...draftOf(main.value), preset: preset.key, steps }
}
function passing(route: Route) {
  const who = [
    route.campaigns > 0 ? counted(route.campaigns, 'campaign', 'campaigns') : '',
    route.posts > 0 ? counted(route.posts, 'post', 'posts') : '',
  ].filter(Boolean)
  return who.length > 0 ? `passed by ${who.join(' and ')}` : 'nothing passes it yet'
}
function reread() {
  return queries.invalidateQueries({ queryKey: ['route', props.workspace] })
}
async function saved() {
  writing.value = undefined
  void message.success('The route stands from now on.')
  await reread()
  void queries.invalidateQueries({ queryKey: ['posts'] })
}
async function archive(route: Route) {
  try {
    const path = { workspace: props.workspace, route: route.id }
    await ok(api.DELETE('/api/w/{workspace}/routes/{route}', { params: { path } }))
    void message.success(`“${route.name}” is off the list; what passes it goes on passing it.`)
  } catch (refusal) {
    void message.error(sentence(refusal), 8)
  }
  await reread()
}
</script>

<template>
  <main class="page">
    <p v-if="error" role="alert">{{ unread(error) }}</p>
    <div v-if="data && main" class="narrow">
      <section class="block">
        <div class="block-head">
          <h2>{{ writing && writing.id === null ? 'Another route' : 'Sign-off route' }}</h2>
          <span v-if="!writing" class="quiet"
            >every post of {{ client?.name }} passes these steps, in this order, unless it has another route</span
          >
        </div>
        <RouteEditor
          v-if="writing"
          v-model="writing"
          :workspace="workspace"
          :known="data"
          @saved="saved"
          @changed="reread"
          @cancel="writing = undefined"
        />
        <template v-else>
          <RouteSteps :route="main" />
          <p v-if="main.releases_itself" class="quiet">What has all its yeses releases itself for its time.</p>
          <p v-if="main.locks_time" class="quiet">The time is locked with the rest once all have said yes.</p>
          <div class="acts">
            <ActButton :may="may" @click="change(main)">Change the route …</ActButton>
            <span v-if="!may?.ok" class="quiet">{{ may?.why }}</span>
          </div>
        </template>
      </section>
      <section v-if="!writing && (others.length > 0 || may?.ok)" class="block">
        <div class="block-head">
          <h2>Other routes</h2>
          <span class="quiet">chosen for a campaign or a post, with a reason on record</span>
        </div>
        <div v-for="route in others" :key="route.id" class="other">
          <h3>
            {{ route.name }} <span class="quiet">{{ passing(route) }}</span>
          </h3>
          <RouteSteps :route="route" />
          <p v-if="route.releases_itself" class="quiet">What has all its yeses releases itself for its time.</p>
          <div class="acts">
            <ActButton size="small" :may="may" @click="change(route)">Change it …</ActButton>
            <ActButton size="small" :may="may" @click="archive(route)">Take it off the list</ActButton>
          </div>
        </div>
        <Button v-if="may?.ok" size="small" @click="writing = newDraft()">Add another route …</Button>
      </section>
      <section v-if="!writing && data.can.see_passes?.ok" class="block">
        <div class="block-head">
          <h2>Links</h2>
          <span class="quiet">with which people of the client answer without an account</span>
        </div>
        <PassRows :workspace="workspace" />
      </section>
      <section v-if="!writing && may?.ok" class="block">
        <h2>Or begin from one of these</h2>
        <ul>
          <li v-for="one in data.presets" :key="one.key">
            <button type="button" class="link-button" @click="begin(one.key)">{{ one.words }}</button>
          </li>
        </ul>
      </section>
    </div>
  </main>
</template>

<style scoped>
.narrow {
  max-width: 860px;
}
.other {
  padding: 8px 0;
}
p.quiet {
  margin: 8px 0;
}
</style>
