<script setup lang="ts">
// One page with everything ready to copy, save and publish by hand; taken up by one person, ticked off with where it
// went.
import { Button, Input, message } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ok, unread } from '@/api/client'
import { planned } from '@/api/time'
import { LENGTHS } from '@/api/lengths'
import { titled } from '@/api/words'
import { besideInWords } from '@/parts/beside'
import FormField from '@/parts/FormField.vue'
import { copied } from '@/parts/copied'
import { useProblem } from '@/parts/problem'

const props = defineProps<{ workspace: string; showing: string }>()
const router = useRouter()
const queries = useQueryClient()
const path = { workspace: props.workspace, showing: props.showing }
const { data, error } = useQuery({
  queryKey: ['by-hand', props.showing],
  queryFn: () => ok(api.GET('/api/w/{workspace}/showings/{showing}/by-hand', { params: { path } })),
  refetchInterval: 10_000,
})
const place = ref('')
const { busy, at, beside, run } = useProblem()
const waits = computed(() => data.value?.state === 'by_hand' && !data.value.claimed_by)

async function act(what: 'take-up' | 'let-go') {
  await run(() =>
    ok(
      what === 'take-up'
        ? api.POST('/api/w/{workspace}/showings/{showing}/take-up', { params: { path } })
        : api.POST('/api/w/{workspace}/showings/{showing}/let-go', { params: { path } }),
    ),
  )
  void queries.invalidateQueries({ queryKey: ['by-hand', props.showing] })
}
async function confirm() {
  const done = await run(async () => {
    await ok(
      api.POST('/api/w/{workspace}/showings/{showing}/confirm', { params: { path }, body: { place: place.value } }),
    )
    return true
  })
  if (!done) return
  void message.success('Out, by your hand.')
  await queries.invalidateQueries()
  await router.push({ name: 'dispatch' })
}
const more = computed(() => (data.value ? besideInWords(data.value.beside) : []))
</script>

<template>
  <main class="page">
    <p v-if="error" role="alert">
      {{ unread(error) }} <router-link :to="{ name: 'dispatch' }">Back to the dispatch log</router-link>
    </p>
    <div v-if="data" class="narrow">
      <div class="page-head">
        <h1>Publish by hand on {{ data.channel }}</h1>
        <span class="quiet">{{ titled(data.subject) }} · planned {{ planned(data.at, data.zone) }}</span>
      </div>
      <section v-if="data.stop && data.state === 'by_hand'" class="block stop" role="alert">
        <p><b>Do not publish it now.</b> {{ data.stop }}</p>
        <p v-if="data.mine">
          If it is not out yet, give it back; if it is, say where, so that somebody can take it down.
        </p>
      </section>
      <section class="block">
        <p v-if="data.state === 'out'">It is out.</p>
        <template v-else-if="data.state !== 'by_hand'"><p>It is not due yet; it waits for its time.</p></template>
        <template v-else-if="waits">
          <p>It is time. Take it up, and nobody else does it too; every yes is checked again as you do.</p>
          <div class="acts">
            <Button type="primary" :loading="busy" @click="act('take-up')">I publish it now</Button>
          </div>
        </template>
        <p v-else-if="!data.mine">
          <b>{{ data.claimed_by }}</b> has taken it up.
        </p>
        <template v-else>
          <p v-if="data.stop">You have taken it up.</p>
          <p v-else>You have taken it up. Publish exactly this, then say where it went.</p>
          <form @submit.prevent="confirm">
            <FormField
              id="place"
              label="Where it went"
              :wrong="at('place')"
              hint="Its address, or in words such as “on the counter of shop 2”."
              ><Input id="place" v-model:value="place" :maxlength="LENGTHS.place"
            /></FormField>
            <div class="acts">
              <Button :type="data.stop ? 'default' : 'primary'" html-type="submit" :loading="busy">It is out</Button>
              <Button :type="data.stop ? 'primary' : 'default'" @click="act('let-go')"
                >I did not publish it: give it back</Button
              >
            </div>
          </form>
        </template>
        <p v-if="beside(['place'])" class="wrong" role="alert">{{ beside(['place']) }}</p>
      </section>
      <section v-if="data.text !== ''" class="block">
        <div class="block-head">
          <h2>The text</h2>
          <Button size="small" @click="copied(data.text)">Copy it</Button>
        </div>
        <p class="copy">{{ data.text }}</p>
      </section>
      <section v-if="more.length > 0" class="block">
        <h2>Goes with it</h2>
        <dl>
          <template v-for="[label, words] in more" :key="label">
            <dt>{{ label }}</dt>
            <dd>
              <bdi>{{ words }}</bdi> <button type="button" class="link-button" @click="copied(words)">copy</button>
            </dd>
          </template>
        </dl>
      </section>
      <section v-if="data.pictures.length > 0" class="block">
        <h2>The files, as they were approved</h2>
        <ul>
          <li v-for="(picture, index) in data.pictures" :key="picture.id">
            <video v-if="picture.kind === 'video'" :src="`/api/w/${workspace}/renditions/${picture.id}`" controls />
            <img
              v-else-if="picture.kind === 'picture'"
              :src="`/api/w/${workspace}/renditions/${picture.id}`"
              :alt="picture.description || `Picture ${index + 1}`"
            />
            <span>{{ picture.description }}</span>
            <a :href="`/api/w/${workspace}/renditions/${picture.id}`" download
              >Save {{ picture.kind }} {{ index + 1 }}</a
            >
          </li>
        </ul>
      </section>
    </div>
  </main>
</template>

<style scoped>
.stop {
  border-left: 4px solid var(--trouble);
}
.narrow {
  max-width: 720px;
}
li {
  display: grid;
  gap: 4px;
  margin: 10px 0;
}
img {
  max-width: 100%;
  max-height: 360px;
  object-fit: contain;
  justify-self: start;
}
</style>
