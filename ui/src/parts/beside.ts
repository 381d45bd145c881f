// What goes out beside text and media, as labels and words.
export interface BesidePost {
  link_card: { title: string; words: string; picture: string | null; host: string } | null
  first_comment: string
  call_to_action: string | null
  tagged: string[]
  event: { name: string; place: string; starts: string; ends: string | null } | null
  audience: Record<string, string[]> | null
  budget: string | null
}

const moment = (wall: string) => wall.replace('T', ' ').slice(0, 16)

export function besideInWords(beside: BesidePost): [string, string][] {
  const { link_card: card, event, audience } = beside
  const lines: [string, string | null][] = [
    ['Link card', card && [card.title, card.words].filter(Boolean).join(': ')],
    ['Call to action', beside.call_to_action],
    ['Tagged', beside.tagged.join(', ')],
    ['Event', event && [event.name, event.place, moment(event.starts) + (event.ends ? ` to ${moment(event.ends)}` : '')].filter(Boolean).join(', ')],
    ['Audience', audience && Object.values(audience).flat().join(', ')],
    ['Boost', beside.budget],
    ['First comment', beside.first_comment],
  ]
  return lines.filter((line): line is [string, string] => !!line[1])
}
