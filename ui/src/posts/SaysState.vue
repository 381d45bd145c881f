<script setup lang="ts">
// How a part of several fields stands with the server: only what somebody must know.
import type { SaveState } from './part'
import { plainly } from './plainly'

defineProps<{ state: SaveState; problem: string; by?: string; theirs?: unknown }>()
const emit = defineEmits<{ mine: []; theirs: []; drop: [] }>()
</script>

<template>
  <p v-if="state === 'refused'" class="late" role="status">
    not saved: {{ problem }}
    <button type="button" class="link-button" @click="emit('drop')">Discard mine, show what is saved</button>
  </p>
  <p v-else-if="state === 'waiting'" class="quiet" role="status">not saved yet: no connection, trying again</p>
  <p v-else-if="state === 'conflict'" role="alert">
    {{ by ?? 'Somebody' }} changed this meanwhile{{ by === 'You' ? ', in another window,' : '' }} to
    <b>{{ plainly(theirs) }}</b>.
    <button type="button" class="link-button" @click="emit('mine')">Keep mine</button>
    <button type="button" class="link-button" @click="emit('theirs')">Use theirs</button>
  </p>
</template>
