import type { FactColumn, FlowColumn, StockColumn, UniqueColumn } from './storedFigures'

/** How a metric may be rolled up; see docs/architecture.md, "Kinds of metric". */
export type Kind = 'flow' | 'stock' | 'unique' | 'ratio'

/**
 * What a value counts. `share` is a proportion printed as a percentage; `times` a plain multiple; `seconds` a length of
 * time.
 */
export type Unit = 'count' | 'people' | 'share' | 'times' | 'seconds'

/** Whether more of it is better, worse, or neither. */
export type Polarity = 1 | -1 | 0

/** The headings under which metrics are offered, in their order. */
export const GROUPS = ['Reach', 'Interactions', 'Followers', 'Video', 'Listing', 'Publishing'] as const
export type Group = (typeof GROUPS)[number]

interface MetricBase {
  id: string
  /** The name as it stands on the page. */
  name: string
  unit: Unit
  polarity: Polarity
  /** One sentence that says what is counted. */
  definition: string
  /** Whether anybody can see it, or only the owner of the profile. */
  isPublic: boolean
  /** The heading under which it is offered. */
  group: Group
}

/** Counted per day and added over days and profiles. */
export interface FlowMetric extends MetricBase {
  kind: 'flow'
  /** The stored columns that make it up, each with its sign; one column for a plain flow. */
  parts: readonly { column: FlowColumn; sign: 1 | -1 }[]
}

/** A level: the last value counts. */
export interface StockMetric extends MetricBase {
  kind: 'stock'
  column: StockColumn
}

/** Different people or visitors: never added. */
export interface UniqueMetric extends MetricBase {
  kind: 'unique'
  /** Which people: those who saw something, those who came to the profile, or those who spoke of it. */
  family: UniqueFamily
  /** The stored columns by length of window in days. */
  windows: Readonly<Record<WindowDays, UniqueColumn>>
  /** The flow that no number of people can exceed. */
  ceiling: 'impressions' | 'profile_visits' | 'spoken_of'
}

/** One metric divided by another, both rolled up first. */
export interface RatioMetric extends MetricBase {
  kind: 'ratio'
  numerator: string
  denominator: string
}

export type Metric = FlowMetric | StockMetric | UniqueMetric | RatioMetric

/** The windows over which networks count different people, in days. */
export const WINDOW_DAYS = [1, 7, 28] as const
export type WindowDays = (typeof WINDOW_DAYS)[number]

/** The kinds of people that networks count once: each has a column for every window. */
export const UNIQUE_FAMILIES = ['reach', 'visitors', 'speakers'] as const
export type UniqueFamily = (typeof UNIQUE_FAMILIES)[number]

/** The columns of a kind of people, by window. */
export const windowColumns = (family: UniqueFamily): Record<WindowDays, UniqueColumn> => ({
  1: `${family}_1d`,
  7: `${family}_7d`,
  28: `${family}_28d`,
})

/** The kinds of people that some columns are about. */
export const familiesOf = (columns: readonly FactColumn[]): UniqueFamily[] =>
  UNIQUE_FAMILIES.filter((family) => Object.values(windowColumns(family)).some((column) => columns.includes(column)))
