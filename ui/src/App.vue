<script setup lang="ts">
import { ConfigProvider } from 'ant-design-vue'
import { useRoute, useRouter } from 'vue-router'
import { whenSignedOut } from './api/client'
import MastHead from './agency/MastHead.vue'
import { theme } from './theme'

const route = useRoute()
const router = useRouter()

whenSignedOut(() => {
  if (router.currentRoute.value.name !== 'sign-in') void router.push({ name: 'sign-in', query: { to: router.currentRoute.value.fullPath } })
})
</script>

<template>
  <ConfigProvider :theme="theme" :auto-insert-space-in-button="false" :wave="{ disabled: true }">
    <MastHead v-if="!route.meta.bare" />
    <router-view v-slot="{ Component }">
      <component :is="Component" :key="route.name === 'post' ? String(route.params.post) : undefined" />
    </router-view>
  </ConfigProvider>
</template>
