/** A column of records, as it is taken away. */
export interface RecordColumn {
  column: string
  type: 'integer' | 'number' | 'text' | 'json' | 'day' | 'instant' | 'yes or no'
  meaning: string
  /** Whether it can be absent; a text that cannot is empty instead. */
  isNullable?: true
}

/** What is kept of a client beside its figures: its profiles, what people have written, what was issued. */
export interface RecordKind {
  /** Its table, whose rows begin with their client. */
  id: string
  name: string
  /** What one row is, in words. */
  grain: string
  /** The columns that tell rows apart, beside the client: the first of them. */
  keys: number
  columns: readonly RecordColumn[]
  /** Which columns point to which records: column by table. */
  refersTo?: Readonly<Record<string, string>>
  /** Whether it belongs to rows of a dataset, so that it can only stand where those stand already. */
  isOfData?: true
}

const id = (column: string, meaning: string): RecordColumn => ({ column, type: 'integer', meaning })
const text = (column: string, meaning: string): RecordColumn => ({ column, type: 'text', meaning })
const day = (column: string, meaning: string): RecordColumn => ({ column, type: 'day', meaning })
const instant = (column: string, meaning: string): RecordColumn => ({ column, type: 'instant', meaning })
const flag = (column: string, meaning: string): RecordColumn => ({ column, type: 'yes or no', meaning })
const orNone = (column: RecordColumn): RecordColumn => ({ ...column, isNullable: true })

/** Everything that is kept of a client and is no dataset, those first that others point to. */
export const RECORDS: readonly RecordKind[] = [
  {
    id: 'profile',
    name: 'Profiles',
    grain: 'a profile, the client’s own or a rival’s',
    keys: 1,
    columns: [
      id('profile_id', 'Its number, by which everything else names it.'),
      text('network', 'The network that it is on.'),
      text('handle', 'Its handle there.'),
      text('name', 'What it is called.'),
      text('remote_id', 'The network’s own id of it.'),
      flag('is_active', 'Whether it is switched on.'),
      flag('is_rival', 'Whether it belongs to a rival.'),
      orNone(text('rival', 'The rival that it belongs to.')),
      text('consent', 'Whether its owner has given consent: none, given or withdrawn. What was given is not in here.'),
    ],
  },
  {
    id: 'profile_set',
    name: 'Sets',
    grain: 'a named group of profiles',
    keys: 1,
    columns: [
      id('set_id', 'Its number.'),
      text('name', 'What it is called.'),
      orNone(instant('removed_at', 'When it was removed.')),
    ],
  },
  {
    id: 'profile_set_member',
    name: 'Members of sets',
    grain: 'a profile in a set',
    keys: 2,
    columns: [id('set_id', 'The set.'), id('profile_id', 'The profile.')],
    refersTo: { set_id: 'profile_set', profile_id: 'profile' },
  },
  {
    id: 'tag',
    name: 'Tags',
    grain: 'a tag of posts',
    keys: 1,
    columns: [
      id('tag_id', 'Its number.'),
      text('name', 'What it is called.'),
      id('colour', 'Its colour, from 1 to 8.'),
      instant('created_at', 'When it was made.'),
      orNone(instant('removed_at', 'When it was removed.')),
    ],
  },
  {
    id: 'tag_rule',
    name: 'Rules of tags',
    grain: 'a rule that sets a tag by itself',
    keys: 1,
    columns: [
      id('rule_id', 'Its number.'),
      id('tag_id', 'The tag that it sets.'),
      text('any_words', 'Words of which a post has to have any.'),
      text('all_words', 'Words of which it has to have all.'),
      text('none_words', 'Words of which it may have none.'),
      text('hashtags', 'Hashtags of which it has to have any.'),
      text('formats', 'Formats of which it has to be one.'),
      text('who', 'Of whose posts: all, or profiles, sets (with an s) and networks.'),
      orNone(day('from_day', 'From which day.')),
      orNone(day('to_day', 'To which day.')),
      flag('is_on', 'Whether it is switched on.'),
      instant('created_at', 'When it was made.'),
      orNone(instant('removed_at', 'When it was removed.')),
    ],
    refersTo: { tag_id: 'tag' },
  },
  {
    id: 'site',
    name: 'Sites',
    grain: 'a site of the client’s own',
    keys: 1,
    columns: [
      id('site_id', 'Its number.'),
      text('name', 'What it is called.'),
      text('address', 'Its address.'),
      instant('created_at', 'When it was added.'),
      orNone(instant('removed_at', 'When it was removed.')),
    ],
  },
  {
    id: 'kept_estimate',
    name: 'Kept audiences',
    grain: 'whom a network was asked about, with what it said',
    keys: 1,
    columns: [
      id('estimate_id', 'Its number.'),
      text('name', 'What it is called.'),
      { column: 'asked', type: 'json', meaning: 'Whom it is of.' },
      orNone(id('low', 'How many could be reached, at least; absent where they were too few.')),
      orNone(id('high', 'At most.')),
      instant('asked_at', 'When that was said.'),
      orNone(instant('removed_at', 'When it was removed.')),
    ],
  },
  {
    id: 'poll',
    name: 'Polls',
    grain: 'a question with its answers',
    keys: 1,
    columns: [
      id('poll_id', 'Its number.'),
      text('question', 'The question.'),
      text('asked', 'How people were asked.'),
      text('chosen', 'How they came to answer: themselves, or drawn by chance.'),
      day('from_day', 'The first day on which they were asked.'),
      day('to_day', 'The last one.'),
      flag('is_multiple', 'Whether a person could give several answers.'),
      orNone(id('people', 'How many answered, where each could give several answers.')),
      { column: 'answers', type: 'json', meaning: 'The answers, with how many gave each.' },
      instant('created_at', 'When it was written down.'),
      orNone(instant('removed_at', 'When it was removed.')),
    ],
  },
  {
    id: 'tracked_link',
    name: 'Tracked links',
    grain: 'a link that counts its clicks',
    keys: 1,
    columns: [
      id('link_id', 'Its number.'),
      text('code', 'The code in its short address.'),
      text('name', 'What it is called.'),
      text('target', 'Where it leads.'),
      text('source', 'The source that it tells the site there.'),
      text('medium', 'The medium that it tells.'),
      text('campaign', 'The campaign that it tells.'),
      text('content', 'Which of several links in one place it is.'),
      instant('created_at', 'When it was made.'),
      orNone(instant('changed_at', 'When it was mended last.')),
      orNone(instant('ended_at', 'When it was ended.')),
      orNone(instant('removed_at', 'When it was removed.')),
    ],
  },
  {
    id: 'link_page',
    name: 'Public pages of links',
    grain: 'a public page of several links',
    keys: 1,
    columns: [
      id('page_id', 'Its number.'),
      text('code', 'The code in its address.'),
      text('title', 'Its title.'),
      text('intro', 'The text below it.'),
      text('ground', 'The colour of its ground.'),
      text('ink', 'The colour of its text.'),
      text('accent', 'The colour of its links.'),
      { column: 'items', type: 'json', meaning: 'Its headings and links, in order.' },
      instant('created_at', 'When it was made.'),
      orNone(instant('changed_at', 'When it was changed last.')),
      orNone(instant('removed_at', 'When it was removed.')),
    ],
  },
  {
    id: 'place',
    name: 'Places',
    grain: 'a place, as its master record has it',
    keys: 1,
    columns: [
      id('place_id', 'Its number.'),
      text('name', 'What it is called.'),
      { column: 'categories', type: 'json', meaning: 'What kind of place it is.' },
      text('street', 'Street and number.'),
      text('town', 'The town.'),
      text('postcode', 'The postcode.'),
      text('country', 'The country, ISO 3166-1.'),
      orNone({ column: 'lat', type: 'number', meaning: 'Latitude in degrees, WGS 84.' }),
      orNone({ column: 'lon', type: 'number', meaning: 'Longitude in degrees, WGS 84.' }),
      text('phone', 'Telephone, E.164.'),
      text('web', 'Its web address.'),
      text('hours', 'When it is open, as OpenStreetMap writes opening_hours.'),
      { column: 'attributes', type: 'json', meaning: 'What it has.' },
      text('description', 'What it is.'),
      orNone(id('profile_id', 'The profile that is its listing.')),
      flag('is_active', 'Whether it is switched on.'),
      instant('created_at', 'When it was added.'),
      orNone(instant('changed_at', 'When it was changed last.')),
      orNone(instant('removed_at', 'When it was removed.')),
    ],
    refersTo: { profile_id: 'profile' },
  },
  {
    id: 'reply_template',
    name: 'Templates of answers',
    grain: 'a template of answers to reviews',
    keys: 1,
    columns: [
      id('template_id', 'Its number.'),
      text('name', 'What it is called.'),
      { column: 'variants', type: 'json', meaning: 'Its texts, of which one is taken after the other.' },
      instant('created_at', 'When it was made.'),
      orNone(instant('removed_at', 'When it was removed.')),
    ],
  },
  {
    id: 'slot_try',
    name: 'Tries',
    grain: 'a time at which somebody posts to find out',
    keys: 1,
    columns: [
      id('try_id', 'Its number.'),
      id('profile_id', 'The profile that posts.'),
      instant('planned_at', 'When: the beginning of the hour.'),
      text('response', 'What is wanted of the post.'),
      text('base', 'For each of what that is counted.'),
      {
        column: 'before_mean',
        type: 'number',
        meaning: 'The lift that was thought of its slot before, as a logarithm.',
      },
      { column: 'before_spread', type: 'number', meaning: 'How unsure that was, as a standard deviation of it.' },
      instant('created_at', 'When it was kept.'),
      orNone(instant('removed_at', 'When it was removed.')),
    ],
    refersTo: { profile_id: 'profile' },
  },
  {
    id: 'saved_scope',
    name: 'Kept scopes',
    grain: 'parts of the sentence, kept under a name',
    keys: 1,
    columns: [
      id('scope_id', 'Its number.'),
      text('name', 'What it is called.'),
      { column: 'parts', type: 'json', meaning: 'What is kept, as it stands in the address.' },
      orNone(instant('removed_at', 'When it was removed.')),
    ],
  },
  {
    id: 'note',
    name: 'Notes',
    grain: 'a dated remark',
    keys: 1,
    columns: [
      id('note_id', 'Its number.'),
      day('from_day', 'The first day that it is about.'),
      day('to_day', 'The last one.'),
      text('title', 'What it says, in short.'),
      text('body', 'What it says.'),
      instant('written_at', 'When it was written.'),
      orNone(instant('removed_at', 'When it was removed.')),
    ],
  },
  {
    id: 'target',
    name: 'Targets',
    grain: 'a wanted value of a metric by a day',
    keys: 1,
    columns: [
      id('target_id', 'Its number.'),
      text('metric', 'The metric.'),
      text('who', 'Of whom: all, or some.'),
      { column: 'wanted', type: 'number', meaning: 'The wanted value.' },
      day('from_day', 'The day from which it counts.'),
      day('by_day', 'The day by which it is wanted.'),
      instant('created_at', 'When it was set.'),
      orNone(instant('removed_at', 'When it was removed.')),
    ],
  },
  {
    id: 'target_member',
    name: 'Of whom targets are',
    grain: 'a profile or a set of a target',
    keys: 3,
    columns: [
      id('target_id', 'The target.'),
      flag('is_set', 'Whether the number is that of a set.'),
      id('member_id', 'The number of the profile or the set.'),
    ],
    refersTo: { target_id: 'target' },
  },
  {
    id: 'target_network',
    name: 'On which networks targets are',
    grain: 'a network of a target',
    keys: 2,
    columns: [id('target_id', 'The target.'), text('network', 'The network.')],
    refersTo: { target_id: 'target' },
  },
  {
    id: 'restatement',
    name: 'Restatements',
    grain: 'a figure that a network has corrected',
    keys: 4,
    columns: [
      id('profile_id', 'The profile.'),
      day('day', 'The day.'),
      text('metric', 'The figure.'),
      instant('seen_at', 'When the correction came.'),
      orNone(id('old_value', 'What it was.')),
      orNone(id('new_value', 'What it is.')),
    ],
    refersTo: { profile_id: 'profile' },
  },
  {
    id: 'report',
    name: 'Reports',
    grain: 'a report, as it is written',
    keys: 1,
    columns: [
      id('report_id', 'Its number.'),
      text('title', 'Its title.'),
      text('period', 'Its period, in the words of the address.'),
      text('against', 'What that is compared with.'),
      { column: 'blocks', type: 'json', meaning: 'Its blocks.' },
      id('version', 'How often it was changed.'),
      instant('created_at', 'When it was begun.'),
      instant('changed_at', 'When it was changed last.'),
      orNone(instant('removed_at', 'When it was removed.')),
    ],
  },
  {
    id: 'edition',
    name: 'Editions',
    grain: 'an issued, frozen copy of a report',
    keys: 1,
    columns: [
      id('edition_id', 'Its number.'),
      id('report_id', 'The report.'),
      id('number', 'Which edition of the report it is.'),
      text('title', 'Its title.'),
      text('period_words', 'Its period, in words.'),
      orNone(day('period_to', 'The last day of its period.')),
      { column: 'content', type: 'json', meaning: 'All that it says, to the letter.' },
      text('sha256', 'The SHA-256 of that, by which it is checked.'),
      instant('issued_at', 'When it was issued.'),
      orNone(text('issued_by_name', 'Who issued it.')),
      orNone(id('superseded_by', 'The later edition that stands in its place.')),
    ],
    refersTo: { report_id: 'report', superseded_by: 'edition' },
  },
  {
    id: 'post_tag',
    name: 'Tags of posts',
    grain: 'a tag that a post has, by hand or by a rule',
    isOfData: true,
    keys: 4,
    columns: [
      id('profile_id', 'The profile of the post.'),
      text('remote_id', 'The network’s id of the post.'),
      id('tag_id', 'The tag.'),
      id('rule_id', 'The rule that has set it; 0 where it was set by hand.'),
      instant('tagged_at', 'When it was set.'),
    ],
    refersTo: { profile_id: 'profile', tag_id: 'tag' },
  },
  {
    id: 'review_reading',
    name: 'Reviews as somebody has read them',
    grain: 'a review whose words were misread',
    isOfData: true,
    keys: 2,
    columns: [
      id('profile_id', 'The profile of the review.'),
      text('remote_id', 'The network’s id of the review.'),
      text('mood', 'How it sounds: good, mixed, bad or plain.'),
      text('subjects', 'What it is about, parted by commas.'),
      instant('read_at', 'When that was said.'),
    ],
    refersTo: { profile_id: 'profile' },
  },
  {
    id: 'review_reply',
    name: 'Answers to reviews',
    grain: 'an answer that was written here',
    isOfData: true,
    keys: 2,
    columns: [
      id('profile_id', 'The profile of the review.'),
      text('remote_id', 'The network’s id of the review.'),
      text('text', 'The answer.'),
      text('state', 'Whether it is a draft, approved, sent or refused.'),
      text('refusal', 'Why the network has refused it.'),
      instant('changed_at', 'When it was changed last.'),
      orNone(instant('sent_at', 'When it was sent.')),
    ],
    refersTo: { profile_id: 'profile' },
  },
  {
    id: 'link_visit',
    name: 'Clicks by hour',
    grain: 'an hour of a link or a page, and who asked',
    keys: 5,
    columns: [
      text('place', 'Whether it is of a link or of a page.'),
      id('place_id', 'The number of that.'),
      day('day', 'The day, in the client’s time zone.'),
      id('hour', 'The hour, from 0 to 23.'),
      text('kind', 'Who asked: a person, a robot that says so, or a prefetch ahead of a click.'),
      id('visits', 'How often.'),
    ],
  },
  {
    id: 'link_visit_part',
    name: 'Clicks by country, site and page',
    grain: 'a part of a day’s clicks of people',
    keys: 5,
    columns: [
      text('place', 'Whether it is of a link or of a page.'),
      id('place_id', 'The number of that.'),
      day('day', 'The day, in the client’s time zone.'),
      text('facet', 'By what: country, page or referrer.'),
      text('part', 'Which country (ISO 3166-1), page (its code) or site; empty where it is not known.'),
      id('visits', 'How often.'),
    ],
  },
]

/** The columns that tell records of a kind apart, beside their client. */
export const keysOfRecords = ({ columns, keys }: RecordKind): string[] =>
  columns.slice(0, keys).map(({ column }) => column)

/** Tables whose rows have a number of their own, by which others point to them: its column. */
const NUMBERED: Readonly<Record<string, string>> = {
  profile: 'profile_id',
  tag: 'tag_id',
  tag_rule: 'rule_id',
  profile_set: 'set_id',
  site: 'site_id',
  saved_scope: 'scope_id',
  note: 'note_id',
  target: 'target_id',
  report: 'report_id',
  edition: 'edition_id',
  kept_estimate: 'estimate_id',
  poll: 'poll_id',
  tracked_link: 'link_id',
  link_page: 'page_id',
  place: 'place_id',
  reply_template: 'template_id',
  slot_try: 'try_id',
}

/** The column of a table's own numbers; undefined where its rows have none. */
export const ownNumber = (table: string): string | undefined => NUMBERED[table]
