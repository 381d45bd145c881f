import '@fontsource-variable/hanken-grotesk/wght.css'
import '@fontsource-variable/literata/wght.css'
import '@fontsource/commit-mono/400.css'
// emoji in ink around the copy, where yellow means something; in the copy only where the system has none of its own
import '@fontsource/noto-emoji/400.css'
import './base.css'
import { VueQueryPlugin, QueryClient } from '@tanstack/vue-query'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router'
import { isProblem } from './api/client'
import { fetchMe } from './agency/me'
import { adopt, draftsKnown, openTabs } from './parts/drafts'
import { lookAtEmoji } from './parts/emoji-look'

lookAtEmoji()
const queries = new QueryClient({
  defaultOptions: {
    queries: {
      refetchOnWindowFocus: true,
      staleTime: 2_000,
      retry: (tries, error) => tries < 2 && !isProblem(error),
      // what did not arrive is fetched again by itself, and its page says so
      refetchInterval: (query) => (query.state.error && !isProblem(query.state.error) ? 5_000 : false),
    },
  },
})

// Who is there is known before a page stands: what is being typed is kept for them alone.
const tabs = openTabs()
router.beforeEach(async (to) => {
  if (to.meta.bare || draftsKnown()) return
  try {
    await queries.fetchQuery({ queryKey: ['me'], queryFn: fetchMe, staleTime: 60_000 })
    adopt(await tabs)
  } catch {
    // nobody is signed in, or the line is down: the page itself says so
  }
})

// Only once the address is known: a page without sign-in must not begin as one that needs it.
const app = createApp(App).use(router).use(VueQueryPlugin, { queryClient: queries })
void router.isReady().then(() => app.mount('#app'))
