/**
 * A second reading of figures and changes, straight from rows. It shares no code with the application: it has its own
 * calendar, its own list of what the networks give, its own way to cover days with windows, and is written to be plain
 * rather than fast.
 */
export interface Reader {
  network: keyof typeof NETWORK_GIVES
  /** By column, day by day from day 0; undefined where there is nothing. */
  cells: Record<string, (number | undefined)[]>
  known: Map<string, unknown>
}
export interface Read {
  value?: number
  low?: number
  high?: number
  exactness?: string
  present: number
  expected: number
  observations: number
  interval?: { low: number; high: number }
}
export interface ReadChange {
  from?: number
  to?: number
  relative?: number
  direction: string
  judgement: string
  isUnclear: boolean
  small: boolean
  daysNow?: number
  daysThen?: number
  usualLow?: number
  usualHigh?: number
  /** How many standard deviations of chance alone the two lie apart. */
  score?: number
  has: boolean
}

export const NETWORK_GIVES = {
  commons:
    'impressions reactions comments shares clicks posts profile_visits new_followers lost_followers followers ' +
    'reach_1d reach_7d visitors_1d visitors_7d spoken_of speakers_1d speakers_7d speakers_28d',
  tintype:
    'impressions views reactions comments shares saves posts profile_visits new_followers lost_followers ' +
    'followers reach_1d reach_7d reach_28d visitors_1d visitors_28d',
  lantern:
    'impressions views watch_seconds completed_views reactions comments shares posts new_followers ' +
    'lost_followers followers reach_1d reach_28d',
  murmur: 'impressions reactions comments shares clicks posts profile_visits followers',
  waymark: 'searches listing_views clicks directions calls posts messages bookings picture_views site_clicks',
} as const

const flow = (polarity: number, ...parts: string[]) => ({ kind: 'flow' as const, polarity, parts })
const rate = (unit: 'share' | 'other', polarity: number, top: string, bottom: string) => ({
  kind: 'rate' as const,
  polarity,
  unit,
  top,
  bottom,
})
const people = (name: string, shown: string) => ({ kind: 'people' as const, polarity: 1, name, shown })
/** Every metric by what it is made of; a part that is taken away has a minus. */
export const METRICS = {
  reach: people('reach', 'impressions'),
  impressions: flow(1, 'impressions'),
  frequency: rate('other', 0, 'impressions', 'reach'),
  profile_visits: flow(1, 'profile_visits'),
  profile_visitors: people('visitors', 'profile_visits'),
  spoken_of: flow(1, 'spoken_of'),
  speakers: people('speakers', 'spoken_of'),
  visits_per_visitor: rate('other', 0, 'profile_visits', 'profile_visitors'),
  interactions: flow(1, 'reactions', 'comments', 'shares', 'saves'),
  reactions: flow(1, 'reactions'),
  comments: flow(1, 'comments'),
  shares: flow(1, 'shares'),
  saves: flow(1, 'saves'),
  clicks: flow(1, 'clicks'),
  engagement_by_reach: rate('share', 1, 'interactions', 'reach'),
  engagement_by_impressions: rate('share', 1, 'interactions', 'impressions'),
  engagement_by_followers: rate('share', 1, 'interactions', 'followers'),
  click_rate: rate('share', 1, 'clicks', 'impressions'),
  followers: { kind: 'level' as const, polarity: 1 },
  followers_net: flow(1, 'new_followers', '-lost_followers'),
  new_followers: flow(1, 'new_followers'),
  lost_followers: flow(-1, 'lost_followers'),
  views: flow(1, 'views'),
  watch_time: flow(1, 'watch_seconds'),
  average_watch: rate('other', 1, 'watch_time', 'views'),
  completed_views: flow(1, 'completed_views'),
  completion_rate: rate('share', 1, 'completed_views', 'views'),
  searches: flow(1, 'searches'),
  listing_views: flow(1, 'listing_views'),
  messages: flow(1, 'messages'),
  bookings: flow(1, 'bookings'),
  picture_views: flow(1, 'picture_views'),
  site_clicks: flow(1, 'site_clicks'),
  listing_actions: flow(1, 'site_clicks', 'directions', 'calls', 'messages', 'bookings'),
  directions: flow(1, 'directions'),
  calls: flow(1, 'calls'),
  action_rate: rate('share', 1, 'directions', 'listing_views'),
  posts: flow(0, 'posts'),
  interactions_per_post: rate('other', 1, 'interactions', 'posts'),
}
export type MetricId = keyof typeof METRICS
type Spec = (typeof METRICS)[MetricId]

/** Days are counted from the first one of the world. */
export interface Span {
  from: number
  to: number
}
export const daysOf = ({ from, to }: Span) => Array.from({ length: to - from + 1 }, (_, index) => from + index)
const gives = (reader: Reader, column: string) => ` ${NETWORK_GIVES[reader.network]} `.includes(` ${column} `)
const at = (reader: Reader, day: number, column: string) => reader.cells[column]?.[day]
const bare = (part: string) => part.replace('-', '')
/** What was worked out of a profile before, or is now. */
export function once<T>(reader: Reader, key: string, make: () => T): T {
  if (!reader.known.has(key)) reader.known.set(key, make())
  return reader.known.get(key) as T
}

/** What is compared with each other: how a day finds the day that belongs to it. */
export interface Versus {
  span: Span
  other: (day: number) => number | undefined
}

interface Counted {
  value: number
  events: number
}
/** A count day by day, where every part that the network gives is there. */
const flowOf = (id: MetricId, reader: Reader): (Counted | undefined)[] =>
  once(reader, `flow ${id}`, () => {
    const parts = (METRICS[id] as Extract<Spec, { kind: 'flow' }>).parts.filter((part) => gives(reader, bare(part)))
    const length = Math.max(...Object.values(reader.cells).map((column) => column.length))
    return Array.from({ length }, (_, day) => {
      const values = parts.map((part) => at(reader, day, bare(part)))
      if (parts.length === 0 || values.includes(undefined)) return undefined
      return {
        value: values.reduce<number>(
          (sum, value, index) => sum + (parts[index]!.startsWith('-') ? -value! : value!),
          0,
        ),
        events: values.reduce<number>((sum, value) => sum + value!, 0),
      }
    })
  })
const isFlow = (id: string) => METRICS[id as MetricId].kind === 'flow'
/** The days of a profile that have a count, or both daily parts of a rate. */
const daysHaving = (id: MetricId, reader: Reader, span: Span): number[] =>
  once(reader, `having ${id} ${span.from} ${span.to}`, () => {
    const spec = METRICS[id]
    const wanted = (spec.kind === 'rate' ? [spec.top, spec.bottom].filter(isFlow) : [id]).map((flowId) =>
      flowOf(flowId as MetricId, reader),
    )
    return daysOf(span).filter((day) => wanted.every((flow) => flow[day] !== undefined))
  })
const levelOf = (reader: Reader, { to }: Span) =>
  Array.from({ length: 8 }, (_, back) => at(reader, to - back, 'followers')).find((value) => value !== undefined)

/**
 * The fewest people added up of windows that cover some days, the first ones first: the last day is in some window, and
 * what that leaves is covered as cheaply.
 */
function coverOf(reader: Reader, name: string, shown: string, days: readonly number[]): number {
  const daily = [`${name}_1d`, shown].map((column) => reader.cells[column])
  const windows = [7, 28].map((size) => ({ size, column: reader.cells[`${name}_${size}d`] }))
  /** How many of the days come before one. */
  const before = (day: number, count: number): number => {
    let found = count
    while (found > 0 && days[found - 1]! >= day) found--
    return found
  }
  const least = [0]
  for (let count = 1; count <= days.length; count++) {
    const day = days[count - 1]!
    let cost = Infinity
    for (const column of daily) {
      const people = column?.[day]
      if (people !== undefined) cost = Math.min(cost, people + least[count - 1]!)
    }
    for (const { size, column } of windows) {
      if (!column) continue
      for (let end = day; end < day + size; end++) {
        const people = column[end]
        if (people !== undefined) cost = Math.min(cost, people + least[before(end - size + 1, count)]!)
      }
    }
    least.push(cost)
  }
  return least[days.length]!
}
const runCost = (reader: Reader, name: string, shown: string, run: readonly number[]) =>
  run.length === 0 ? 0 : once(reader, `cover ${name} ${run[0]} ${run.at(-1)}`, () => coverOf(reader, name, shown, run))

interface Bounds {
  exact?: number
  low: number
  high: number
}
/** Days as text, each run of them by its ends. */
const inRuns = (days: readonly number[]) =>
  days
    .flatMap((day, index) => [
      ...(days[index - 1] === day - 1 ? [] : [`from ${day}`]),
      ...(days[index + 1] === day + 1 ? [] : [`to ${day}`]),
    ])
    .join()
/** What the windows prove of the people on some days. */
const peopleOf = (reader: Reader, name: string, shown: string, days: readonly number[]): Bounds | undefined =>
  once(reader, `people ${name} ${inRuns(days)}`, () => {
    const column = (size: number) => `${name}_${size}d`
    if (!days.some((day) => [1, 7, 28].some((size) => at(reader, day, column(size)) !== undefined))) return undefined
    const [first, last] = [days[0]!, days.at(-1)!]
    if (last - first + 1 === days.length && [1, 7, 28].includes(days.length)) {
      const exact = at(reader, last, column(days.length))
      if (exact !== undefined) return { exact, low: exact, high: exact }
    }
    const wanted = new Set(days)
    // the days between that are not asked for fall into runs; one that a window touches counts whole
    const holes: number[][] = []
    for (let day = first; day <= last; day++) {
      if (wanted.has(day)) continue
      if (holes.at(-1)?.at(-1) === day - 1) holes.at(-1)!.push(day)
      else holes.push([day])
    }
    let low = 0
    for (const size of [1, 7, 28]) {
      const counts = reader.cells[column(size)]
      for (let end = first; end < last + size; end++) {
        const counted = counts?.[end]
        if (counted === undefined || (size === 1 && !wanted.has(end))) continue
        const from = end - size + 1
        const runs = [
          daysOf({ from, to: Math.min(end, first - 1) }),
          daysOf({ from: Math.max(from, last + 1), to: end }),
          ...holes.filter((hole) => hole[0]! <= end && hole.at(-1)! >= from),
        ]
        low = Math.max(low, counted - runs.reduce((sum, run) => sum + runCost(reader, name, shown, run), 0))
      }
    }
    return { low, high: Math.max(low, coverOf(reader, name, shown, days)) }
  })

const Z = 1.959963984540054
function chance(value: number, events: number): { low: number; high: number } {
  const half = Z * Math.sqrt(events + Z ** 2 / 4)
  const centre = value === events ? value + Z ** 2 / 2 : value
  return { low: centre - half, high: centre + half }
}

/** A metric over some profiles, each on its own days. */
export function read(
  id: MetricId,
  readers: readonly Reader[],
  span: Span,
  universe: number | undefined,
  only?: ReadonlyMap<Reader, readonly number[]>,
): Read {
  const spec = METRICS[id]
  const length = span.to - span.from + 1
  const days = (reader: Reader): readonly number[] => {
    const chosen = only?.get(reader)
    if (!chosen) return daysHaving(id, reader, span)
    const among = new Set(chosen)
    return daysHaving(id, reader, span).filter((day) => among.has(day))
  }
  const reports = (wanted: string, reader: Reader): boolean => {
    const of = METRICS[wanted as MetricId]
    if (of.kind === 'rate') return reports(of.top, reader) && reports(of.bottom, reader)
    return (
      of.kind === 'flow'
        ? of.parts.map(bare)
        : of.kind === 'level'
          ? ['followers']
          : [1, 7, 28].map((size) => `${of.name}_${size}d`)
    ).some((column) => gives(reader, column))
  }
  const members = readers.filter((reader) => reports(id, reader))
  switch (spec.kind) {
    case 'flow': {
      const sums = members.map((reader) => days(reader).map((day) => flowOf(id, reader)[day]!))
      const all = sums.flat()
      const base = { present: all.length, expected: length * members.length }
      if (all.length === 0) return { ...base, observations: 0 }
      const [value, events] = [
        all.reduce((sum, each) => sum + each.value, 0),
        all.reduce((sum, each) => sum + each.events, 0),
      ]
      return {
        ...base,
        value,
        exactness: 'exact',
        observations: events,
        ...(id !== 'watch_time' && { interval: chance(value, events) }),
      }
    }
    case 'level': {
      const levels = members.map((reader) => levelOf(reader, span)).filter((level) => level !== undefined)
      const value = levels.reduce((sum, level) => sum + level, 0)
      return {
        present: levels.length,
        expected: members.length,
        observations: value,
        ...(levels.length > 0 && { value, exactness: 'exact' }),
      }
    }
    case 'people': {
      const known = members.map((reader) => peopleOf(reader, spec.name, spec.shown, daysOf(span)))
      const present = members.reduce(
        (sum, reader) => sum + daysOf(span).filter((day) => at(reader, day, `${spec.name}_1d`) !== undefined).length,
        0,
      )
      return { present, expected: length * members.length, ...together(known, id === 'reach' ? universe : undefined) }
    }
    case 'rate': {
      const under = METRICS[spec.bottom as MetricId]
      const usable = members.filter(
        (reader) =>
          days(reader).length > 0 &&
          (under.kind === 'flow' ||
            (under.kind === 'level'
              ? levelOf(reader, span) !== undefined
              : peopleOf(
                  reader,
                  under.kind === 'people' ? under.name : '',
                  under.kind === 'people' ? under.shown : '',
                  daysOf(span),
                ) !== undefined)),
      )
      const base = {
        present: usable.reduce((sum, reader) => sum + days(reader).length, 0),
        expected: length * members.length,
      }
      const chosen = new Map(usable.map((reader) => [reader, days(reader)]))
      const top = read(spec.top as MetricId, usable, span, universe, chosen)
      const bottom: Read =
        under.kind === 'people'
          ? {
              present: 0,
              expected: 0,
              ...together(
                usable.map((reader) => peopleOf(reader, under.name, under.shown, days(reader))),
                spec.bottom === 'reach' ? universe : undefined,
              ),
            }
          : read(spec.bottom as MetricId, usable, span, universe, chosen)
      const divisor = bottom.value ?? bottom.low ?? 0
      if (usable.length === 0 || !(divisor > 0)) return { ...base, observations: 0 }
      const over = (value: number | undefined) => (value !== undefined && value > 0 ? top.value! / value : undefined)
      const isRange = bottom.exactness !== 'exact'
      const [least, most] = isRange ? [bottom.low, bottom.high] : [bottom.value, bottom.value]
      const isProportion = spec.unit === 'share' && under.kind === 'flow' && top.value! <= bottom.value!
      const interval = !top.interval
        ? undefined
        : isProportion
          ? wilson(top.value!, bottom.value!)
          : least !== undefined && least > 0
            ? { low: most === undefined ? 0 : top.interval.low / most, high: top.interval.high / least }
            : undefined
      return {
        ...base,
        exactness: bottom.exactness,
        observations: divisor,
        ...(over(bottom.value) !== undefined && { value: over(bottom.value) }),
        ...(isRange && {
          low: over(bottom.high) ?? 0,
          ...(over(bottom.low) !== undefined && { high: over(bottom.low) }),
        }),
        ...(interval && { interval }),
      }
    }
  }
}

function wilson(count: number, of: number): { low: number; high: number } {
  const p = count / of
  const centre = (p + Z ** 2 / 2 / of) / (1 + Z ** 2 / of)
  const half = (Z * Math.sqrt((p * (1 - p)) / of + Z ** 2 / 4 / of ** 2)) / (1 + Z ** 2 / of)
  return { low: count === 0 ? 0 : Math.max(0, centre - half), high: count === of ? 1 : Math.min(1, centre + half) }
}

function together(
  known: readonly (Bounds | undefined)[],
  universe: number | undefined,
): Pick<Read, 'value' | 'low' | 'high' | 'exactness' | 'observations'> {
  const found = known.filter((each) => each !== undefined)
  if (found.length === 0) return { observations: 0 }
  if (known.length === 1) {
    const { exact, low, high } = found[0]!
    return exact === undefined
      ? { low, ...(high < Infinity && { high }), exactness: 'bounded', observations: low }
      : { value: exact, exactness: 'exact', observations: exact }
  }
  const low = Math.max(...found.map((each) => each.low))
  const all = found.length === known.length ? found.reduce((sum, each) => sum + each.high, 0) : Infinity
  const audience = universe !== undefined && universe >= low ? universe : Infinity
  const high = Math.min(all, audience)
  const range = { low, ...(high < Infinity && { high }) }
  if (audience === Infinity || all === Infinity) return { ...range, exactness: 'bounded', observations: low }
  const missed = found.reduce(
    (product, each) => product * (1 - Math.min(audience, each.exact ?? (each.low + each.high) / 2) / audience),
    1,
  )
  const value = Math.min(high, Math.max(low, audience * (1 - missed)))
  return { ...range, value, exactness: 'estimated', observations: value }
}

const extent = ({ value, low, high, interval }: Read) => ({
  low: Math.min(...[value, low, interval?.low].filter((end) => end !== undefined)),
  high:
    low !== undefined && high === undefined
      ? Infinity
      : Math.max(...[value, high, interval?.high].filter((end) => end !== undefined)),
})

/** How a metric changed, over the profiles and days that both periods have. */
export function readChange(
  id: MetricId,
  readers: readonly Reader[],
  span: Span,
  versus: Versus,
  universe: number | undefined,
  past: readonly { span: Span; versus: Versus }[] = [],
): ReadChange {
  const spec = METRICS[id]
  const isDaily = spec.kind === 'flow' || spec.kind === 'rate'
  const [now, then] = [new Map<Reader, number[]>(), new Map<Reader, number[]>()]
  const both = readers.filter((reader) => {
    const has = (side: Span) =>
      once(reader, `has ${id} ${side.from} ${side.to}`, () => {
        const found = read(id, [reader], side, undefined)
        return spec.kind === 'rate' ? found.present > 0 : found.value !== undefined || found.low !== undefined
      })
    if (!has(span) || !has(versus.span)) return false
    if (!isDaily) return true
    const [mine, theirs] = [daysHaving(id, reader, span), daysHaving(id, reader, versus.span)]
    const [isMine, isTheirs] = [new Set(mine), new Set(theirs)]
    const partner = new Map<number, number>()
    for (const day of daysOf(span)) {
      const other = versus.other(day)
      if (other !== undefined && other >= versus.span.from && other <= versus.span.to) partner.set(day, other)
    }
    const back = new Map([...partner].map(([day, other]) => [other, day]))
    now.set(
      reader,
      mine.filter((day) => !partner.has(day) || isTheirs.has(partner.get(day)!)),
    )
    then.set(
      reader,
      theirs.filter((day) => !back.has(day) || isMine.has(back.get(day)!)),
    )
    return now.get(reader)!.length > 0 && then.get(reader)!.length > 0
  })
  const none: ReadChange = { direction: 'unknown', judgement: 'neutral', isUnclear: false, small: false, has: false }
  if (both.length === 0) return none
  const [to, from] = [
    read(id, both, span, universe, isDaily ? now : undefined),
    read(id, both, versus.span, universe, isDaily ? then : undefined),
  ]
  const small = Math.min(to.observations, from.observations) < 30
  if ((to.value === undefined && to.low === undefined) || (from.value === undefined && from.low === undefined))
    return { ...none, small }
  const [a, b] = [extent(to), extent(from)]
  const [shared, narrow] = [Math.min(a.high, b.high) - Math.max(a.low, b.low), Math.min(a.high - a.low, b.high - b.low)]
  const isUnclear = shared >= 0 && (narrow > 0 && narrow < Infinity ? shared / narrow : 1) >= 0.75
  const isRanged = to.low !== undefined || from.low !== undefined
  const score = isRanged ? undefined : apartBy(spec, id, to, from)
  const judged = (direction: string) =>
    spec.polarity === 0 || !['up', 'down'].includes(direction)
      ? 'neutral'
      : (direction === 'up') === spec.polarity > 0
        ? 'better'
        : 'worse'
  const days = isDaily ? { daysNow: to.present, daysThen: from.present } : {}
  if (to.value === undefined || from.value === undefined) {
    const [low, high] = [to.low ?? to.value!, to.low === undefined ? to.value! : (to.high ?? Infinity)]
    const [low2, high2] = [from.low ?? from.value!, from.low === undefined ? from.value! : (from.high ?? Infinity)]
    const direction = low > high2 ? 'up' : high < low2 ? 'down' : 'unknown'
    return { ...days, direction, judgement: judged(direction), isUnclear, small, has: true }
  }
  const direction = to.value > from.value ? 'up' : to.value < from.value ? 'down' : 'same'
  const earlierOnes = past.map((each) => readChange(id, readers, each.span, each.versus, universe))
  const isByChance =
    score === undefined
      ? isRanged && shared >= 0
      : maybeNothing(score, past.length > 0 ? weeksApart(id, readers, span.from) : undefined)
  let judgement = isByChance ? 'neutral' : judged(direction)
  const change: ReadChange = {
    ...(score !== undefined && { score }),
    ...days,
    from: from.value,
    to: to.value,
    ...(from.value > 0 && { relative: to.value / from.value - 1 }),
    direction,
    judgement,
    isUnclear: isByChance && direction !== 'same',
    small,
    has: true,
  }
  const perDay =
    spec.kind === 'flow' && span.to - span.from !== versus.span.to - versus.span.from
      ? [(to.value * both.length) / to.present, (from.value * both.length) / from.present]
      : undefined
  if (perDay) {
    const daily = perDay[0]! > perDay[1]! ? 'up' : perDay[0]! < perDay[1]! ? 'down' : 'same'
    judgement = daily === direction && !change.isUnclear ? judged(direction) : 'neutral'
  }
  const isSigned = id === 'followers_net'
  const sizes = past.flatMap((each, index) => {
    const earlier = earlierOnes[index]!
    if (!earlier.has || earlier.from === undefined || earlier.to === undefined) return []
    const values =
      spec.kind === 'flow' && each.span.to - each.span.from !== each.versus.span.to - each.versus.span.from
        ? perDayOf(id, readers, each, earlier)
        : [earlier.from, earlier.to]
    return isSigned
      ? [values[1]! - values[0]!]
      : values[0]! > 0 && values[1]! > 0
        ? [Math.log(values[1]! / values[0]!)]
        : []
  })
  if (sizes.length >= 12) {
    const middle = middleOf(sizes)
    const spread = 1.4826 * middleOf(sizes.map((size) => Math.abs(size - middle)))
    const half =
      tenthAbove(Math.max(5, 0.37 * (sizes.length - 1))) * Math.sqrt(1 + 1.5707963267948966 / sizes.length) * spread
    const ends = [middle - half, middle + half].map((end) => (isSigned ? end : Math.expm1(end)))
    const size = isSigned
      ? perDay
        ? perDay[0]! - perDay[1]!
        : to.value - from.value
      : perDay
        ? perDay[1]! > 0
          ? perDay[0]! / perDay[1]! - 1
          : undefined
        : change.relative
    if (size !== undefined) {
      Object.assign(change, { usualLow: ends[0], usualHigh: ends[1] })
      if (size >= ends[0]! && size <= ends[1]!) judgement = 'neutral'
    }
  }
  return { ...change, judgement }
}

/** Student's t that one of ten values lies above, by the published expansion (Abramowitz & Stegun 1964, 26.7.5). */
function tenthAbove(freedom: number): number {
  const x = 1.2815515655446004
  return (
    x +
    (x ** 3 + x) / 4 / freedom +
    (5 * x ** 5 + 16 * x ** 3 + 3 * x) / 96 / freedom ** 2 +
    (3 * x ** 7 + 19 * x ** 5 + 17 * x ** 3 - 15 * x) / 384 / freedom ** 3
  )
}

/** How far each of the 52 weeks before a day lies from the week before it, over the profiles that have both whole. */
function weeksApart(id: MetricId, readers: readonly Reader[], first: number): number[] {
  const spec = METRICS[id]
  if (spec.kind !== 'flow' && spec.kind !== 'rate') return []
  const top = (spec.kind === 'rate' ? spec.top : id) as MetricId
  const bottom = spec.kind === 'rate' && isFlow(spec.bottom) ? (spec.bottom as MetricId) : undefined
  const weekOf = (reader: Reader, back: number) => {
    const days = daysOf({ from: first - 7 * back, to: first - 7 * back + 6 })
    const counted = days.map((day) => flowOf(top, reader)[day])
    const under = days.map((day) => (bottom ? flowOf(bottom, reader)[day]?.value : 1))
    if (counted.includes(undefined) || under.includes(undefined)) return undefined
    return {
      value: counted.reduce((sum, each) => sum + each!.value, 0),
      events: counted.reduce((sum, each) => sum + each!.events, 0),
      under: under.reduce<number>((sum, each) => sum + each!, 0),
    }
  }
  const found: number[] = []
  for (let back = 51; back >= 1; back--) {
    const pairs = readers.flatMap((reader) => {
      const [now, then] = [weekOf(reader, back), weekOf(reader, back + 1)]
      return now && then ? [{ now, then }] : []
    })
    const sum = (side: 'now' | 'then', what: 'value' | 'events' | 'under') =>
      pairs.reduce((all, pair) => all + pair[side][what], 0)
    const [x, y, n, m] = [sum('now', 'value'), sum('then', 'value'), sum('now', 'under'), sum('then', 'under')]
    const events = sum('now', 'events') + sum('then', 'events')
    const isOfAll = spec.kind === 'rate' && spec.unit === 'share' && bottom !== undefined && x <= n && y <= m
    const all = (x + y) / (n + m)
    const score =
      id === 'followers_net'
        ? events > 0
          ? (x - y) / Math.sqrt(events)
          : undefined
        : isOfAll
          ? all > 0 && all < 1
            ? (x / n - y / m) / Math.sqrt(all * (1 - all) * (1 / n + 1 / m))
            : undefined
          : n > 0 && m > 0
            ? twoCounts(x, n, y, m)
            : undefined
    if (score !== undefined) found.push(score)
  }
  return found
}

/** How far two figures lie apart in standard deviations of chance, by what the figure counts. */
function apartBy(spec: { kind: string; unit?: string; bottom?: string }, id: MetricId, to: Read, from: Read) {
  if (!to.interval && !from.interval) return undefined
  if (spec.kind === 'rate') {
    const whole = (value: number) =>
      Math.abs(value - Math.round(value)) < 1e-6 * Math.max(1, value) ? Math.round(value) : value
    const [x, y] = [whole(to.value! * to.observations), whole(from.value! * from.observations)]
    const [n, m] = [to.observations, from.observations]
    const isOfAll = spec.unit === 'share' && METRICS[spec.bottom as MetricId].kind === 'flow' && x <= n && y <= m
    if (!isOfAll) return twoCounts(x, n, y, m)
    const all = (x + y) / (n + m)
    return all > 0 && all < 1 ? (x / n - y / m) / Math.sqrt(all * (1 - all) * (1 / n + 1 / m)) : undefined
  }
  const [n, m] = [to.present, from.present]
  if (id !== 'followers_net') return twoCounts(to.value!, n, from.value!, m)
  const variance = to.observations / n ** 2 + from.observations / m ** 2
  return variance > 0 ? (to.value! / n - from.value! / m) / Math.sqrt(variance) : undefined
}

function twoCounts(x: number, n: number, y: number, m: number): number | undefined {
  const all = x + y
  if (!(all > 0)) return undefined
  const share = n / (n + m)
  const score = (x - all * share) / Math.sqrt(all * share * (1 - share))
  if (all > 2000 || !Number.isInteger(x) || !Number.isInteger(y)) return score
  const logs = [0]
  for (let at = 1; at <= all; at++) logs.push(logs[at - 1]! + Math.log(at))
  const chance = (k: number) =>
    Math.exp(logs[all]! - logs[k]! - logs[all - k]! + k * Math.log(share) + (all - k) * Math.log(1 - share))
  let tail = chance(x) / 2
  if (score < 0) for (let k = 0; k < x; k++) tail += chance(k)
  else for (let k = x + 1; k <= all; k++) tail += chance(k)
  if (tail >= 0.5) return 0
  if (tail < 1e-12) return score
  // the deviation beyond which a standard normal value lies so often, by halving
  let [near, far] = [0, 10]
  for (let round = 0; round < 60; round++) {
    const middle = (near + far) / 2
    if (beyond(middle) > tail) near = middle
    else far = middle
  }
  return score < 0 ? -near : near
}

/** How often a standard normal value lies above one (≥ 0): its density added up. */
function beyond(value: number): number {
  const steps = 100
  let sum = 0
  // Simpson's rule
  for (let at = 0; at <= steps; at++) {
    const t = (value * at) / steps
    const weight = at === 0 || at === steps ? 1 : at % 2 === 1 ? 4 : 2
    sum += (weight * Math.exp((-t * t) / 2) * value) / steps / 3
  }
  return value > 6 ? Math.exp((-value * value) / 2) / (value * 2.5066282746310002) : 0.5 - sum / 2.5066282746310002
}

/** Whether chance, with the scatter of the past, makes a change as large in one of twenty cases or more. */
function maybeNothing(score: number, past: readonly number[] | undefined): boolean {
  if (!past || past.length < 8) return 2 * beyond(Math.abs(score) / Math.SQRT2) >= 0.05
  const middle = middleOf(past)
  const deviation = 1.4826 * middleOf(past.map((each) => Math.abs(each - middle)))
  const t = Math.abs(score) / Math.sqrt(Math.max(1, deviation ** 2))
  const freedom = 0.37 * (past.length - 1)
  const z = (Math.sqrt(freedom * Math.log(1 + (t * t) / freedom)) * (8 * freedom + 1)) / (8 * freedom + 3)
  return 2 * beyond(z) >= 0.05
}

/** A count by the day: over the days of the profiles that are compared. */
function perDayOf(
  id: MetricId,
  readers: readonly Reader[],
  { span, versus }: { span: Span; versus: Versus },
  { from, to, daysNow, daysThen }: ReadChange,
): number[] {
  const compared = readers.filter((reader) => readChange(id, [reader], span, versus, undefined).has).length
  return [(from! * compared) / daysThen!, (to! * compared) / daysNow!]
}

function middleOf(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const half = Math.floor(sorted.length / 2)
  return sorted.length % 2 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2
}
