import { spawnSync } from 'node:child_process'
import { cpSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { root } from '../support/application'

type Change = string | ((text: string) => string)
/** What is added, by its row of CONTRIBUTING, with the files that it takes: new ones, and lines in those that are there. */
type Addition = [row: string, files: Record<string, Change>]

const after =
  (line: string, added: string): Change =>
  (text) => {
    if (text.split(line).length !== 2) throw new Error(`“${line}” stands ${text.split(line).length - 1} times`)
    return text.replace(line, `${line}\n${added}`)
  }
const both =
  (...changes: Change[]): Change =>
  (text) =>
    changes.reduce<string>((all, change) => (typeof change === 'string' ? change : change(all)), text)
const migration = '999.do.added.sql'

const ADDITIONS: readonly Addition[] = [
  [
    'a metric from figures that are stored',
    {
      'core/metrics/catalogue.ts': after(
        'export const CATALOGUE: readonly Metric[] = [',
        `  { id: 'added_rate', name: 'Added rate', kind: 'ratio', unit: 'share', polarity: 1, isPublic: false, group: 'Reach',
    numerator: 'saves', denominator: 'impressions', definition: 'Saves divided by impressions.' },`,
      ),
    },
  ],
  [
    'a stored figure',
    {
      'core/metrics/storedFigures.ts': after(
        'export const STORED_FIGURES = [',
        "  { column: 'added_count', rollUp: 'flow', bit: 24, networks: ['cork'] },",
      ),
      'core/metrics/catalogue.ts': after(
        'export const CATALOGUE: readonly Metric[] = [',
        `  { id: 'added_count', name: 'Added', kind: 'flow', unit: 'count', polarity: 1, isPublic: false, group: 'Reach',
    parts: plain('added_count'), definition: 'What was added.' },`,
      ),
      [`server/platform/database/migrations/${migration}`]:
        'ALTER TABLE profile_day ADD COLUMN IF NOT EXISTS added_count INT UNSIGNED NULL;\n',
      'demo/world.ts': after(
        '      listing_views: () => figures.impressions,',
        '      added_count: () => figures.impressions,',
      ),
    },
  ],
  [
    'a breakdown of a figure',
    {
      'core/breakdowns/breakdowns.ts': after(
        'export const BREAKDOWNS: readonly Breakdown[] = [',
        `  { id: 'added_by_kind', code: 99, name: 'Added', kind: 'parts', metric: 'impressions', base: 'of all impressions',
    parts: FOLLOWERS, networks: { cork: {} }, definition: 'What was added, by kind.' },`,
      ),
      'demo/breakdowns.ts': after("    case 'impressions_by_follower':", "    case 'added_by_kind':"),
    },
  ],
  [
    'a set of figures for the overview',
    {
      'core/metrics/figureSets.ts': after(
        'export const FIGURE_SETS: readonly FigureSet[] = [',
        "  { id: 'added', name: 'Added', headlines: ['impressions'], table: ['impressions'] },",
      ),
    },
  ],
  [
    'a dataset',
    {
      'core/datasets/datasets.ts': both(
        after(
          '/** Every dataset of a client, in the order in which they are told. */',
          'export const ADDED: Dataset = {\n' +
            "  id: 'added_day',\n  name: 'Added',\n  grain: 'a page of a profile on a day',\n" +
            "  keys: [PROFILE, DAY, { column: 'page', type: 'id', meaning: 'The page.' }],\n  day: 'day',\n" +
            "  measures: [{ column: 'views', rollUp: 'flow', bit: 0, meaning: 'Views of the page.' }],\n  texts: [],\n" +
            "  sources: ['network'],\n  stream: { id: 'added', networks: ['cork'] },\n}",
        ),
        after('export const DATASETS: readonly Dataset[] = [', '  ADDED,'),
      ),
      [`server/platform/database/migrations/${migration}`]: `
CREATE TABLE IF NOT EXISTS added_day (
  client_id  INT UNSIGNED NOT NULL,
  profile_id INT UNSIGNED NOT NULL,
  day        DATE         NOT NULL,
  page       VARCHAR(40)  CHARACTER SET ascii NOT NULL,
  views      INT UNSIGNED NULL,
  PRIMARY KEY (client_id, profile_id, day, page),
  FOREIGN KEY (client_id, profile_id) REFERENCES profile (client_id, profile_id) ON DELETE CASCADE
);\n`,
      'standins/networks.ts': both(
        (text) => text.replace("type What = 'days' | ", "type What = 'days' | 'added' | "),
        (text) =>
          text.replace('(days|posts|breakdowns|retention|reviews)', '(days|posts|breakdowns|retention|reviews|added)'),
        (text) =>
          text.replace(
            "    if (what === 'breakdowns')",
            "    if (what === 'added') return [{ day, page: 'one', views: 1 }]\n    if (what === 'breakdowns')",
          ),
      ),
    },
  ],
  [
    'a network',
    {
      'core/networks/networks.ts': after(
        "const KNOWN: readonly Omit<Network, 'reports'>[] = [",
        `  { id: 'added', name: 'Added', kind: 'what is added', historyDays: 90, publicDays: 30, site: 'added.example',
    formats: ['text'] },`,
      ),
      'core/metrics/storedFigures.ts': (text) =>
        text.replaceAll("networks: ['commons'", "networks: ['added', 'commons'"),
      'core/plan/networkRules.ts': after(
        'export const NETWORK_RULES: Readonly<Record<string, NetworkRules>> = {',
        `  added: {
    text: { most: 500, counting: 'letters' },
    pictures: { most: 0, mostBytes: 0, types: [] },
    videos: 0,
    takesLink: true,
    minutesApart: 1,
  },`,
      ),
    },
  ],
  [
    'a block of a report',
    {
      'shared/read/addedBlock.ts': `import { declareBlock } from '../report/declareBlock'

export interface FilledAdded { kind: 'added'; count: number }
export const addedBlock = declareBlock<FilledAdded>()({
  kind: 'added',
  name: 'Added',
  version: 1,
  headingOf: () => 'Added',
})
`,
      'server/read/content/addedBlock.ts': `import type { FilledAdded } from '../../../shared/read/addedBlock'
import type { ReportBlock } from '../../figures/reportBlock'

export const addedBlock: ReportBlock<FilledAdded> = { fill: () => Promise.resolve({ count: 1 }) }
`,
      'app/read/content/AddedBlock.vue': `<script setup lang="ts">
import type { FilledAdded } from '~~/shared/read/addedBlock'

defineProps<{ block: FilledAdded }>()
</script>

<template><p>{{ block.count }}</p></template>
`,
      'shared/report/blocks.ts': both(
        after("import { text } from '../platform/text'", "import { addedBlock } from '../read/addedBlock'"),
        after('export const DECLARED_BLOCKS = [', '  addedBlock,'),
      ),
      'server/report/blocks/kinds.ts': both(
        after(
          "import { openBlock } from '../../clients/openBlock'",
          "import { addedBlock } from '../../read/content/addedBlock'",
        ),
        (text) => text.replace('  figures: figuresBlock,', '  added: addedBlock,\n  figures: figuresBlock,'),
      ),
      'app/report/reports/drawings.ts': both(
        after(
          "import OpenBlock from '~/clients/OpenBlock.vue'",
          "import AddedBlock from '~/read/content/AddedBlock.vue'",
        ),
        (text) =>
          text.replace('  figures: { versions', '  added: { versions: { 1: AddedBlock } },\n  figures: { versions'),
      ),
    },
  ],
  [
    'a kind of job',
    {
      'server/gather/sync/jobs.ts': (text) =>
        `${text}\nexport const ADDED = { ...SYNC, kind: 'added', priority: 0 } satisfies JobDeclaration\n`,
      'server/gather/sync/added.ts': `import { jobModule } from '../../platform/jobs/job'
import { ADDED } from './jobs'

export const addedJob = jobModule(ADDED, (context) => context.finish())
`,
      'server/jobs.ts': both(
        after("import { syncJob } from './gather/sync/sync'", "import { addedJob } from './gather/sync/added'"),
        after('export const JOBS: readonly JobModule[] = [', '  addedJob,'),
      ),
    },
  ],
  [
    'a route',
    {
      'server/api/clients/[client]/added.get.ts': `import { clientRoute } from '../../../platform/http/route'

export default clientRoute('work', () => Promise.resolve({ added: true }))
`,
    },
  ],
  [
    'a page',
    {
      'app/pages/[client]/added.vue': '<template><h1>Added</h1></template>\n',
      'app/stages.ts': after(
        "      { name: 'Imports', path: 'imports', needs: 'work' },",
        "      { name: 'Added', path: 'added', needs: 'work' },",
      ),
    },
  ],
]

/** The files that a row of CONTRIBUTING names; what stands in angle brackets is a name of one's own. */
function namedIn(row: string): RegExp[] {
  const line = readFileSync(join(root, 'CONTRIBUTING.md'), 'utf8')
    .split('\n')
    .find((text) => text.startsWith(`| ${row} |`))
  if (!line) throw new Error(`CONTRIBUTING has no row “${row}”`)
  return [...line.matchAll(/`([a-z]+\/[^`]+|[a-z]+\.[a-z]+)`/g)].map(
    ([, path]) =>
      new RegExp(
        `^${path!
          .split(/<[^>]+>/)
          .map((part) => part.replace(/[.[\]()]/g, '\\$&'))
          .join('[^]+?')}$`,
      ),
  )
}

let copy = ''
beforeAll(() => {
  copy = mkdtempSync(join(tmpdir(), 'zaffer-adding-'))
  for (const name of ['app', 'core', 'demo', 'server', 'shared', 'standins', 'tools', '.nuxt', 'tests', 'bench'])
    cpSync(join(root, name), join(copy, name), { recursive: true })
  for (const name of [
    'package.json',
    'tsconfig.json',
    'tsconfig.tools.json',
    'nuxt.config.ts',
    'vitest.config.ts',
    'playwright.config.ts',
  ])
    if (existsSync(join(root, name))) cpSync(join(root, name), join(copy, name))
  symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'))
  for (const [row, files] of ADDITIONS)
    for (const [file, change] of Object.entries(files)) {
      const place = join(copy, file)
      const before = existsSync(place) ? readFileSync(place, 'utf8') : ''
      const text = typeof change === 'string' ? before + change : change(before)
      if (text === before) throw new Error(`${row}: nothing was added to ${file}`)
      mkdirSync(dirname(place), { recursive: true })
      writeFileSync(place, text)
    }
})
afterAll(() => rmSync(copy, { recursive: true, force: true }))

describe('adding one of each, in a copy', () => {
  it.each(ADDITIONS)('%s takes the files that CONTRIBUTING names, and no other', (row, files) => {
    const named = namedIn(row)
    const touched = Object.keys(files)
    expect(touched.filter((file) => !named.some((pattern) => pattern.test(file)))).toEqual([])
    expect(named.filter((pattern) => !touched.some((file) => pattern.test(file)))).toEqual([])
    expect(touched).toHaveLength(named.length)
  })

  it('is all that is needed: the types fit, and everything that lists them has them', () => {
    const types = spawnSync(process.execPath, [join(copy, 'tools/types.mjs')], { encoding: 'utf8' })
    expect(types.stdout).toBe('')
    expect(types.status).toBe(0)
    writeFileSync(join(copy, 'look.ts'), LOOK)
    const look = spawnSync(process.execPath, ['--import', 'tsx', 'look.ts'], { cwd: copy, encoding: 'utf8' })
    expect(look.stderr).toBe('')
    expect(JSON.parse(look.stdout)).toEqual({
      metrics: ['added_count', 'added_rate'],
      figure: 12,
      demo: true,
      breakdown: 2,
      set: true,
      network: ['impressions', 'reactions', 'comments'],
      stream: 'added',
      block: 'Added',
      job: true,
      page: true,
    })
  }, 900_000)
})

/** Asks the copy for what was added, where the application does. */
const LOOK = `
import { BREAKDOWNS } from './core/breakdowns/breakdowns'
import { DATASETS } from './core/datasets/datasets'
import { period } from './core/periods/period'
import { CATALOGUE } from './core/metrics/catalogue'
import { FACT_COLUMNS } from './core/metrics/storedFigures'
import { FIGURE_SETS } from './core/metrics/figureSets'
import { networkById } from './core/networks/networks'
import { aggregateTable } from './core/rollup/aggregateTable'
import { factTable } from './core/rollup/factTable'
import { figureOf } from './core/rollup/figureOf'
import { PROFILES } from './demo/profiles'
import { breakdownsOf } from './demo/breakdowns'
import { world } from './demo/world'
import { JOBS } from './server/jobs'
import { STREAMS } from './server/gather/sync/streams'
import { declarationOf } from './shared/report/blocks'
import { STAGES } from './app/stages'

const days = period('2026-10-01', '2026-10-02')
const rows = [{ profile: 1, day: '2026-10-01', added_count: 5 }, { profile: 1, day: '2026-10-02', added_count: 7 }]
const profile = PROFILES.find(({ network, connected }) => network === 'cork' && connected)!
const { profileDay } = world('2026-10-28')
const rolled = aggregateTable(factTable(rows), days, new Map([[1, 'cork']]), FACT_COLUMNS)
const partsOn = breakdownsOf(profile, '2026-10-20', (day) => profileDay(profile, day, '2026-10-28'))
const cork = profileDay(profile, '2026-10-20', '2026-10-28')!
console.log(JSON.stringify({
  metrics: CATALOGUE.map(({ id }) => id).filter((id) => id.startsWith('added')).sort(),
  figure: figureOf('added_count', rolled, { period: days } as never).value,
  demo: cork.added_count === cork.impressions,
  breakdown: partsOn.filter(({ breakdown }) => breakdown === 'added_by_kind').length,
  set: FIGURE_SETS.some(({ id }) => id === 'added'),
  network: networkById('added').reports.slice(0, 3),
  stream: STREAMS.find(({ id }) => id === 'added')?.id,
  block: declarationOf('added').name,
  job: JOBS.some(({ declaration }) => declaration.kind === 'added'),
  page: STAGES.some(({ pages }) => pages.some(({ path }) => path === 'added')),
}))
process.exit(0)
`
