<script setup lang="ts">
// The receipt of a yes, from its mail: looked at without changing anything; each entry says who said it and when, and is
// taken back by itself, with a second press.
import { onMounted, ref } from 'vue'
import { disown, fetchReceipt, type Receipt, type ReceiptLine } from './api'
import { fill, plural, t } from './language'
import { momentOf, wallTime } from './times'

const secret = location.hash.slice('#receipt.'.length)
const receipt = ref<Receipt>()
const said = ref('')
const sure = ref<string>()
/** What became of an entry that was taken back here. */
const became = ref<Record<string, string>>({})
const busy = ref(false)
onMounted(async () => {
  try {
    receipt.value = await fetchReceipt(secret)
    document.title = fill(t().receiptTitle, { client: receipt.value.client })
  } catch (error) {
    said.value = (error as Error).message || t().unreachable
  }
})
function who(line: ReceiptLine) {
  const time = momentOf(line.at, receipt.value!.zone)
  return line.by ? fill(t().saidFor, { who: line.by, time, words: line.words }) : fill(t().youSaidYes, { time })
}
async function takeBack(line: ReceiptLine) {
  busy.value = true
  try {
    const { out } = await disown(secret, line.id)
    const then = line.by ? t().notMineThen : t().notMeThen
    const late = out > 0 ? ` ${fill(t().notMeOut, { posts: plural(out, t().posts) })}` : ''
    became.value = { ...became.value, [line.id]: then + late }
  } catch (error) {
    became.value = { ...became.value, [line.id]: (error as Error).message || t().unreachable }
  }
  sure.value = undefined
  busy.value = false
}
const end = (line: ReceiptLine) => became.value[line.id] ?? (line.disowned ? t().disownedBefore : '')
</script>

<template>
  <main class="alone receipt">
    <h1>{{ receipt ? fill(t().receiptTitle, { client: receipt.client }) : t().yourYes }}</h1>
    <p v-if="said" role="status">{{ said }}</p>
    <template v-if="receipt">
      <p v-if="!said">{{ fill(t().receiptAsk, { name: receipt.me }) }}</p>
      <section v-for="line in receipt.lines" :key="line.id" class="proof">
        <p class="quiet">{{ wallTime(line.wall) }} · {{ line.channels.join(', ') }}</p>
        <p class="copy" dir="auto">{{ line.text }}</p>
        <p class="entry" dir="auto">{{ who(line) }}</p>
        <p v-if="end(line)" class="entry" role="status">{{ end(line) }}</p>
        <template v-else-if="sure === line.id">
          <p class="entry">{{ t().notMeSure }}</p>
          <div class="two">
            <button type="button" class="plain" @click="sure = undefined">{{ t().back }}</button>
            <button type="button" class="dark" :disabled="busy" @click="takeBack(line)">{{ t().takeBack }}</button>
          </div>
        </template>
        <button v-else type="button" class="plain" @click="sure = line.id">
          {{ line.by ? t().notMine : t().notMe }}
        </button>
      </section>
      <button v-if="!said" type="button" class="dark" @click="said = t().wasMeThen">{{ t().wasMe }}</button>
    </template>
  </main>
</template>
