/** How a count of a place by its parts is told: what its rows are, what is counted, and of what a share is. */
export const PLACE_TABLES = {
  areas: { name: 'areas', label: 'Area', figure: 'Requests', base: 'Of those placed' },
  searches: { name: 'searches', label: 'Search', figure: 'Searches', base: 'Of all told' },
  surfaces: { name: 'surfaces', label: 'Where', figure: 'Views', base: 'Of all told' },
} as const
