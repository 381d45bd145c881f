import '@fontsource-variable/hanken-grotesk/wght.css'
import '@fontsource-variable/literata/wght.css'
import '@fontsource/commit-mono/400.css'
// emoji in ink, drawn alike for every reader: each network draws its own anyway, and yellow means something here
import '@fontsource/noto-emoji/400.css'
import './base.css'
import { VueQueryPlugin, QueryClient } from '@tanstack/vue-query'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router'
import { isProblem } from './api/client'

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      refetchOnWindowFocus: true,
      staleTime: 2_000,
      retry: (tries, error) => tries < 2 && !isProblem(error),
    },
  },
})

// Only once the address is known: a page without sign-in must not begin as one that needs it.
const app = createApp(App).use(router).use(VueQueryPlugin, { queryClient: queries })
void router.isReady().then(() => app.mount('#app'))
