<script setup lang="ts">
// Anybody's page: whether a sign-off sheet is what was sealed. The files are read here and go nowhere.
import { computed, ref } from 'vue'
import { momentOf } from './times'
import { hexOf, sha256, verify, type Found, type Proof } from './verify'

document.title = 'Verify a sign-off sheet'
const proof = ref<Proof>()
const found = ref<Found>()
const wrong = ref('')
const mail = ref('')
const files = ref<{ name: string; good: boolean }[]>([])
const held = computed(() => {
  const match = /(\d+)\D+([0-9a-f]{64})/i.exec(mail.value.replaceAll(/[,.](?=\d)/g, ''))
  return match ? { size: Number(match[1]), root: match[2]!.toLowerCase() } : undefined
})

async function look() {
  if (!proof.value) return
  wrong.value = ''
  try {
    found.value = await verify(proof.value, held.value)
  } catch {
    found.value = undefined
    wrong.value = 'This file is not what proves a sign-off sheet. Take the JSON file that was made with it.'
  }
}
async function takeProof(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  files.value = []
  try {
    proof.value = JSON.parse(await file.text()) as Proof
  } catch {
    proof.value = undefined
    found.value = undefined
    wrong.value = 'This file is not what proves a sign-off sheet. Take the JSON file that was made with it.'
    return
  }
  await look()
}
async function takeFiles(event: Event) {
  files.value = []
  for (const file of (event.target as HTMLInputElement).files ?? []) {
    const digest = hexOf(await sha256(await file.arrayBuffer()))
    files.value.push({ name: file.name, good: found.value?.files.includes(digest) ?? false })
  }
}
const place = computed(() => (proof.value?.zone.split('/').pop() ?? '').replaceAll('_', ' '))
const all = computed(() => found.value?.entries.every((one) => one.good) && found.value.contents)
</script>

<template>
  <main class="alone verify">
    <h1>Verify a sign-off sheet</h1>
    <p>Your browser does it with SHA-256 alone. What you choose here is read on this device and sent nowhere.</p>
    <label for="proof">The proof of the sheet (a JSON file)</label>
    <input id="proof" type="file" accept="application/json,.json" @change="takeProof" />
    <label for="mail">The last line of a mail that you hold, if you have one</label>
    <textarea id="mail" v-model="mail" rows="2" @change="look" />
    <label for="files">Pictures or videos that went out, if you have them</label>
    <input id="files" type="file" multiple :disabled="!found" @change="takeFiles" />
    <p v-if="wrong" role="alert" class="given change">{{ wrong }}</p>
    <section v-if="found && proof" aria-live="polite">
      <p class="given" :class="all ? 'yes' : 'change'">
        {{
          all
            ? `Right: ${proof.entries.length === 1 ? 'its entry is' : `all ${proof.entries.length} entries are`} in the record of ${proof.client}, which holds ${proof.size}.`
            : `Wrong: not everything on this sheet is in the record of ${proof.client}.`
        }}
      </p>
      <p v-if="found.held !== undefined" class="given" :class="found.held ? 'yes' : 'change'">
        {{
          found.held
            ? 'Right: the record only added to what stood in your mail.'
            : 'Wrong: it has not grown from what stood in your mail, or that was too long ago for this proof.'
        }}
      </p>
      <p v-for="file in files" :key="file.name" class="given" :class="file.good ? 'yes' : 'change'">
        <bdi>{{ file.name }}</bdi>:
        {{ file.good ? 'exactly a file that was said yes to.' : 'none of the files that were said yes to.' }}
      </p>
      <p class="quiet">
        Names come with the file; the record seals the number of each person. Times are {{ place }}’s.
      </p>
      <ol class="entries">
        <li v-for="one in found.entries" :key="one.place">
          <p>
            <b :class="one.good ? 'yes' : 'change'">{{ one.good ? 'In the record' : 'Not in the record' }}</b>, entry
            {{ one.place }}, {{ momentOf(one.at, proof.zone) }}: <bdi>{{ one.by }}</bdi>{{ ' '
            }}<template v-if="one.person"
              >for <bdi>{{ one.person }}</bdi></template
            >{{ ' ' }}<b>{{ (one.verdict ?? one.act).replaceAll('_', ' ') }}</b
            ><template v-if="one.words"
              >: “<bdi>{{ one.words }}</bdi
              >”</template
            >
          </p>
          <p v-if="one.channels.length > 0" class="quiet">{{ one.channels.join(', ') }}</p>
          <template v-for="content in one.contents" :key="content.fingerprint">
            <p class="copy" dir="auto">{{ content.text || 'No words' }}</p>
            <p class="quiet print">Fingerprint {{ content.fingerprint }}</p>
          </template>
        </li>
      </ol>
    </section>
  </main>
</template>
