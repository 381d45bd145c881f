<script setup lang="ts">
// What owners see of the agency as a whole.
import { useRoute } from 'vue-router'
import { useMe } from './me'

const route = useRoute()
const { data: me } = useMe()
const pages = [
  { name: 'agency-people', label: 'People and clients' },
  { name: 'roles', label: 'Roles' },
  { name: 'policies', label: 'Policies' },
  { name: 'agency-record', label: 'Record' },
] as const
</script>

<template>
  <div v-if="me?.owner">
    <div class="bar">
      <strong class="name">{{ me.agency }}</strong>
      <nav aria-label="Pages of the agency">
        <router-link v-for="one in pages" :key="one.name" :to="{ name: one.name }" :class="{ here: route.name === one.name }" :aria-current="route.name === one.name ? 'page' : undefined">{{ one.label }}</router-link>
      </nav>
    </div>
    <router-view />
  </div>
  <main v-else-if="me" class="page">
    <p class="quiet">These pages are for the agency’s owners. <router-link to="/desk">Go to the Desk</router-link></p>
  </main>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
  min-height: 50px;
  padding: 0 20px;
  background: var(--sheet);
  border-bottom: 1px solid var(--rule);
}
.name {
  font-size: 18px;
  font-weight: 750;
  margin-right: 8px;
}
nav {
  display: flex;
  align-self: stretch;
}
nav a {
  display: flex;
  align-items: center;
  min-height: 36px;
  padding: 0 9px;
  text-decoration: none;
  color: var(--ink-2);
  border-bottom: 3px solid transparent;
}
nav a.here {
  color: var(--ink);
  font-weight: 600;
  border-bottom-color: var(--ink);
}
</style>
