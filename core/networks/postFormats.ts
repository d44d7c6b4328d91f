import { NETWORKS } from './networks'

/** The formats in which posts come, of every network together, by name. */
export const POST_FORMATS: readonly string[] = [...new Set(NETWORKS.flatMap(({ formats }) => formats))].sort()
