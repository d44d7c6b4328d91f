import { lengthOf } from '../../../core/periods/period'
import { stateOf } from '../../../shared/gather/profileState'
import type { FilledProfiles } from '../../../shared/gather/profilesBlock'
import type { ReportBlock } from '../../figures/reportBlock'
import { count, day, text } from '../../platform/tables/columns'
import { profilesPage } from './profilesPage'

export const profilesBlock: ReportBlock<FilledProfiles> = {
  fill: async ({ db }) => ({
    rows: (await profilesPage(db))
      .filter(({ isRival }) => !isRival)
      .map((row) => ({
        name: row.name,
        networkName: row.networkName,
        remoteId: row.remoteId,
        state: stateOf(row),
        oldest: row.oldest,
        strip: row.strip,
        missing: row.missing,
      })),
  }),
  tableOf: ({ rows }) => ({
    name: 'Profiles',
    columns: [
      text('Profile'),
      text('Network'),
      text('Id'),
      text('State'),
      day('Figures since'),
      count('Days of the strip'),
      count('Days missing'),
    ],
    rows: rows.map((row) => [
      row.name,
      row.networkName,
      row.remoteId,
      row.state,
      row.oldest,
      lengthOf(row.strip),
      row.missing.reduce((sum, gap) => sum + lengthOf(gap), 0),
    ]),
  }),
}
