<script setup lang="ts">
// The second factor: a code from an app (TOTP, RFC 6238), with recovery codes for the day when the phone is gone.
import { Button, Input, InputPassword, QRCode } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { auth } from '@/agency/signIn'
import FormField from '@/parts/FormField.vue'
import { useProblem } from '@/parts/problem'

const props = defineProps<{ profile: Schemas['Profile'] }>()
const queries = useQueryClient()
const secret = ref<{ secret: string; raw: string }>()
const password = ref('')
const code = ref('')
const codes = ref<string[]>()
const mode = ref<'' | 'codes' | 'off'>('')
const { busy, at, beside, run, clear } = useProblem()
const address = (key: string) =>
  `otpauth://totp/${encodeURIComponent(`Ask First:${props.profile.email}`)}?secret=${key}&issuer=${encodeURIComponent('Ask First')}`

const text = computed(() =>
  [`Ask First, ${props.profile.email}: recovery codes, each works once`, ...(codes.value ?? []), ''].join('\n'),
)
const asFile = computed(() => `data:text/plain;charset=utf-8,${encodeURIComponent(text.value)}`)
const copied = ref('')
async function copy() {
  try {
    await navigator.clipboard.writeText(text.value)
    copied.value = 'They are copied.'
  } catch {
    copied.value = 'This browser does not let them be copied: mark them, or download them.'
  }
}

async function begin() {
  codes.value = undefined
  secret.value = await run(() => auth<{ secret: string; raw: string }>('otp-setup', {}))
}
async function confirm() {
  const done = await run(async () => {
    await auth('otp-setup', {
      otp_secret: secret.value!.secret,
      otp_raw_secret: secret.value!.raw,
      password: password.value,
      otp: code.value.replaceAll(' ', ''),
    })
    return auth<{ codes: string[] }>('recovery-codes', { password: password.value })
  })
  if (!done) return
  secret.value = undefined
  password.value = code.value = ''
  codes.value = done.codes
  await queries.invalidateQueries()
}
async function show() {
  const done = await run(() => auth<{ codes: string[] }>('recovery-codes', { password: password.value }))
  if (!done) return
  password.value = ''
  mode.value = ''
  codes.value = done.codes
}
async function turnOff() {
  const done = await run(() => auth('otp-disable', { password: password.value }))
  if (!done) return
  password.value = ''
  mode.value = ''
  codes.value = undefined
  await queries.invalidateQueries({ queryKey: ['profile'] })
}
function ask(next: 'codes' | 'off') {
  clear()
  mode.value = next
}
</script>

<template>
  <section class="block" aria-label="Second factor">
    <div class="block-head">
      <h2>Second factor</h2>
      <span class="quiet">{{
        profile.second_factor ? `on, ${profile.recovery_codes} recovery codes left` : 'off'
      }}</span>
    </div>
    <div v-if="codes" class="codes" role="status">
      <p>Keep these recovery codes somewhere safe, not on the phone. Each works once.</p>
      <ol class="digest" aria-label="Recovery codes">
        <li v-for="one in codes" :key="one">{{ one }}</li>
      </ol>
      <p class="acts">
        <Button size="small" @click="copy">Copy them</Button>
        <Button size="small" :href="asFile" :download="`recovery-codes-${profile.email}.txt`">Download them</Button>
        <span role="status" class="quiet">{{ copied }}</span>
      </p>
    </div>
    <template v-if="!profile.second_factor && !secret">
      <p>With it, your password alone opens nothing: a code from an app on your phone is needed too.</p>
      <div class="acts"><Button :loading="busy" @click="begin">Set it up</Button></div>
    </template>
    <form v-else-if="secret" class="setup" @submit.prevent="confirm">
      <QRCode :value="address(secret.secret)" :size="150" :bordered="false" />
      <div>
        <p>
          Scan this with the app, or type the secret: <span class="digest">{{ secret.secret }}</span>
        </p>
        <FormField id="otp" label="The code that it shows now" :wrong="at('otp')"
          ><Input id="otp" v-model:value="code" inputmode="numeric" autocomplete="one-time-code" required
        /></FormField>
        <FormField id="otp-password" label="Your password" :wrong="at('password')"
          ><InputPassword id="otp-password" v-model:value="password" autocomplete="current-password" required
        /></FormField>
        <div class="acts">
          <Button type="primary" html-type="submit" :loading="busy">Turn it on</Button>
          <Button @click="secret = undefined">Cancel</Button>
        </div>
      </div>
    </form>
    <form v-else-if="mode" @submit.prevent="mode === 'off' ? turnOff() : show()">
      <FormField id="mode-password" label="Your password" :wrong="at('password')"
        ><InputPassword id="mode-password" v-model:value="password" autocomplete="current-password" required
      /></FormField>
      <div class="acts">
        <Button html-type="submit" :danger="mode === 'off'" :loading="busy">{{
          mode === 'off' ? 'Turn it off' : 'Show my recovery codes'
        }}</Button>
        <Button @click="mode = ''">Cancel</Button>
      </div>
    </form>
    <div v-else class="acts">
      <Button @click="ask('codes')">Recovery codes</Button>
      <Button @click="ask('off')">Turn it off …</Button>
    </div>
    <p v-if="beside(['otp', 'password'])" class="wrong" role="alert">{{ beside(['otp', 'password']) }}</p>
  </section>
</template>

<style scoped>
.setup {
  display: grid;
  grid-template-columns: 160px 1fr;
  gap: 16px;
}
.digest {
  overflow-wrap: anywhere;
}
.codes ol {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 4px 16px;
  margin: 6px 0;
  font: 500 15px/1.5 var(--mono);
}
.codes .acts {
  align-items: center;
}
.codes {
  border-left: 4px solid var(--ink);
  padding: 4px 10px;
  background: var(--ground);
}
</style>
