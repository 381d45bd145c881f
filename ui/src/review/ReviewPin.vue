<script setup lang="ts">
// A new device, where the client wants a PIN: six digits from the mailbox that the link belongs to.
import { ref } from 'vue'
import { sendPin, sendPinAgain } from './api'
import { t } from './language'

const emit = defineEmits<{ verified: [] }>()
const pin = ref('')
const note = ref('')
const busy = ref(false)

async function during(act: () => Promise<unknown>) {
  busy.value = true
  note.value = ''
  try {
    await act()
  } catch (error) {
    note.value = (error as Error).message || t().unreachable
  }
  busy.value = false
}
const open = () =>
  during(async () => {
    await sendPin(pin.value)
    emit('verified')
  })
const again = () =>
  during(async () => {
    await sendPinAgain()
    pin.value = ''
    note.value = t().pinSent
  })
</script>

<template>
  <main class="alone">
    <h1>{{ t().pinTitle }}</h1>
    <p>{{ t().pinAsk }}</p>
    <form class="pin" @submit.prevent="open">
      <label for="pin">{{ t().pin }}</label>
      <input id="pin" v-model="pin" inputmode="numeric" autocomplete="one-time-code" maxlength="9" autofocus />
      <p v-if="note" role="alert">{{ note }}</p>
      <div class="two">
        <button type="button" class="plain" :disabled="busy" @click="again">{{ t().pinAgain }}</button>
        <button type="submit" class="dark" :disabled="busy || pin.replace(/\D/g, '').length < 6">{{ t().open }}</button>
      </div>
    </form>
  </main>
</template>
