import { createApp, defineAsyncComponent } from 'vue'
import ReviewPage from './ReviewPage.vue'
import { speakAsWanted } from './language'
import './review.css'

void speakAsWanted()
// a plan link, a receipt and a proof stand beside the review: the same small build, other pages
function page() {
  if (location.pathname.startsWith('/review/plan')) return defineAsyncComponent(() => import('./PlanByLink.vue'))
  if (location.pathname.startsWith('/review/verify')) return defineAsyncComponent(() => import('./VerifyPage.vue'))
  if (location.hash.startsWith('#receipt.')) return defineAsyncComponent(() => import('./ReviewReceipt.vue'))
  return ReviewPage
}
createApp(page()).mount('#review')

// What only makes it more beautiful comes when the words and the first pictures are there.
// Without it the page reads as well, in the letters of the device.
function adorn() {
  import('./adorn').catch(() => undefined)
}
const pictures = () => [...document.querySelectorAll('img')]
const waited = window.setInterval(() => {
  if (!navigator.onLine) return
  if (document.querySelector('main.first') || !pictures().every((picture) => picture.complete)) return
  window.clearInterval(waited)
  adorn()
}, 300)
