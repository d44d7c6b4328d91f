/**
 * A figure that is stored for a day of a profile.
 *
 * - `rollUp`: flows are added; of a stock the last counts; people are never added
 * - `bit`: its place where a set of figures is kept as one number. Bits are stored: none is ever given to another
 *   figure, and a new one takes the next
 * - `isPublic`: a network shows it to everybody, without the consent of the owner
 */
export const STORED_FIGURES = [
  { column: 'impressions', rollUp: 'flow', bit: 0 },
  { column: 'views', rollUp: 'flow', bit: 1, isPublic: true },
  { column: 'watch_seconds', rollUp: 'flow', bit: 2 },
  { column: 'completed_views', rollUp: 'flow', bit: 3 },
  { column: 'reactions', rollUp: 'flow', bit: 4, isPublic: true },
  { column: 'comments', rollUp: 'flow', bit: 5, isPublic: true },
  { column: 'shares', rollUp: 'flow', bit: 6, isPublic: true },
  { column: 'saves', rollUp: 'flow', bit: 7 },
  { column: 'clicks', rollUp: 'flow', bit: 8 },
  { column: 'posts', rollUp: 'flow', bit: 9, isPublic: true },
  { column: 'profile_visits', rollUp: 'flow', bit: 10 },
  { column: 'searches', rollUp: 'flow', bit: 11 },
  { column: 'listing_views', rollUp: 'flow', bit: 12 },
  { column: 'directions', rollUp: 'flow', bit: 13 },
  { column: 'calls', rollUp: 'flow', bit: 14 },
  { column: 'new_followers', rollUp: 'flow', bit: 15 },
  { column: 'lost_followers', rollUp: 'flow', bit: 16 },
  { column: 'followers', rollUp: 'stock', bit: 17, isPublic: true },
  { column: 'reach_1d', rollUp: 'unique', bit: 18 },
  { column: 'reach_7d', rollUp: 'unique', bit: 19 },
  { column: 'reach_28d', rollUp: 'unique', bit: 20 },
  { column: 'visitors_1d', rollUp: 'unique', bit: 21 },
  { column: 'visitors_7d', rollUp: 'unique', bit: 22 },
  { column: 'visitors_28d', rollUp: 'unique', bit: 23 },
] as const satisfies readonly {
  column: string
  rollUp: 'flow' | 'stock' | 'unique'
  bit: number
  isPublic?: boolean
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
