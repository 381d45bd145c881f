<script setup lang="ts">
// A new password, by the link of a mail.
import { Button, Input } from 'ant-design-vue'
import { onMounted, ref } from 'vue'
import { auth } from '@/agency/signIn'
import FormField from '@/parts/FormField.vue'
import { useProblem } from '@/parts/problem'

const key = location.hash.replace(/^#\/?/, '')
const password = ref('')
const done = ref(false)
const { busy, at, beside, run } = useProblem()
onMounted(() => history.replaceState(history.state, '', '/reset-password'))
async function save() {
  done.value = (await run(() => auth('reset-password', { key, password: password.value }))) !== undefined
}
</script>

<template>
  <main class="door">
    <div class="card">
      <h1>Ask <span>First</span></h1>
      <template v-if="done">
        <h2>Your password is changed</h2>
        <p>Wherever you were signed in, you are signed out.</p>
        <p><router-link to="/sign-in">Sign in</router-link></p>
      </template>
      <form v-else @submit.prevent="save">
        <h2>Choose a new password</h2>
        <FormField
          id="password"
          label="New password"
          :wrong="at('password') ?? at('new_password')"
          hint="At least 12 characters; a few words that only you put together."
        >
          <Input
            id="password"
            v-model:value="password"
            type="password"
            autocomplete="new-password"
            size="large"
            required
            autofocus
          />
        </FormField>
        <p v-if="beside(['password', 'new_password'])" class="wrong" role="alert">
          {{ beside(['password', 'new_password']) }}
        </p>
        <Button type="primary" html-type="submit" size="large" block :loading="busy">Change it</Button>
      </form>
    </div>
  </main>
</template>

<style scoped src="../agency/door.css"></style>
