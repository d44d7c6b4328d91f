import type { Kind } from './metric'

/** How a metric of a kind is rolled up, in a sentence. */
export const KIND_WORDS: Record<Kind, string> = {
  flow: 'Added over days and profiles; a day counts when every part of it is there.',
  stock: 'The last count at or before the end of the period, no older than seven days.',
  unique:
    'Different people, never added: exact where a network gives the very period, otherwise between the tightest ' +
    'bounds that its windows of 1, 7 and 28 days prove.',
  ratio:
    'Both parts are rolled up first, over the days on which a profile has both, then divided; never an average of rates.',
}

/** The product's own words, for what the trade has no settled word for. */
export const WORDS: readonly (readonly [string, string])[] = [
  [
    'scope',
    'Who, when and against what. It stands as one sentence on the page and in the address, so that a link shows the same.',
  ],
  [
    'against',
    'The comparison period, of the same kind as the period: a whole month against the whole month before, a week ' +
      'so far against the same days of the week before, other days against as many days. Where the two are not ' +
      'equally long both lengths are said, and counts are given by the day too.',
  ],
  [
    'change',
    'What a figure was and is on the days that both periods have, profile by profile: a day that is missing on ' +
      'one side is left out on both. Of a rate it is in points. Both numbers that it rests on are said.',
  ],
  [
    'no clear change',
    'What is not known, or what chance alone does to counts and rates of counts as much as they scatter, may be all ' +
      'of a change: a test of the two, held over all figures of a page. It is called neither better nor worse.',
  ],
  [
    'as usual',
    'A change that is as large as four of five such changes of the past year were, by their median and median ' +
      'absolute deviation. It is called neither better nor worse.',
  ],
  ['small base', 'Fewer than 30 counted in one of the periods; of a rate, in its denominator.'],
  ['figure', 'A computed number together with how well it is known, what it rests on and how it came about.'],
  [
    'workings',
    'The explanation of one figure, in the margin: definition, formula with the actual numbers, days with and without data.',
  ],
  ['margin', 'The right-hand column with notes and workings. The key w opens and closes it.'],
  ['note', 'A dated remark by a person. It stands with its number on the charts it touches, and in the reports.'],
  [
    'coverage',
    'Which days and profiles have data for a metric; of a rate, for both of its parts. Missing is not zero.',
  ],
  [
    'unusual days',
    'Days that are far from what such days usually bring, on a scale on which a fall to a third and a rise to ' +
      'three times are alike. Days beside them and other profiles that lean the same way are one cause.',
  ],
  [
    'hold-out',
    'Forecasts made again as they would have been made earlier, over days that do not overlap, and set against ' +
      'what came. A range that held too few of them gives no verdict.',
  ],
  ['block', 'A part of a report: figures, a chart, a table or a text.'],
  [
    'edition',
    'An issued, numbered, frozen copy of a report for one period. It never changes; a SHA-256 over its content ' +
      'shows that. It is looked at, with what is missing in it, before it is issued.',
  ],
  [
    'superseded',
    'Said of an edition in whose place a later one stands. Neither of them changes by that; both say so, to readers with a link too.',
  ],
  [
    'released',
    'Shown to the viewers of a client beside its editions, because the owner of the agency has said so: figures, ' +
      'rivals, or reports in work.',
  ],
  [
    'everybody else',
    'What a figure is set beside to tell one’s own change from everybody’s: the whole volume of its networks, ' +
      'and the rivals as far as they are public.',
  ],
  ['usual of a profile', 'What its posts bring: the median of its other posts over ninety days, of at least five.'],
  [
    'tag',
    'A name that holds posts together, set by hand or by a rule. A rule tags what is there and what comes with each ' +
      'sync; changed or switched off, it takes its own tags along and none that was set by hand.',
  ],
  [
    'occasion',
    'Something that comes again, such as a festival: the posts with its tag from some days before its day to some ' +
      'days after, laid over those of other years.',
  ],
  [
    'at the same age',
    'How a post is compared with others of its profile and format: by what each had brought that many hours after ' +
      'it was published. Where nobody looked in between, nothing is read off.',
  ],
  ['time to half', 'How long after it was published a post had half of what it has now.'],
  ['withheld', 'Said of people whom a network counts without saying more of them, since they are few: never a zero.'],
  [
    'index of an audience',
    'How often something is among those who responded, beside how often it is among those who follow; 100 is alike. ' +
      'It carries a 95 % interval.',
  ],
  [
    'intended audience',
    'Whom the client wants to reach. How much of an audience that is lies between two bounds, since networks do not ' +
      'say which traits go together; ≈ is what it would be by chance.',
  ],
  [
    'universe',
    'How many people could be reached on a client’s networks, as far as somebody has said so. It makes the ' +
      'estimate of reach over several profiles possible. One that is smaller than the reach of a single profile is ' +
      'left out.',
  ],
  [
    'click',
    'A tracked link followed by a person. Programs that say so, and what a browser fetches ahead of a click, are counted ' +
      'apart. Nothing is kept by which one person could be told from another.',
  ],
  [
    'consented',
    'Said of a site’s visitors who agreed to be counted. What is known of pages, sources and different visitors is of ' +
      'these alone; the share of visits that were theirs stands beside it.',
  ],
  [
    'reachable audience',
    'How many people a network says could be reached, by place, age, gender and interest: its own rounded estimate, not ' +
      'how many were reached.',
  ],
  [
    'field',
    'A client’s own profiles and its rivals’, compared as one group by what everybody can see of them: the client’s ' +
      'private figures are left out of it too.',
  ],
  [
    'following, output, response',
    'The three sides on which a field is compared: how many follow, how much is posted, what comes back.',
  ],
  [
    'index to the median',
    '100 × a value / the median of the field. The typical band is the middle half of the field, between its quartiles.',
  ],
  [
    'package',
    'All data of a client in one file, in open forms. It is taken in again by a client of which nothing is kept, whole or ' +
      'not at all.',
  ],
  ['place', 'A physical location of a client. Its listing is the profile under which a network shows it.'],
  [
    'master record',
    'What is true about a place, kept once: name, address, telephone, hours and what else there is to know.',
  ],
  [
    'drawn to all',
    'The mean of a place’s stars as if ten more reviews were there, each at the mean of all of the client’s reviews so far: ' +
      'a few reviews do not swing it.',
  ],
  ['middle place', 'The median of the places whose listing was viewed 30 times or more, from three such places on.'],
  [
    'rank',
    'The place in the results of a search, from 1. What is not among the first 20 is known to be worse, and no more: a ' +
      'dash, and never a number.',
  ],
  [
    'wobble',
    'How far ranks move from one check to the next without a reason: as far as four of five moves of the thirteen checks ' +
      'before.',
  ],
  [
    'leads up to',
    'How far from its door a place is among the first three: the distance with the fewest points on the wrong side of it.',
  ],
  [
    'slot',
    'One of the 168 hours of a week, in the client’s time zone with its clock changes, or in that of a country’s audience.',
  ],
  [
    'lift',
    'How much more a post of a slot brings than is usual for its profile and format at that time, in percent, with the ' +
      'interval that holds the true one four times of five. Drawn towards its weekday, its hour and the hours beside it ' +
      'as far as its posts are few; from three posts on.',
  ],
  [
    'audience there',
    'How many followers opened the network in an hour, on the mean of up to 35 days: as people, as a share of all ' +
      'followers, and as a share of those in the fullest hour of the week.',
  ],
  ['try', 'A time at which somebody posts to find out: in a slot where the audience is and of which little is known.'],
]
