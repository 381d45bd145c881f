// What an act over several posts is called before, while and after it is done.
import { counted } from '@/api/words'
import type { Asked, reasons } from './several'

export const WORDS: Record<Asked, { title: string; act: string; will: string; did: string }> = {
  move: { title: 'Move', act: 'Move', will: 'will be moved', did: 'moved' },
  clock: { title: 'To an hour:', act: 'Move', will: 'will go out at this hour, each on its day', did: 'moved' },
  spread: { title: 'Spread out', act: 'Spread out', will: 'will lie evenly, each at its hour', did: 'spread out' },
  owner: { title: 'Another owner for', act: 'Give', will: 'will be theirs', did: 'given to them' },
  release: { title: 'Release', act: 'Release', will: 'will be released', did: 'released' },
  take_back: {
    title: 'Cancel the release of',
    act: 'Cancel the release',
    will: 'will not go out at their time any more',
    did: 'not released any more',
  },
  label: { title: 'Label', act: 'Label', will: 'will have it', did: 'labelled' },
  unlabel: { title: 'Unlabel', act: 'Unlabel', will: 'will not have it any more', did: 'not labelled any more' },
  campaign: { title: 'Campaign of', act: 'Set it', will: 'will belong to it', did: 'in it' },
  copy: { title: 'Copy', act: 'Copy', will: 'will be copied into new drafts', did: 'copied' },
  discard: { title: 'Discard', act: 'Discard', will: 'will be discarded', did: 'discarded' },
  bring_back: { title: 'Restore', act: 'Restore', will: 'will be restored', did: 'restored' },
}

export function notBack(stayed: ReturnType<typeof reasons>): string {
  const count = stayed.reduce((sum, one) => sum + one.count, 0)
  return `${counted(count, 'post is', 'posts are')} not back as before: ${stayed[0]!.why}`
}
