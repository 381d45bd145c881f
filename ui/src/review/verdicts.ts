// What each answer is called, and what is said of a post from which nothing is wanted any more.
import type { Line, Verdict } from './api'

export const COLOUR: Record<Verdict, string> = { yes: 'yes', change: 'change', no: 'change' }
export const SAID: Record<Verdict, string> = {
  yes: 'Yes, it can go out',
  change: 'Change wanted',
  no: 'No, not at all',
}

export function endedSentence(ended: Line['ended'], agency: string): string {
  switch (ended) {
    case 'opened':
      return `${agency} is changing this one. You will be asked again when it is done; nothing is needed from you until then.`
    case 'outdated':
      return 'A newer version of this one was asked for meanwhile; you find it in a newer mail.'
    case 'skipped':
      return 'Your yes is not needed for this one any more.'
    case 'withdrawn':
      return `${agency} withdrew this one; nothing is needed from you.`
    default:
      return ''
  }
}

/** Short, for the list at the end. */
export const ENDED: Record<string, string> = {
  opened: 'being changed',
  outdated: 'newer version asked',
  skipped: 'not needed any more',
  withdrawn: 'withdrawn',
}
