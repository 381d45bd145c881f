<script setup lang="ts">
// Before many unconfirmed releases are sent at once: which of them are surely not out, and which could go out twice.
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import DialogBox from '@/parts/DialogBox.vue'

type Row = Schemas['UnconfirmedRow']
const props = defineProps<{ client: string; rows: Row[]; busy: boolean }>()
const emit = defineEmits<{ send: [rows: Row[]]; close: [] }>()

const sure = computed(() => props.rows.filter((row) => row.network_said === 'not_there' && !row.asking))
const unsure = computed(() => props.rows.filter((row) => !sure.value.includes(row)))
const posts = (count: number) => (count === 1 ? 'One post' : `${count} posts`)
</script>

<template>
  <DialogBox :title="`Send what is left of ${client}`" :closable="false" :width="440" @close="emit('close')">
    <p v-if="sure.length > 0">
      {{ posts(sure.length) }} {{ sure.length === 1 ? 'is' : 'are' }} surely not at the network.
    </p>
    <p v-if="unsure.length > 0" class="late">
      {{ posts(unsure.length) }} could not be asked for. What is out already goes out twice: look there first.
    </p>
    <p class="quiet">Whatever was cancelled or changed after the backup goes out as it stood then.</p>
    <Button v-if="sure.length > 0 && unsure.length > 0" type="primary" :loading="busy" @click="emit('send', sure)"
      >Send only what is sure ({{ sure.length }})</Button
    >
    <Button
      :type="unsure.length > 0 ? 'default' : 'primary'"
      :danger="unsure.length > 0"
      :loading="busy"
      @click="emit('send', rows)"
      >Send all {{ rows.length }}</Button
    >
    <Button @click="emit('close')">Cancel</Button>
  </DialogBox>
</template>
