import { withDatabase } from './database'
import { benchFirstLoad } from './firstLoad'
import { benchImport } from './import'
import { benchOverview } from './overview'
import { benchRollUp } from './rollUp'

/** Measures one part, or all: npm run bench -- rollUp */
process.env.ZAFFER_SECRET = 'a secret that is only for measuring, and long enough'
const PARTS: Record<string, () => Promise<void>> = {
  rollUp: benchRollUp,
  overview: () => withDatabase(benchOverview),
  import: () => withDatabase(benchImport),
  firstLoad: benchFirstLoad,
}
const wanted = process.argv.slice(2)
const unknown = wanted.filter((name) => !(name in PARTS))
if (unknown.length > 0) throw new Error(`There is no such part: ${unknown.join(', ')}. There are ${Object.keys(PARTS).join(', ')}.`)
for (const [name, part] of Object.entries(PARTS)) if (wanted.length === 0 || wanted.includes(name)) await part()
