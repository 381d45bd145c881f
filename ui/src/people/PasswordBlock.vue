<script setup lang="ts">
// A new password; signs out everywhere else.
import { Button, InputPassword, message } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { auth } from '@/agency/signIn'
import FormField from '@/parts/FormField.vue'
import { useProblem } from '@/parts/problem'

const queries = useQueryClient()
const password = ref('')
const next = ref('')
const { busy, at, beside, run } = useProblem()
async function save() {
  const done = await run(() => auth('change-password', { password: password.value, new_password: next.value }))
  if (!done) return
  password.value = next.value = ''
  void message.success('Your password is changed; you are signed out everywhere else.')
  void queries.invalidateQueries({ queryKey: ['sessions'] })
}
</script>

<template>
  <section class="block" aria-label="Password">
    <h2>Password</h2>
    <form @submit.prevent="save">
      <div class="pair">
        <FormField id="old" label="Current password" :wrong="at('password')"
          ><InputPassword id="old" v-model:value="password" autocomplete="current-password" required
        /></FormField>
        <FormField id="next" label="New password" :wrong="at('new_password')" hint="At least 12 characters."
          ><InputPassword id="next" v-model:value="next" autocomplete="new-password" required
        /></FormField>
      </div>
      <p v-if="beside(['password', 'new_password'])" class="wrong" role="alert">
        {{ beside(['password', 'new_password']) }}
      </p>
      <div class="acts"><Button html-type="submit" :loading="busy">Change the password</Button></div>
    </form>
  </section>
</template>
