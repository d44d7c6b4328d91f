/**
 * A figure that is stored for a day of a profile.
 *
 * - `rollUp`: flows are added; of a stock the last counts; people are never added
 * - `bit`: its place where a set of figures is kept as one number. Bits are stored: none is ever given to another
 *   figure, and a new one takes the next
 * - `isPublic`: a network shows it to everybody, without the consent of the owner
 * - `networks`: those that give it; a figure that a network does not give is never taken for zero
 */
export const STORED_FIGURES = [
  {
    column: 'impressions',
    rollUp: 'flow',
    bit: 0,
    networks: ['commons', 'tintype', 'zoetrope', 'lantern', 'guildhall', 'murmur', 'cork'],
  },
  { column: 'views', rollUp: 'flow', bit: 1, isPublic: true, networks: ['tintype', 'zoetrope', 'lantern'] },
  { column: 'watch_seconds', rollUp: 'flow', bit: 2, networks: ['zoetrope', 'lantern'] },
  { column: 'completed_views', rollUp: 'flow', bit: 3, networks: ['zoetrope', 'lantern'] },
  {
    column: 'reactions',
    rollUp: 'flow',
    bit: 4,
    isPublic: true,
    networks: ['commons', 'tintype', 'zoetrope', 'lantern', 'guildhall', 'murmur', 'cork'],
  },
  {
    column: 'comments',
    rollUp: 'flow',
    bit: 5,
    isPublic: true,
    networks: ['commons', 'tintype', 'zoetrope', 'lantern', 'guildhall', 'murmur', 'cork'],
  },
  {
    column: 'shares',
    rollUp: 'flow',
    bit: 6,
    isPublic: true,
    networks: ['commons', 'tintype', 'zoetrope', 'lantern', 'guildhall', 'murmur'],
  },
  { column: 'saves', rollUp: 'flow', bit: 7, networks: ['tintype', 'zoetrope', 'cork'] },
  { column: 'clicks', rollUp: 'flow', bit: 8, networks: ['commons', 'guildhall', 'murmur', 'cork', 'waymark'] },
  {
    column: 'posts',
    rollUp: 'flow',
    bit: 9,
    isPublic: true,
    networks: ['commons', 'tintype', 'zoetrope', 'lantern', 'guildhall', 'murmur', 'cork', 'waymark'],
  },
  {
    column: 'profile_visits',
    rollUp: 'flow',
    bit: 10,
    networks: ['commons', 'tintype', 'zoetrope', 'guildhall', 'murmur'],
  },
  { column: 'searches', rollUp: 'flow', bit: 11, networks: ['waymark'] },
  { column: 'listing_views', rollUp: 'flow', bit: 12, networks: ['waymark'] },
  { column: 'directions', rollUp: 'flow', bit: 13, networks: ['waymark'] },
  { column: 'calls', rollUp: 'flow', bit: 14, networks: ['waymark'] },
  {
    column: 'new_followers',
    rollUp: 'flow',
    bit: 15,
    networks: ['commons', 'tintype', 'zoetrope', 'lantern', 'guildhall', 'cork'],
  },
  {
    column: 'lost_followers',
    rollUp: 'flow',
    bit: 16,
    networks: ['commons', 'tintype', 'zoetrope', 'lantern', 'guildhall', 'cork'],
  },
  {
    column: 'followers',
    rollUp: 'stock',
    bit: 17,
    isPublic: true,
    networks: ['commons', 'tintype', 'zoetrope', 'lantern', 'guildhall', 'murmur', 'cork'],
  },
  {
    column: 'reach_1d',
    rollUp: 'unique',
    bit: 18,
    networks: ['commons', 'tintype', 'zoetrope', 'lantern', 'guildhall', 'cork'],
  },
  { column: 'reach_7d', rollUp: 'unique', bit: 19, networks: ['commons', 'tintype', 'zoetrope', 'guildhall'] },
  { column: 'reach_28d', rollUp: 'unique', bit: 20, networks: ['tintype', 'zoetrope', 'lantern', 'cork'] },
  { column: 'visitors_1d', rollUp: 'unique', bit: 21, networks: ['commons', 'tintype', 'guildhall'] },
  { column: 'visitors_7d', rollUp: 'unique', bit: 22, networks: ['commons'] },
  { column: 'visitors_28d', rollUp: 'unique', bit: 23, networks: ['tintype'] },
  { column: 'spoken_of', rollUp: 'flow', bit: 24, networks: ['commons'] },
  { column: 'speakers_1d', rollUp: 'unique', bit: 25, networks: ['commons'] },
  { column: 'speakers_7d', rollUp: 'unique', bit: 26, networks: ['commons'] },
  { column: 'speakers_28d', rollUp: 'unique', bit: 27, networks: ['commons'] },
  { column: 'messages', rollUp: 'flow', bit: 28, networks: ['waymark'] },
  { column: 'bookings', rollUp: 'flow', bit: 29, networks: ['waymark'] },
  { column: 'picture_views', rollUp: 'flow', bit: 30, networks: ['waymark'] },
  { column: 'site_clicks', rollUp: 'flow', bit: 31, networks: ['waymark'] },
] as const satisfies readonly {
  column: string
  rollUp: 'flow' | 'stock' | 'unique'
  bit: number
  isPublic?: boolean
  networks: readonly string[]
}[]

type Stored = (typeof STORED_FIGURES)[number]
type Of<RollUp extends Stored['rollUp']> = Extract<Stored, { rollUp: RollUp }>['column']
const of = <RollUp extends Stored['rollUp']>(rollUp: RollUp): readonly Of<RollUp>[] =>
  STORED_FIGURES.filter((figure) => figure.rollUp === rollUp).map(({ column }) => column as Of<RollUp>)

/** Stored daily counts. */
export type FlowColumn = Of<'flow'>
export const FLOW_COLUMNS = of('flow')

/** Stored levels. */
export type StockColumn = Of<'stock'>
export const STOCK_COLUMNS = of('stock')

/** Stored counts of different people. */
export type UniqueColumn = Of<'unique'>
export const UNIQUE_COLUMNS = of('unique')

/** Every column of a profile's day. */
export type FactColumn = Stored['column']
export const FACT_COLUMNS: readonly FactColumn[] = STORED_FIGURES.map(({ column }) => column)

/** What a network shows to everybody, without the consent of the owner. */
export const PUBLIC_COLUMNS: readonly FactColumn[] = STORED_FIGURES.filter((figure) => 'isPublic' in figure).map(
  ({ column }) => column,
)
const shown: ReadonlySet<string> = new Set(PUBLIC_COLUMNS)

/** Whether a network shows a daily figure to everybody. */
export const isPublicColumn = (column: string): boolean => shown.has(column)

/**
 * The daily figures that a network gives.
 *
 * @example columnsGivenBy('waymark').includes('followers') // false
 */
export const columnsGivenBy = (network: string): FactColumn[] =>
  STORED_FIGURES.filter(({ networks }) => (networks as readonly string[]).includes(network)).map(({ column }) => column)
