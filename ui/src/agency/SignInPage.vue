<script setup lang="ts">
import { Button, Input } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'

const route = useRoute()
const router = useRouter()
const queries = useQueryClient()
const email = ref('')
const password = ref('')
const wrong = ref('')
const busy = ref(false)

async function signIn() {
  busy.value = true
  wrong.value = ''
  try {
    const reply = await fetch('/api/auth/login', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Accept: 'application/json' },
      body: JSON.stringify({ email: email.value, password: password.value }),
    })
    if (!reply.ok) {
      const problem = (await reply.json()) as { detail?: string; way_on?: string }
      wrong.value = [problem.detail, problem.way_on].filter(Boolean).join(' ')
      return
    }
    queries.clear()
    await router.push(typeof route.query.to === 'string' && route.query.to.startsWith('/') ? route.query.to : '/desk')
  } catch {
    wrong.value = 'The server cannot be reached. Try again in a moment.'
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <main class="door">
    <form class="card" @submit.prevent="signIn">
      <h1>Ask <span class="first">First</span></h1>
      <p class="promise">Nothing goes out until the right person has said yes to exactly what goes out.</p>
      <label for="email">Mail address</label>
      <Input id="email" v-model:value="email" type="email" autocomplete="username" required autofocus size="large" />
      <label for="password">Password</label>
      <Input id="password" v-model:value="password" type="password" autocomplete="current-password" required size="large" />
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      <Button type="primary" html-type="submit" size="large" block :loading="busy">Sign in</Button>
    </form>
  </main>
</template>

<style scoped>
.door {
  min-height: 100vh;
  display: grid;
  place-items: center;
  padding: 20px;
}
.card {
  width: min(360px, 100%);
  background: var(--sheet);
  border-top: 3px solid var(--ink);
  padding: 28px;
  display: grid;
  gap: 6px;
}
h1 {
  font-size: 28px;
  font-weight: 750;
}
.first {
  border-bottom: 5px solid var(--ink);
}
.promise {
  font: 400 15px/1.5 var(--serif);
  margin-bottom: 14px;
}
label {
  font-weight: 600;
  margin-top: 6px;
}
.wrong {
  color: var(--trouble);
  font-weight: 600;
}
.card :deep(button) {
  margin-top: 12px;
}
</style>
