// The record's acts in words.
import type { Schemas } from '@/api/client'
import { SAID } from '@/posts/part-names'
import type { PartName } from '@/posts/sheet'
import { calendarDay, monthYear, plannedWall } from '@/api/time'
import { counted, list } from '@/api/words'

type Facts = Record<string, unknown>

function text(value: unknown): string {
  if (typeof value === 'string') return `“${value.length > 90 ? `${value.slice(0, 90)}…` : value}”`
  if (Array.isArray(value)) return value.length === 0 ? 'none' : String(value.length)
  if (value && typeof value === 'object' && 'wall' in value) return plannedWall(value as { wall: string; zone: string })
  return value == null ? 'nothing' : String(value)
}
const channels = (facts: Facts) => list((facts.channels as string[] | undefined) ?? [])
const on = (facts: Facts) => (facts.channel ? ` on ${String(facts.channel)}` : '')

const partName = (facts: Facts) => SAID[facts.part as PartName] ?? String(facts.part).replaceAll('_', ' ')
// what is no text, no list and no time says nothing more in one line
const to = (value: unknown) => (plain(value) ? ` to ${text(value)}` : '')
const plain = (value: unknown) => typeof value !== 'object' || value === null || Array.isArray(value) || 'wall' in value

const PACE: [string, (n: unknown) => string][] = [
  ['week_min', (n) => `at least ${String(n)} a week`],
  ['day_max', (n) => `at most ${String(n)} a day`],
  ['apart', (n) => `${String(n)} minutes apart`],
  ['gap', (n) => `at most ${String(n)} days without`],
]
const pace = (facts: Facts) =>
  list(PACE.filter(([name]) => facts[name] != null).map(([name, words]) => words(facts[name]))) || 'none'

const CONFIRMED: Record<string, string> = {
  send: 'that it may still go out',
  take_back: 'that it is not to go out',
  out: 'that it is out',
}
const VERDICTS: Record<string, string> = { yes: 'said yes', no: 'said no, not at all,' }
const SETTINGS: Record<string, string> = {
  zone: 'time zone',
  week_start: 'start of the week',
  time_policy: 'what a yes is worth after another time',
  working_hours: 'working hours',
  tracking: 'tracking tags',
  publisher_id: 'who publishes by hand',
  review_pin: 'the PIN for new devices',
  clients_give_ideas: 'ideas of the client',
  stops_without_right: 'files whose right of use has ended',
}
const WORDS: Record<string, (facts: Facts) => string> = {
  post_made: () => 'made the post',
  post_discarded: () => 'discarded the post',
  post_brought_back: () => 'restored the post',
  post_named: (f) => `named it ${text(f.after)}`,
  part_saved: (f) =>
    f.part === 'descriptions' ? `described the pictures${on(f)}` : `changed the ${partName(f)}${on(f)}${to(f.after)}`,
  part_follows: (f) => `set the ${partName(f)}${on(f)} back to follow the master`,
  inner_name_saved: (f) => `gave it the inner name ${text(f.after)}`,
  note_saved: () => 'changed the note to the team',
  labelled: (f) => `labelled it ${list((f.after as string[]) ?? []) || 'with nothing'}`,
  campaign_set: (f) => (f.after ? `put it into the campaign ${text(f.after)}` : 'removed it from its campaign'),
  revision_taken_back: (f) => `restored revision ${String(f.number)}`,
  post_copied: (f) => `copied it from ${text(f.subject)}`,
  post_copied_out: () => 'copied it for another client',
  reminder_ticked: (f) => `ticked: ${text(f.words)}`,
  reminder_unticked: (f) => `unticked: ${text(f.words)}`,
  reminders_saved: (f) => `saved ${(f.after as string[]).length} reminders`,
  mention_saved: (f) => `saved ${text(f.name)} in the book of mentions`,
  channel_added: (f) => `chose ${String(f.channel)}`,
  channel_removed: (f) => `removed ${String(f.channel)}`,
  revision_kept: (f) => `kept revision ${String(f.number)}`,
  asked: (f) => `asked for “${String(f.step)}” on ${channels(f)}`,
  answered: (f) =>
    `${VERDICTS[String(f.verdict)] ?? 'wanted a change'} on ${channels(f)}${f.words ? `: ${text(f.words)}` : ''}`,
  ask_withdrawn: () => 'withdrew the ask',
  pass_revoked: (f) => `stopped the link of ${String(f.person)}`,
  opened: (f) => `unlocked it to change it${on(f)}`,
  closed: (f) => `locked it again${on(f)}`,
  released: (f) => `released it${on(f)} for ${text(f.time)}`,
  release_moved: (f) => `moved its release to ${text(f.time)}`,
  release_ended: (f) => `ended its release${on(f)}: ${String(f.why)}`,
  taken_back: (f) => `cancelled its release${on(f)}`,
  task_assigned: (f) => `gave ${text(f.title)} to ${String(f.person)}`,
  task_done: (f) => `finished ${text(f.title)}`,
  said: (f) => `said in the ${f.room === 'client' ? 'client' : 'house'} room: ${text(f.words)}`,
  sent: (f) => `sent it${on(f)}: ${String(f.address)}`,
  verified: (f) =>
    f.seen === 'same' ? 'looked at the network: it shows as approved' : `looked at the network: ${String(f.note)}`,
  card_refused: (f) => `kept the card of ${String(f.channel)} as it was: ${String(f.sentence)}`,
  trouble: (f) => `reported trouble${on(f)}: ${String(f.sentence)}`,
  confirmed: (f) =>
    `said ${CONFIRMED[String(f.answer)] ?? String(f.answer)}${on(f)}, after the database was brought back`,
  went_on: () => 'looked after the database was brought back, and let sending go on',
  settled: (f) => `decided after looking there: ${String(f.saw).replace('_', ' ')}`,
  step_skipped: (f) => `skipped “${String(f.step)}”: ${text(f.reason)}`,
  marked_ready: () => 'marked it ready',
  task_handed_over: (f) => `handed ${text(f.title)} over from ${String(f.from)} to ${String(f.to)}`,
  ask_handed_over: (f) => `asked ${String(f.to)} instead of ${String(f.from)} at “${String(f.step)}”`,
  due_by_hand: (f) => `said that it is time to publish it by hand${on(f)}`,
  taken_up: (f) => `started to publish it by hand${on(f)}`,
  workspace_made: (f) => `made the workspace of ${String(f.name)}`,
  set_up_copied: (f) => `copied the set-up of ${String(f.from)}: ${list(f.what as string[])}`,
  set_up_done: () => 'ended the set-up',
  settings_changed: (f) =>
    `changed the settings: ${list(Object.keys((f.after as object | undefined) ?? {}).map((key) => SETTINGS[key] ?? key))}`,
  mark_changed: (f) => (f.picture ? 'gave the client a logo' : 'removed the logo'),
  brand_changed: (f) => `changed the brand sheet: ${String(f.part)}`,
  brand_file_added: (f) => `added the file ${text(f.name)} to the brand sheet`,
  brand_file_removed: (f) => `removed the file ${text(f.name)} from the brand sheet`,
  route_changed: (f) =>
    `changed the sign-off route${f.route ? ` ${text(f.route)}` : ''}: ${list((f.steps as { name: string }[]).map((step) => step.name)) || 'no step'}`,
  pass_renewed: (f) => `had the link of ${String(f.person)} sent anew`,
  remark_edited: (f) => `changed what they had said: ${text(f.before)} to ${text(f.after)}`,
  remark_deleted: (f) => `deleted what they had said: ${text(f.before)}`,
  figures_shared: () => 'showed the client its own figures of sign-off',
  figures_kept: () => 'stopped showing the client its figures',
  reply_not_taken: (f) => `got a mail in answer to what ${text(f.person)} was asked; it was not taken as theirs`,
  remark_settled: (f) => `settled ${text(f.words)}`,
  remark_reopened: (f) => `opened again ${text(f.words)}`,
  suggestion_taken: (f) => `took ${text(f.instead)} for ${text(f.words)}, as ${String(f.person)} suggested`,
  suggestion_declined: (f) => `declined ${text(f.instead)} for ${text(f.words)}, which ${String(f.person)} suggested`,
  ask_not_withdrawn: () => 'undid the withdrawal of an ask',
  reminded: (f) => `reminded ${list(f.people as string[])} that an answer is missing`,
  late_told: (f) =>
    `told ${list(f.told as string[]) || 'nobody'} that the answer of ${list(f.waiting as string[])} is late`,
  disowned: (f) =>
    f.by
      ? `took back the yes that ${String(f.by)} gave in their name, for ${list(f.channels as string[])}`
      : `took back a yes under their name, for ${list(f.channels as string[])}`,
  route_archived: (f) => `archived the sign-off route ${text(f.route)}`,
  route_chosen: (f) =>
    `${f.route ? `chose the sign-off route ${text(f.route)}` : 'chose the usual sign-off route'}: ${text(f.reason)}`,
  campaign_route_chosen: (f) =>
    `chose ${f.route ? `the sign-off route ${text(f.route)}` : 'the usual sign-off route'} for the campaign ${text(f.campaign)}: ${text(f.reason)}`,
  step_dropped: (f) => `dropped the step “${String(f.step)}”: ${text(f.reason)}`,
  right_told: (f) => `said that the right to use ${list(f.files as string[])} ends before it goes out`,
  block_set_aside: (f) =>
    `set aside what ${String(f.person)} wanted at “${String(f.step)}”, who has left: ${text(f.reason)}`,
  place_struck: (f) =>
    `struck ${f.person ? `${String(f.person)}’s place` : 'a place'} at “${String(f.step)}”: ${text(f.reason)}`,
  place_filled: (f) =>
    `filled ${f.person ? `${String(f.person)}’s place` : 'a place'} at “${String(f.step)}”: ${text(f.reason)}`,
  cleared_for: (f) =>
    `said yes for ${String(f.person)} at “${String(f.step)}”: ${text(f.reason)}${f.file ? `, shown by ${text(f.file)}` : ''}`,
  file_added: (f) => `added the file ${text(f.name)} to ${f.room === 'client' ? 'client' : 'house'} talk`,
  archived: (f) =>
    `archived the client; ${counted(Number(f.releases_taken_back), 'release', 'releases')} cancelled, ${counted(Number(f.asks_withdrawn), 'ask', 'asks')} withdrawn`,
  unarchived: () => 'unarchived the client',
  client_made: (f) => `made the client ${String(f.name)}`,
  client_deleted: (f) => (f.name ? `deleted the client ${String(f.name)}` : 'deleted the client'),
  client_restored: (f) => (f.name ? `restored the client ${String(f.name)}` : 'restored the client'),
  client_purged: (f) =>
    `removed the client ${String(f.name)} for good, with ${counted(Number(f.posts), 'post', 'posts')}`,
  feed_made: (f) => `made the calendar address ${text(f.name)}`,
  feed_revoked: (f) => `revoked the calendar address ${text(f.name)}`,
  pencilled: (f) => `pencilled the plan: ${counted(Number(f.put), 'mark', 'marks')} put, ${String(f.erased)} erased`,
  campaign_planned: (f) => `${f.before ? 'changed' : 'planned'} the campaign ${text(f.name)}`,
  label_changed: (f) =>
    f.before === f.after
      ? `changed how the label ${text(f.after)} looks`
      : `renamed the label ${text(f.before)} to ${text(f.after)}`,
  labels_merged: (f) =>
    `merged the label ${text(f.from)} into ${text(f.into)}, on ${counted(Number(f.posts), 'post', 'posts')}`,
  mix_wanted: (f) => `set the mix: ${String(f.mix) || 'none'}`,
  pace_wanted: (f) => `set the pace of each channel: ${pace(f)}`,
  campaign_file_added: (f) => `added the file ${text(f.name)} to the campaign ${text(f.campaign)}`,
  campaign_file_removed: (f) => `removed the file ${text(f.name)} from the campaign`,
  fixture_saved: (f) => `${f.before ? 'changed' : 'made'} the fixture ${text(f.word)}: ${text(f.rule)}`,
  fixture_dropped: (f) => `ended the fixture ${text(f.word)}`,
  fixture_made: (f) => `${f.itself ? 'had this made by' : 'made this from'} the fixture ${text(f.word)}`,
  fixture_skipped: (f) => `skipped the fixture ${text(f.word)} on ${calendarDay(text(f.day))}`,
  fixture_put_back: (f) => `restored the fixture ${text(f.word)} on ${calendarDay(text(f.day))}`,
  carried_over: (f) => `carried ${text(f.year)} over to the next year: ${counted(Number(f.put), 'mark', 'marks')}`,
  plan_shared: (f) => `made the plan link ${text(f.name)}`,
  plan_link_revoked: (f) => `revoked the plan link ${text(f.name)}`,
  kept_out: () => 'hid it from the client’s plan',
  let_in: () => 'showed it in the client’s plan again',
  owner_changed: (f) => `gave it from ${text(f.before)} to ${text(f.after)}`,
  key_date_kept: (f) =>
    `${f.before ? 'changed' : 'added'} the key date “${text(f.name)}” (${calendarDay(text(f.first))})`,
  key_date_dropped: (f) => `removed the key date “${text(f.name)}”`,
  month_noted: (f) => `wrote the note for ${monthYear(text(f.month))}`,
  view_shared: (f) => `saved the view ${text(f.name)} for everybody`,
  view_removed: (f) => `removed the view ${text(f.name)}`,
  exported: (f) => `exported everything, ${counted(Number(f.posts), 'post', 'posts')}`,
  invited: (f) => `invited ${String(f.email)} as ${String(f.role)}`,
  invited_again: (f) => `resent the invitation of ${String(f.email)}`,
  invitation_revoked: (f) => `cancelled the invitation of ${String(f.email)}`,
  invitation_accepted: (f) => `accepted the invitation to ${String(f.email)}`,
  member_changed: (f) =>
    `changed what ${String(f.person)} may do: ${String((f.before as Facts).role)} to ${String((f.after as Facts).role)}`,
  member_ended: (f) => `ended the access of ${String(f.person)}${f.to ? `; ${String(f.to)} takes over` : ''}`,
  looked_as: (f) => `looked as ${String(f.person)} (${String(f.role)})`,
  notices_turned_down: (f) => `turned down what ${String(f.person)} is told`,
  stand_in_named: (f) => `named ${String(f.person)} as stand-in`,
  connect_begun: (f) => `went to ${String(f.network)} to connect`,
  connect_refused: (f) => `came back from ${String(f.network)} without a connection: ${String(f.why)}`,
  consented: (f) => `allowed ${String((f.accounts as string[]).length)} accounts at ${String(f.network)}`,
  channel_connected: (f) => `connected ${String(f.name)}`,
  channel_planned: (f) => `planned for ${String(f.name)}`,
  offline_channel_added: (f) => `added the offline channel ${String(f.name)}`,
  channel_changed: (f) => `changed the channel ${text(f.before)}${f.before === f.after ? '' : ` to ${text(f.after)}`}`,
  channels_ordered: () => 'put the channels in another order',
  channel_archived: (f) => `archived the channel ${String(f.name)}`,
  channel_unarchived: (f) => `unarchived the channel ${String(f.name)}`,
  channel_set_saved: (f) => `saved the channel set ${text(f.name)}`,
  channel_set_dropped: (f) => `removed the channel set ${text(f.name)}`,
  connection_not_renewed: (f) =>
    `could not renew the connection to ${String(f.network)}; connect it again before it ends`,
  fault: (f) => `could not send it to ${String(f.channel)} yet: ${String(f.sentence)}`,
  connection_lapsed: (f) => `found the connection to ${String(f.network)} lapsed: ${String(f.why)}`,
  consent_withdrawn: (f) => `withdrew the consent at ${String(f.network)} (${list(f.channels as string[])})`,
  role_made: (f) => `made the role ${text(f.name)}`,
  role_changed: (f) => `changed the role ${text(f.name)}`,
  role_dropped: (f) => `removed the role ${text(f.name)}`,
  policies_changed: () => 'changed the policies',
  held: (f) => `put a hold: ${text(f.reason)}`,
  hold_lifted: () => 'lifted the hold',
  medium_changed: (f) => `changed what is said of the file ${text(f.name)}`,
  media_sorted: (f) =>
    `sorted ${counted(Number(f.files), 'file', 'files')}${f.folder ? ` into ${text(f.folder)}` : ''}`,
  folder_saved: (f) =>
    f.before ? `renamed the folder ${text(f.before)} to ${text(f.name)}` : `made the folder ${text(f.name)}`,
  folder_dropped: (f) => `removed the folder ${text(f.name)}, with ${counted(Number(f.files), 'file', 'files')} in it`,
  idea_kept: (f) => `added the idea ${text(f.title)}`,
  idea_changed: (f) => `changed the idea ${text(f.title)}`,
  idea_placed: (f) => `put the idea ${text(f.title)} ${f.group ? `into ${text(f.group)}` : 'back to the loose ones'}`,
  idea_dropped: (f) => `discarded the idea ${text(f.title)}`,
  idea_taken_up: (f) => `restored the idea ${text(f.title)}`,
  idea_given: (f) => `gave the idea ${text(f.title)}`,
  idea_brought_back: (f) => `took the idea ${text(f.title)} back from its post`,
  idea_address_made: () => 'made a private address for ideas by mail',
  idea_group_saved: (f) =>
    f.before
      ? `renamed the group of ideas ${text(f.before)} to ${text(f.name)}`
      : `made the group of ideas ${text(f.name)}`,
  idea_group_dropped: (f) =>
    `removed the group of ideas ${text(f.name)}; ${counted(Number(f.ideas), 'idea stays', 'ideas stay')}`,
  idea_groups_ordered: () => 'put the groups of ideas into another order',
  feed_added: (f) => `added the feed ${text(f.name)}`,
  feed_changed: (f) => `changed the feed ${text(f.name)}`,
  feed_dropped: (f) => `removed the feed ${text(f.name)}`,
  partner_kept: (f) => `added the partner ${text(f.name)}`,
  partner_changed: (f) => `changed the partner ${text(f.name)}${f.status ? `, who is now ${text(f.status)}` : ''}`,
  partner_dropped: (f) => `discarded the partner ${text(f.name)}`,
  partner_taken_up: (f) => `restored the partner ${text(f.name)}`,
  partner_tied: (f) => `changed what is made with the partner ${text(f.name)}`,
  partners_merged: (f) => `merged the partner ${text(f.name)} into ${text(f.into)}`,
  partner_file_added: (f) => `added the file ${text(f.name)} to the partner ${text(f.partner)}`,
  partner_file_removed: (f) => `removed the file ${text(f.name)} from its partner`,
  post_of_idea: (f) => `made the post from the idea ${text(f.title)}`,
  film_edit_asked: (f) => `had a film made from ${text(f.name)}`,
  cover_chosen: (f) => `chose the picture by which ${text(f.name)} is shown`,
  medium_replaced: (f) =>
    `made version ${text(f.number)} of the file ${text(f.name)}, for ${counted(Number(f.posts), 'post', 'posts')}`,
  picture_added: (f) => `added the picture ${text(f.name)}`,
  pass_opened: () => 'opened the link',
}

export function said(row: Schemas['RecordRow']): string {
  return WORDS[row.act]?.(row.facts as Facts) ?? row.act.replaceAll('_', ' ')
}
