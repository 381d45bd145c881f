import '@fontsource-variable/hanken-grotesk/wght.css'
import '@fontsource-variable/literata/wght.css'
import '@fontsource/commit-mono/400.css'
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

createApp(App).use(router).use(VueQueryPlugin, { queryClient: queries }).mount('#app')
