// A post sheet as the API gives it, for tests: with only what a test does not change.
import type { Adaptation, Sheet } from '@/posts/sheet'

export const part = (value: unknown = null, more: Record<string, unknown> = {}) => ({
  value,
  own: false,
  version: 1,
  off: null,
  ...more,
})
const PARTS = [
  'text',
  'link',
  'media',
  'framing',
  'descriptions',
  'tagged',
  'first_comment',
  'call_to_action',
  'format',
  'audience',
  'event',
  'budget',
  'time',
]
const EMPTY: Record<string, unknown> = {
  text: 'Fog over the pier',
  media: [],
  framing: {},
  descriptions: {},
  tagged: [],
  first_comment: '',
}
const parts = (own: Record<string, unknown>) => ({
  ...Object.fromEntries(PARTS.map((name) => [name, part(EMPTY[name] ?? null)])),
  ...own,
})

/** On one channel; `own` replaces parts. */
export function adaptation(more: Record<string, unknown> = {}, own: Record<string, unknown> = {}): Adaptation {
  return {
    id: 'a1',
    channel: {
      id: 'c1',
      name: 'Ticker',
      network: 'Ticker',
      initials: 'Ti',
      account: '',
      state: 'connected',
      level: 'fine',
      sentence: '',
    },
    stage: 'drafting',
    strip: [],
    parts: parts(own),
    proof: {
      text: 'Fog over the pier',
      count: 17,
      limit: 300,
      rule: 'graphemes',
      within: 17,
      written: 17,
      fold: null,
      hashtags: 0,
      most_hashtags: null,
      pictures: [],
      link: null,
      link_card: null,
      tagged: [],
      checks: [],
    },
    blocks: [],
    own_text: null,
    offers: {
      formats: ['text'],
      link_card: true,
      tagged: null,
      first_comment: null,
      call_to_action: null,
      audience: null,
      event: null,
      budget: null,
    },
    tags: {},
    off: null,
    stays: null,
    opened: false,
    sealed: false,
    release: null,
    showing: null,
    at: null,
    ...more,
  } as unknown as Adaptation
}

const CAN = [
  'make_post',
  'close',
  'open',
  'take_back',
  'mark_ready',
  'release',
  'choose_channels',
  'add_media',
  'ask',
  'write:descriptions',
]
export function sheet(adaptations: Adaptation[], more: Record<string, unknown> = {}): Sheet {
  return {
    id: 'p1',
    workspace_id: 'w1',
    subject: 'Fog days',
    stage: 'drafting',
    strip: [],
    zone: 'Europe/Lisbon',
    revision: null,
    holds: [],
    channels: [],
    media: {},
    master: { parts: parts({}), count: 17 },
    adaptations,
    next_ask: null,
    ready_next: false,
    other_asks: [],
    remarks: [],
    readers: { house: [], client: [] },
    my_ask: null,
    can: Object.fromEntries(CAN.map((act) => [act, { ok: true }])),
    ...more,
  } as unknown as Sheet
}
