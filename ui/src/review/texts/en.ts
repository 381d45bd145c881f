// The client's page in English. The other languages have the same sentences: the compiler knows what is missing and what
// is left over.
import type { Forms } from '../language'

const posts: Forms = { one: '# post', other: '# posts' }
const waits: Forms = { one: '# answer waits on this phone', other: '# answers wait on this phone' }
const lost: Forms = {
  one: 'One answer that waited on this phone was not taken',
  other: '# answers that waited on this phone were not taken',
}

export const en = {
  title: '{client}: for your yes',
  opening: 'Opening …',
  yourYes: 'Your yes',
  language: 'Language',
  looking: 'As {me} sees it. Nothing can be answered here.',
  unreachable: 'This page cannot be reached at the moment. Keep it open; it tries again by itself.',
  offlineWaiting: 'No connection: {waits}.',
  waits,
  lost,
  tell: 'Tell {asker} yourself.',
  written: 'You had written: “{words}”.',
  partly: 'Your answer before this one was taken, but not everywhere.',
  kept: 'Your words are kept here.',
  agency: 'the agency',

  postsOf: 'Posts of this ask',
  postNumber: 'Post {number}: {state}',
  unanswered: 'not answered yet',
  needless: 'nothing is needed',
  of: '{number} of {count}',
  oneByOne: 'One at a time',
  allInList: 'All in a list',
  noTime: 'No time planned yet',
  yesBy: 'Your yes is wanted by {time}.',
  yesWasBy: 'Your yes was wanted by {time}; you can still give it.',
  exactly: 'This is exactly how it appears.',
  twoVariants: 'It appears in two ways. Both are below.',
  manyVariants: 'It appears in {count} ways. All are below.',
  cut: 'cut here until opened',
  picture: 'Picture of this post',
  video: 'Video of this post',
  document: 'Open the document',
  beside: {
    'Link card': 'Link card',
    'Call to action': 'Call to action',
    Tagged: 'Tagged',
    Event: 'Event',
    Audience: 'Audience',
    Boost: 'Boost',
    'First comment': 'First comment',
  },
  saidHere: 'What was said',
  you: 'You',
  youSaid: 'You said: {verdict}',
  othersYes: '{people} said yes already. One yes is enough here; yours is welcome too.',
  othersNot: '{people} wants a change here.',

  sameAsBefore: 'The same as when you answered last.',
  youWanted: 'You wanted a change: “{words}”',
  changedWords: 'The words, compared with what you saw last',
  changedPictures: 'The pictures are others now.',
  changedSetting: '{label}: was {before}, is {after}',
  nothing: 'nothing',
  settings: {
    time: 'Time',
    link: 'Link',
    link_card: 'Link card',
    tagged: 'Tagged',
    first_comment: 'First comment',
    call_to_action: 'Call to action',
    format: 'Format',
    audience: 'Audience',
    event: 'Event',
    budget: 'Boost',
  },

  yes: 'Yes, it can go out',
  change: 'Change this',
  say: 'Say something about this one',
  send: 'Send',
  said: 'Said. {asker} reads it beside this post; it is not an answer.',
  notSaid: 'That did not go: there is no connection. Your words stay in the field.',
  wordsStay: 'Your words stay in the field.',
  pointHint: 'Mark words, or tap a picture, to say something about just that.',
  aboutWords: 'About “{words}”',
  aboutSpot: 'About a spot of the picture',
  notAbout: 'Not about that',
  suggest: 'Suggest other words',
  suggestLabel: 'What should stand there',
  sendSuggestion: 'Send the suggestion',
  suggested: 'Instead: “{words}”',
  what: 'What is to be changed?',
  onlySome: 'Only one of them, or not at all',
  notAtAll: 'Not at all',
  which: 'About which? (all, if none is ticked)',
  never: 'No, it must not go out at all',
  back: 'Back',
  sendChange: 'Send this change',
  bothQuestion: 'You have written “{words}”. Does it go along with your yes, or is it a change?',
  itIsChange: 'It is a change',
  yesAlong: 'Yes, and send it along',
  yesToAll: { one: 'Yes to the one that is left', other: 'Yes to the # that are left' } as Forms,
  yesToAllSure: 'You have seen each of them. {posts} can go out exactly as you saw them.',
  seeFirst: 'See each of them first: there is more below.',
  posts,
  unseenPictures: 'Its pictures are still on their way. Say yes when you have seen them.',
  unseenMore: 'There is more of it here; say yes when you have seen it to its end.',
  unseenOne: 'This is one you had not seen; say yes when you have.',

  verdicts: { yes: 'Yes, it can go out', change: 'Change wanted', no: 'No, not at all' },
  ended: {
    opened:
      '{asker} is changing this one. You will be asked again when it is done; nothing is needed from you until then.',
    outdated: 'A newer version of this one was asked for meanwhile; you find it in a newer mail.',
    skipped: 'Your yes is not needed for this one any more.',
    withdrawn: '{asker} withdrew this one; nothing is needed from you.',
  },
  endedShort: {
    opened: 'being changed',
    outdated: 'newer version asked',
    skipped: 'not needed any more',
    withdrawn: 'withdrawn',
  },
  thanks: 'Thank you, {name}',
  done: 'All done, {name}',
  allWait: 'Your answers wait on this phone and are sent when the connection is back. Keep this page open.',
  noneNeeded: 'Nothing of this is needed from you any more.',
  restNeedless: 'Nothing is needed from you for the others.',
  hasAnswer: '{asker} has your answer.',
  hasAnswers: '{asker} has your answers.',
  goesOut: 'What you said yes to goes out exactly as you saw it.',
  notAnswered: 'not answered',

  pinTitle: 'A PIN for this device',
  pinAsk: 'It was mailed to the mailbox that this link belongs to, and works for 15 minutes.',
  pin: 'PIN',
  open: 'Open',
  pinAgain: 'Send another one',
  pinSent: 'Another PIN is on its way; the one before is over.',

  receiptTitle: 'Your yes at {client}',
  receiptAsk: 'This stands as a yes of {name}. If it is right, there is nothing to do.',
  youSaidYes: 'You said yes on {time}.',
  saidFor: '{who} said yes in your name on {time}: “{words}”',
  saidForShort: 'Yes, said in your name by {who}',
  notMe: 'This was not me',
  notMine: 'I did not say this',
  notMeSure: 'The yes is taken back, and the post does not go out until you say yes yourself.',
  takeBack: 'Take the yes back',
  wasMe: 'All of it is right',
  wasMeThen: 'Then there is nothing to do. You can close this page.',
  notMeThen: 'Taken back. Your links were stopped, and the agency knows. You will be asked anew.',
  notMineThen: 'Taken back, and the agency knows. You will be asked anew.',
  notMeOut: 'Out already, or on its way: {posts}. The agency has been told.',
  disownedBefore: 'Taken back already; the agency knows.',

  // the server's own sentences are English already, and know more
  refusals: null as Record<RefusalCode, string> | null,
}
export type Texts = typeof en
export type RefusalCode =
  | 'pass_unknown'
  | 'pass_expired'
  | 'pass_revoked'
  | 'pass_replaced'
  | 'ask_withdrawn'
  | 'answered_since'
  | 'withdrawn'
  | 'outdated'
  | 'moved'
  | 'taken_off'
  | 'too_late'
  | 'wrong_pin'
  | 'too_many_pins'
  | 'pin_wait'
  | 'not_found'
