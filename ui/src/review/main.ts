import { createApp, defineAsyncComponent } from 'vue'
import '@fontsource/noto-emoji/400.css'
import ReviewPage from './ReviewPage.vue'
import { lookAtEmoji } from '@/parts/emoji-look'
import './review.css'

lookAtEmoji()
// a plan link stands beside the review: the same small build, another page
const plan = location.pathname.startsWith('/review/plan')
createApp(plan ? defineAsyncComponent(() => import('./PlanByLink.vue')) : ReviewPage).mount('#review')
