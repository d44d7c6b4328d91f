import { spawnSync } from 'node:child_process'
import { APPLICATION_FLAGS, WORKER_FLAGS } from '../tools/steps/flags.mjs'
import { bundled } from './bundled'
import { withDatabase } from './database'
import { benchCalendar } from './calendar'
import { benchCrowd } from './crowd'
import { benchDataPackage } from './dataPackage'
import { benchFirstLoad } from './firstLoad'
import { benchImport } from './import'
import { benchOverview } from './overview'
import { benchAllClients } from './allClients'
import { benchPlaces } from './places'
import { benchDirectories } from './directories'
import { benchField } from './field'
import { benchHabits } from './habits'
import { benchRanks } from './ranks'
import { benchTimes } from './times'
import { benchPoll } from './poll'
import { benchPosts } from './posts'
import { benchPublishing } from './publishing'
import { benchRedirect } from './redirect'
import { benchSync } from './sync'
import { benchRollUp } from './rollUp'

/**
 * Measures one part, or each in a process of its own, started as the start command starts the application or, for what
 * the worker does, the worker: npm run bench -- rollUp
 */
process.env.ZAFFER_SECRET = 'a secret that is only for measuring, and long enough'
const PARTS: Record<string, { run: () => Promise<void>; flags?: string[] }> = {
  rollUp: { run: benchRollUp },
  overview: { run: () => withDatabase(benchOverview) },
  allClients: { run: () => withDatabase(benchAllClients) },
  posts: { run: () => withDatabase(benchPosts) },
  times: { run: benchTimes },
  ranks: { run: benchRanks },
  directories: { run: benchDirectories },
  field: { run: () => withDatabase(benchField) },
  habits: { run: benchHabits },
  places: { run: () => withDatabase(benchPlaces) },
  poll: { run: () => withDatabase(benchPoll), flags: WORKER_FLAGS },
  publishing: { run: () => withDatabase(benchPublishing), flags: WORKER_FLAGS },
  redirect: { run: () => withDatabase(benchRedirect) },
  sync: { run: () => withDatabase(benchSync), flags: WORKER_FLAGS },
  import: { run: () => withDatabase(benchImport), flags: WORKER_FLAGS },
  // in little room, which what grows with what is read would not fit into
  dataPackage: { run: () => withDatabase(benchDataPackage), flags: WORKER_FLAGS },
  crowd: { run: () => withDatabase(benchCrowd) },
  firstLoad: { run: benchFirstLoad },
  calendar: { run: benchCalendar },
}
const [wanted] = process.argv.slice(2)
if (wanted === undefined || process.env.ZAFFER_BENCH_PART !== wanted) {
  const names = wanted === undefined ? Object.keys(PARTS) : [wanted]
  const bundle = await bundled()
  for (const name of names) {
    if (!PARTS[name]) throw new Error(`There is no part "${name}". There are ${Object.keys(PARTS).join(', ')}.`)
    spawnSync(process.execPath, [...(PARTS[name].flags ?? APPLICATION_FLAGS), bundle, name], {
      stdio: 'inherit',
      env: { ...process.env, ZAFFER_BENCH_PART: name },
    })
  }
} else await PARTS[wanted]!.run()
