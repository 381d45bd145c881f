// What lies over a post's sheet: one thing at a time.
import type { Sheet } from './sheet'

export type Dialog =
  | {
      dialog: 'ask'
      /** at which step: the one that the post waits at, or an advisory one beside it */ offer: Sheet['next_ask']
    }
  | { dialog: 'unlock' }
  | { dialog: 'copy' }
  | { dialog: 'replace' }
