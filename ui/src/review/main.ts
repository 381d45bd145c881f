import { createApp } from 'vue'
import '@fontsource/noto-emoji/400.css'
import ReviewPage from './ReviewPage.vue'
import { lookAtEmoji } from '@/parts/emoji-look'
import './review.css'

lookAtEmoji()
createApp(ReviewPage).mount('#review')
