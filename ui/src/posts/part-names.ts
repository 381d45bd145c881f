// The parts of a post in words.
import type { PartName } from './sheet'

/** As they are called in a sentence. */
export const SAID: Record<PartName, string> = {
  text: 'text',
  link: 'link',
  first_comment: 'first comment',
  call_to_action: 'call to action',
  tagged: 'tags',
  descriptions: 'descriptions',
  media: 'media',
  framing: 'framing',
  format: 'format',
  time: 'time',
  event: 'event',
  audience: 'audience',
  budget: 'boost',
}
