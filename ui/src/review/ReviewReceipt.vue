<script setup lang="ts">
// The receipt of a yes, from its mail: looked at without changing anything, and taken back by whoever it names.
import { onMounted, ref } from 'vue'
import { disown, fetchReceipt, type Receipt } from './api'
import { fill, plural, t } from './language'
import { wallTime } from './times'

const secret = location.hash.slice('#receipt.'.length)
const receipt = ref<Receipt>()
const said = ref('')
const out = ref(0)
const busy = ref(false)
onMounted(async () => {
  try {
    receipt.value = await fetchReceipt(secret)
    document.title = fill(t().receiptTitle, { client: receipt.value.client })
    if (receipt.value.disowned) said.value = t().disownedBefore
  } catch (error) {
    said.value = (error as Error).message || t().unreachable
  }
})
async function notMe() {
  busy.value = true
  try {
    out.value = (await disown(secret)).out
    said.value = t().notMeThen
  } catch (error) {
    said.value = (error as Error).message || t().unreachable
  }
  busy.value = false
}
</script>

<template>
  <main class="alone">
    <h1>{{ receipt ? fill(t().receiptTitle, { client: receipt.client }) : t().yourYes }}</h1>
    <p v-if="said" role="status">{{ said }}</p>
    <p v-if="out > 0" role="alert">{{ fill(t().notMeOut, { posts: plural(out, t().posts) }) }}</p>
    <template v-if="receipt">
      <p v-if="!said">{{ fill(t().receiptAsk, { name: receipt.me }) }}</p>
      <section v-for="line in receipt.lines" :key="line.at + line.text" class="proof">
        <p class="quiet">{{ wallTime(line.wall) }} · {{ line.channels.join(', ') }}</p>
        <p class="copy" dir="auto">{{ line.text }}</p>
      </section>
      <div v-if="!said" class="two">
        <button type="button" class="plain" :disabled="busy" @click="notMe">{{ t().notMe }}</button>
        <button type="button" class="dark" @click="said = t().wasMeThen">{{ t().wasMe }}</button>
      </div>
    </template>
  </main>
</template>
