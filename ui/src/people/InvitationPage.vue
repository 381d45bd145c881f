<script setup lang="ts">
// What an invitation's link opens: who invites, to what; then a name and a password, or accepting as who one is
// already.
import { Button, Input } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ok, sentence } from '@/api/client'
import { signInWith, startAnew } from '@/agency/signIn'
import FormField from '@/parts/FormField.vue'
import { useProblem } from '@/parts/problem'

type Invited = {
  client: string
  initials: string
  edge: string
  agency: string
  invited_by: string
  role: string
  side: string
  email: string
  known: boolean
  signs_in: boolean
  zone: string
  signed_in_as: string | null
}
const router = useRouter()
const queries = useQueryClient()
// the secret is taken out of the address at once, and kept for this tab alone
const token = ref(location.hash.replace(/^#\/?/, '') || (sessionStorage.getItem('invitation') ?? ''))
const invited = ref<Invited>()
const over = ref('')
const accepted = ref(false)
const name = ref('')
const password = ref('')
const { busy, at, beside, run } = useProblem()

onMounted(async () => {
  sessionStorage.setItem('invitation', token.value)
  history.replaceState(history.state, '', '/invitation')
  await look()
})
async function look() {
  try {
    invited.value = await ok(api.POST('/api/invitation/look', { body: { token: token.value } }))
  } catch (problem) {
    over.value = sentence(problem)
  }
}
async function accept() {
  const one = invited.value!
  const done = await run(async () => {
    if (one.signs_in && one.signed_in_as !== one.email) {
      const wrong = await signInWith(one.email, password.value)
      if (wrong) throw wrong
    }
    return ok(
      api.POST('/api/invitation/accept', {
        body: {
          token: token.value,
          name: name.value,
          password: password.value,
          zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
        },
      }),
    )
  })
  if (!done) return
  sessionStorage.removeItem('invitation')
  startAnew(queries)
  if (done.side === 'client') return void (accepted.value = true)
  if (!one.signs_in) await signInWith(one.email, password.value)
  await router.push({ name: 'brand', params: { workspace: done.workspace_id } })
}
</script>

<template>
  <main class="door">
    <div class="card">
      <h1>Ask <span>First</span></h1>
      <p v-if="over" role="alert">{{ over }}</p>
      <template v-else-if="accepted && invited">
        <h2>Thank you</h2>
        <p>
          {{ invited.agency }} will write to {{ invited.email }} when a post of {{ invited.client }} needs your yes.
          There is nothing to install and no password: the mail holds a link that is yours alone.
        </p>
      </template>
      <form v-else-if="invited" @submit.prevent="accept">
        <h2>{{ invited.invited_by }} invites you</h2>
        <p v-if="invited.side === 'client'">
          {{ invited.agency }} makes the posts of <b>{{ invited.client }}</b> and asks you before anything goes out.
        </p>
        <p v-else>
          to work on <b>{{ invited.client }}</b> at {{ invited.agency }}, as <b>{{ invited.role }}</b>.
        </p>
        <p class="quiet">The invitation is for {{ invited.email }}.</p>
        <template v-if="!invited.signs_in">
          <FormField v-if="!invited.known" id="name" label="Your name" :wrong="at('name')"
            ><Input id="name" v-model:value="name" autocomplete="name" size="large" required autofocus
          /></FormField>
          <FormField
            v-if="invited.side === 'agency'"
            id="password"
            label="A password"
            :wrong="at('password')"
            hint="At least 12 characters; a few words that only you put together."
          >
            <Input
              id="password"
              v-model:value="password"
              type="password"
              autocomplete="new-password"
              size="large"
              required
            />
          </FormField>
        </template>
        <template v-else-if="invited.signed_in_as !== invited.email">
          <FormField
            id="password"
            :label="`Your password for ${invited.email}`"
            :wrong="at('password')"
            :hint="
              invited.signed_in_as
                ? `You are signed in as ${invited.signed_in_as}; this signs you in anew.`
                : 'You have an account here already.'
            "
          >
            <Input
              id="password"
              v-model:value="password"
              type="password"
              autocomplete="current-password"
              size="large"
              required
            />
          </FormField>
        </template>
        <p v-if="beside(['name', 'password'])" class="wrong" role="alert">{{ beside(['name', 'password']) }}</p>
        <div class="acts">
          <Button type="primary" size="large" html-type="submit" :loading="busy" block>Accept</Button>
        </div>
      </form>
      <p v-else aria-busy="true" class="quiet">Looking at the invitation …</p>
    </div>
  </main>
</template>

<style scoped src="../agency/door.css"></style>
