import { DATASETS } from '../../core/datasets/datasets'
import type { ScopeQuery } from '../../shared/figures/scope'
import type { ClientDb } from '../platform/database/clientDb'
import { writingJobs } from '../platform/jobs/queue'
import { resolveScope } from './resolveScope'
import { savedScopes } from './savedScopes'
import { sinceOf } from './since'
import { versionOf } from './remembered'
import type { ScopeDescription } from '../../shared/figures/description'

/** The tables that what is measured stands in. */
const FIGURE_TABLES = [...DATASETS.map(({ id }) => id), 'network_day', 'profile', 'sync_cursor']

/** What a scope means, in words and days, and the profiles that can be chosen. */
export async function describeScope(db: ClientDb, query: ScopeQuery): Promise<ScopeDescription> {
  const writing = await writingJobs(db)
  // read after the jobs: where none is left, this is the last version
  const [scope, saved, figuresVersion] = await Promise.all([
    resolveScope(db, query),
    savedScopes(db),
    versionOf(db, FIGURE_TABLES),
  ])
  const { words, period, comparison, lastComplete, running, allProfiles, sets } = scope
  return {
    client: { slug: db.slug, name: db.name, timeZone: db.timeZone },
    words,
    period,
    comparison: comparison?.period ?? null,
    lastComplete,
    ...(running && { running }),
    writing,
    figuresVersion,
    sets,
    saved,
    since: sinceOf(scope),
    profiles: allProfiles.map((row) => ({
      id: row.profile_id,
      name: row.name,
      network: row.network,
      networkName: row.networkName,
      firstFetch: row.first_fetch === 1,
      syncedTo: row.synced_to,
      isGone: row.gone_on !== null,
    })),
  }
}
