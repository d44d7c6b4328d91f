import { profileById, restatementsOf } from '../../../../../../figures/questions/profileRows'
import { clientRoute, idParam } from '../../../../../../platform/http/route'
import { sendTables } from '../../../../../../platform/http/sendTables'
import { notFound } from '../../../../../../platform/problems/problem'

const MOST_TAKEN = 20_000

/** What a network has restated of a profile, as CSV or XLSX. */
export default clientRoute('work', async ({ event, db }) => {
  const profile = await profileById(db, idParam(event, 'profile', 'profile'))
  if (!profile) throw notFound('profile')
  const restated = await restatementsOf(db, profile.profile_id, MOST_TAKEN)
  return await sendTables(event, `${db.name}, restated figures of ${profile.name}`, [
    {
      name: 'Restated',
      columns: [
        { title: 'Day', kind: 'day' },
        { title: 'Figure', kind: 'text' },
        { title: 'Was', kind: 'count' },
        { title: 'Is', kind: 'count' },
        { title: 'Seen', kind: 'text' },
      ],
      rows: restated.map(({ day, metric, oldValue, newValue, seenAt }) => [
        day,
        metric.replaceAll('_', ' '),
        oldValue,
        newValue,
        seenAt.toISOString(),
      ]),
    },
  ])
})
