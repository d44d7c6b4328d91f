import { lastCompleteDay } from '../core/days/lastCompleteDay'
import { loadDemo } from '../demo/load'
import { now } from '../server/platform/clock'
import { connect } from '../server/platform/database/pool'
import { migrate } from '../server/platform/database/migrate'
import { repairPostDays } from '../server/gather/sync/repairPostDays'
import { tokensFor } from '../standins/networks'

/**
 * Brings the database up to date and, when it is new, puts the scenario into it. Prints one line of JSON: how many
 * versions were applied, whether the scenario was loaded, whether there is no agency yet, and the day on which its
 * world was set up.
 */
const url = process.env.ZAFFER_DATABASE_URL!
const versions = await migrate(url)
const pool = connect(url, 2)
const [agencies] = await pool.query('SELECT COUNT(*) AS count FROM agency')
const isNew = (agencies as { count: number }[])[0]!.count === 0
if (versions > 0 && !isNew) await repairPostDays(pool)
const [kept] = await pool.query("SELECT value FROM setting WHERE name = 'world_anchor'")
let anchor = (kept as { value: string }[])[0]?.value
const loaded = isNew && process.env.ZAFFER_DEMO !== 'no'
const isUnset = anchor === undefined
anchor ??= lastCompleteDay(now(), 'Europe/London')
if (loaded) {
  const secret = process.env.ZAFFER_STANDINS_SECRET!
  await loadDemo(pool, anchor, process.env.ZAFFER_DEMO_PASSWORD!, (network, profile) => {
    const { access_token: access, refresh_token: refresh } = tokensFor(network, profile, { secret, now })
    return JSON.stringify({ access, refresh, until: now() + 3_000_000, mayPublish: true })
  })
}
// the stand-ins' world stays the one of the first day, whenever it is started again
if (isUnset) await pool.query("REPLACE INTO setting (name, value) VALUES ('world_anchor', ?)", [anchor])
const [people] = await pool.query('SELECT email, role FROM person WHERE is_demo = 1 ORDER BY person_id')
await pool.end()
console.log(JSON.stringify({ versions, loaded, isUnnamed: isNew && !loaded, anchor, people }))
