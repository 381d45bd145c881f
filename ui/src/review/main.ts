import { createApp } from 'vue'
import ReviewPage from './ReviewPage.vue'
import './review.css'

createApp(ReviewPage).mount('#review')
