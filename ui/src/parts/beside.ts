// What goes out beside text and media, as labels and words.
export interface BesidePost {
  link_card: { title: string; words: string; picture: string | null; host: string } | null
  first_comment: string
  call_to_action: string | null
  tagged: string[]
  event: string | null
  audience: string | null
  budget: string | null
}

export function besideInWords(beside: BesidePost): [string, string][] {
  const { link_card: card } = beside
  const lines: [string, string | null][] = [
    ['Link card', card && [card.title, card.words].filter(Boolean).join(': ')],
    ['Call to action', beside.call_to_action],
    ['Tagged', beside.tagged.join(', ')],
    ['Event', beside.event],
    ['Audience', beside.audience],
    ['Boost', beside.budget],
    ['First comment', beside.first_comment],
  ]
  return lines.filter((line): line is [string, string] => !!line[1])
}
