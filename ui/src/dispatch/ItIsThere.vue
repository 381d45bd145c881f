<script setup lang="ts">
// Somebody looked at the network and found the post there: at which address.
import { Button, Input } from 'ant-design-vue'
import { ref } from 'vue'

defineProps<{ may?: { ok: boolean } }>()
const emit = defineEmits<{ there: [address: string] }>()
const address = ref('')
</script>

<template>
  <label for="where">I looked: it is there, at</label>
  <Input id="where" v-model:value="address" placeholder="https://" />
  <Button :disabled="address === '' || !may?.ok" @click="emit('there', address)">That is it</Button>
</template>
