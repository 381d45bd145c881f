// What each answer is called, and what is said of a post from which nothing is wanted any more.
import type { Line, Verdict } from './api'
import { fill, t } from './language'

export const COLOUR: Record<Verdict, string> = { yes: 'yes', change: 'change', no: 'change' }

type Ended = keyof ReturnType<typeof t>['ended']
const over = (ended: Line['ended']): ended is Ended => !!ended && ended in t().ended

export const endedSentence = (ended: Line['ended'], asker: string) =>
  over(ended) ? fill(t().ended[ended], { asker }) : ''
/** Short, for the list at the end. */
export const endedShort = (ended: Line['ended']) => (over(ended) ? t().endedShort[ended] : t().notAnswered)
