<script setup lang="ts">
// The line under the masthead: what the pages are about, the pages, and room for what can be done.
import { computed, watch } from 'vue'
import { useRoute, type RouteLocationRaw } from 'vue-router'
import { entitle } from './title'

const props = defineProps<{
  name: string
  label: string
  pages: readonly { name: string; label: string; to: RouteLocationRaw }[]
}>()
const route = useRoute()
const here = computed(() => props.pages.find((one) => one.name === route.name)?.label)
watch(here, (label) => label && entitle(`${label}, ${props.name}`), { immediate: true, flush: 'post' })
</script>

<template>
  <div class="bar">
    <slot name="logo" />
    <h1 class="hidden">{{ here }}, {{ name }}</h1>
    <strong class="name" aria-hidden="true">{{ name }}</strong>
    <nav :aria-label="label">
      <router-link
        v-for="one in pages"
        :key="one.name"
        :to="one.to"
        :class="{ here: route.name === one.name }"
        :aria-current="route.name === one.name ? 'page' : undefined"
        >{{ one.label }}</router-link
      >
    </nav>
    <span class="fill" />
    <slot name="acts" />
  </div>
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
  flex-wrap: wrap;
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
