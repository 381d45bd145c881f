<script setup lang="ts">
import { ConfigProvider } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { whenSignedOut } from './api/client'
import MastHead from './agency/MastHead.vue'
import { useMe } from './agency/me'
import { listen } from './live/live'
import { theme } from './theme'

const route = useRoute()
const router = useRouter()
const queries = useQueryClient()
const { data: me } = useMe()

whenSignedOut(() => {
  if (router.currentRoute.value.name !== 'sign-in') void router.push({ name: 'sign-in', query: { to: router.currentRoute.value.fullPath } })
})

watch(
  me,
  (value) => {
    if (value)
      listen(
        value.workspaces.filter((one) => one.side === 'agency').map((one) => one.id),
        queries,
      )
  },
  { immediate: true },
)
</script>

<template>
  <ConfigProvider :theme="theme" :auto-insert-space-in-button="false" :wave="{ disabled: true }">
    <MastHead v-if="!route.meta.bare" />
    <router-view v-slot="{ Component }">
      <component :is="Component" :key="route.name === 'post' ? String(route.params.post) : undefined" />
    </router-view>
  </ConfigProvider>
</template>
