import { createApp } from 'vue'
import '@fontsource/noto-emoji/400.css'
import ReviewPage from './ReviewPage.vue'
import './review.css'

createApp(ReviewPage).mount('#review')
