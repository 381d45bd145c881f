<script setup lang="ts">
import { ConfigProvider } from 'ant-design-vue'
import { onBeforeUnmount } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { whenSignedOut } from './api/client'
import MastHead from './agency/MastHead.vue'
import { keepFocus, take } from './parts/focus'
import { useUndoKey } from './parts/undo'
import BatchStrips from '@/plan/bulk/BatchStrips.vue'
import { theme } from './theme'

const route = useRoute()
const router = useRouter()

whenSignedOut((missing) => {
  const here = router.currentRoute.value
  if (missing === 'set-up') {
    if (here.name !== 'profile') void router.push({ name: 'profile', query: { need: 'second-factor' } })
  } else if (!here.meta.bare)
    void router.push({ name: 'sign-in', query: { to: here.fullPath, ...(missing === 'code' ? { step: 'code' } : {}) } })
})

// past the masthead, to what the page is about
function skip() {
  const page = document.querySelector<HTMLElement>('main')
  if (page) take(page)
}
onBeforeUnmount(keepFocus())
useUndoKey()
</script>

<template>
  <ConfigProvider :theme="theme" :auto-insert-space-in-button="false" :wave="{ disabled: true }">
    <a v-if="!route.meta.bare" class="past-masthead" href="#main" @click.prevent="skip">Skip to the page</a>
    <MastHead v-if="!route.meta.bare" />
    <BatchStrips v-if="!route.meta.bare" />
    <router-view v-slot="{ Component }">
      <component :is="Component" :key="route.name === 'post' ? String(route.params.post) : undefined" />
    </router-view>
  </ConfigProvider>
</template>
