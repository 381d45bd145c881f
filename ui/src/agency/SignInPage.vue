<script setup lang="ts">
// Sign-in: password, then the code of the second factor; a forgotten password is reset by mail.
import { Button, Input } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { nextTick, onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useProblem } from '@/parts/problem'
import { auth, startAnew } from './signIn'

const route = useRoute()
const router = useRouter()
const queries = useQueryClient()
const step = ref<'password' | 'code' | 'recovery' | 'forgot' | 'mailed'>(
  route.query.step === 'code' ? 'code' : 'password',
)
const email = ref('')
const password = ref('')
const code = ref('')
const { busy, beside, run, clear } = useProblem()

async function go(next: typeof step.value) {
  clear()
  code.value = ''
  step.value = next
  await nextTick()
  document.querySelector<HTMLInputElement>('.card input')?.focus()
}
async function enter() {
  startAnew(queries)
  await router.push(typeof route.query.to === 'string' && route.query.to.startsWith('/') ? route.query.to : '/desk')
}
async function signIn() {
  const done = await run(() =>
    auth<{ second_factor?: boolean }>('login', { email: email.value, password: password.value }),
  )
  if (done?.second_factor) await go('code')
  else if (done) await enter()
}
async function confirm() {
  const done = await run(() =>
    step.value === 'code'
      ? auth('otp-auth', { otp: code.value.replaceAll(' ', '') })
      : auth('recovery-auth', { 'recovery-code': code.value.trim() }),
  )
  if (done) await enter()
}
async function forgot() {
  const done = await run(() => auth('reset-password-request', { email: email.value }))
  if (done) await go('mailed')
}
onMounted(() => document.querySelector<HTMLInputElement>('.card input')?.focus())
</script>

<template>
  <main class="door">
    <div class="card">
      <h1>Ask <span>First</span></h1>
      <p class="promise">Nothing goes out until the right person has said yes to exactly what goes out.</p>
      <form v-if="step === 'password'" @submit.prevent="signIn">
        <label for="email">Mail address</label>
        <Input id="email" v-model:value="email" type="email" autocomplete="username" required size="large" />
        <label for="password">Password</label>
        <Input
          id="password"
          v-model:value="password"
          type="password"
          autocomplete="current-password"
          required
          size="large"
        />
        <p v-if="beside([])" class="wrong" role="alert">{{ beside([]) }}</p>
        <Button type="primary" html-type="submit" size="large" block :loading="busy">Sign in</Button>
        <button type="button" class="link-button" @click="go('forgot')">I have forgotten my password</button>
      </form>
      <form v-else-if="step === 'code' || step === 'recovery'" @submit.prevent="confirm">
        <label for="code">{{
          step === 'code' ? 'The code that your app shows now' : 'One of your recovery codes'
        }}</label>
        <Input
          id="code"
          v-model:value="code"
          :inputmode="step === 'code' ? 'numeric' : 'text'"
          autocomplete="one-time-code"
          required
          size="large"
        />
        <p v-if="beside([])" class="wrong" role="alert">{{ beside([]) }}</p>
        <Button type="primary" html-type="submit" size="large" block :loading="busy">Go on</Button>
        <button v-if="step === 'code'" type="button" class="link-button" @click="go('recovery')">
          I do not have the app: use a recovery code
        </button>
        <button v-else type="button" class="link-button" @click="go('code')">Back to the app’s code</button>
      </form>
      <form v-else-if="step === 'forgot'" @submit.prevent="forgot">
        <label for="email">Mail address</label>
        <Input id="email" v-model:value="email" type="email" autocomplete="username" required size="large" />
        <p v-if="beside([])" class="wrong" role="alert">{{ beside([]) }}</p>
        <Button type="primary" html-type="submit" size="large" block :loading="busy">Mail me a link</Button>
        <button type="button" class="link-button" @click="go('password')">Back</button>
      </form>
      <div v-else role="status">
        <p>If somebody signs in here with {{ email }}, a mail with a link is on its way. The link works for a day.</p>
        <button type="button" class="link-button" @click="go('password')">Back</button>
      </div>
    </div>
  </main>
</template>

<style scoped src="./door.css"></style>
<style scoped>
label {
  font-weight: 600;
  margin-top: 6px;
}
form :deep(.ant-btn) {
  margin-top: 12px;
}
</style>
