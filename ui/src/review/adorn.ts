// Letters of the house, and emoji in ink where the system has none.
import './fonts.css'
import '@fontsource/noto-emoji/400.css'
import { lookAtEmoji } from '@/parts/emoji-look'

lookAtEmoji()
