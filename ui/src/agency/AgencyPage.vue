<script setup lang="ts">
// What owners see of the agency as a whole.
import PageBar from '@/parts/PageBar.vue'
import { useMe } from './me'

const { data: me } = useMe()
const pages = [
  { name: 'agency-people', label: 'People and clients', to: { name: 'agency-people' } },
  { name: 'roles', label: 'Roles', to: { name: 'roles' } },
  { name: 'policies', label: 'Policies', to: { name: 'policies' } },
  { name: 'agency-record', label: 'Record', to: { name: 'agency-record' } },
] as const
</script>

<template>
  <div v-if="me?.owner">
    <PageBar :name="me.agency" label="Pages of the agency" :pages="pages" />
    <router-view />
  </div>
  <main v-else-if="me" class="page">
    <p class="quiet">These pages are for the agency’s owners. <router-link to="/desk">Go to the Desk</router-link></p>
  </main>
</template>
