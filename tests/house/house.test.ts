import { execFileSync } from 'node:child_process'
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { JOBS } from '../../server/jobs'
import { root } from '../support/application'

const LONGEST_LINE = 140
const SOURCES = ['core', 'app', 'server', 'shared', 'demo', 'standins', 'tests', 'bench', 'tools']
const filesOf = (folder: string): string[] =>
  readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
    .map((file) => join(folder, file))
    .filter((file) => /\.(ts|vue|mjs)$/.test(file))
const read = (file: string) => readFileSync(join(root, file), 'utf8')

describe('the house', () => {
  it('has no line that has to be scrolled', () => {
    const long = SOURCES.flatMap(filesOf).flatMap((file) =>
      read(file)
        .split('\n')
        .flatMap((line, index) => (line.length > LONGEST_LINE ? [`${file}:${index + 1}`] : [])),
    )
    expect(long).toEqual([])
  })

  it('rounds the ends of ranges outward: none is written without saying to which side', () => {
    const writers = 'say|signed|shown|beside|value|write|format\\w+|oneDecimal|Math\\.round'
    const written = new RegExp(`\\b(?:${writers})\\(\\s*(?:[\\w.!?]|\\(row\\))*\\.(?:low|high)\\b(?:, locale)?\\s*\\)`)
    expect(filesOf('app').filter((file) => !file.endsWith('.test.ts') && written.test(read(file)))).toEqual([])
  })

  it('has the same rooms on both sides, each drawn in the plan', () => {
    const plan = read('docs/architecture.md')
    const roomsOf = (side: string) =>
      ['gather', 'read', 'compare', 'report'].flatMap((stage) =>
        existsSync(join(root, side, stage))
          ? readdirSync(join(root, side, stage), { withFileTypes: true })
              .filter((entry) => entry.isDirectory())
              .map(({ name }) => `${stage}/${name}`)
          : [],
      )
    const onServer = roomsOf('server')
    expect(onServer.length).toBeGreaterThan(10)
    for (const room of [...onServer, ...roomsOf('app')]) expect(plan, room).toContain(`\`${room}\``)
    // what a person sees has its use cases in a room of the same name
    expect(roomsOf('app').filter((room) => !onServer.includes(room))).toEqual([])
  })

  it('keeps SQL in the server, and pages without a type of the server', () => {
    const asks = /\bsql`|\bSELECT\s+[\w*]/
    expect(['app', 'core', 'shared'].flatMap(filesOf).filter((file) => asks.test(read(file)))).toEqual([])
    expect(['app', 'shared'].flatMap(filesOf).filter((file) => /from '[^']*\/server\//.test(read(file)))).toEqual([])
  })

  it('gives pages no row of the database', () => {
    // the columns of rows are written with underscores, what both sides say is not
    const rows = filesOf('shared').filter((file) => /^ {2}[a-z]+_[a-z_]+\??: (?!\()/m.test(read(file)))
    expect(rows).toEqual([])
  })

  it('calls an instant …At, by which an answer brings it as one', () => {
    const fields = filesOf('shared').flatMap((file) => [
      ...read(file).matchAll(/^\s+(\w+)\??: (Date|string)( \| null)?$/gm),
    ])
    expect(fields.filter(([, name, type]) => name!.endsWith('At') !== (type === 'Date')).map(([all]) => all)).toEqual(
      [],
    )
    expect(fields.filter(([, , type]) => type === 'Date').length).toBeGreaterThan(8)
    // an instant made a text is none that orders or can be cut
    expect(filesOf('app').filter((file) => /String\([\w.!]*At!?\)/.test(read(file)))).toEqual([])
  })

  it('has files of one name for one thing only: in the same stage, or on both sides of it', () => {
    const places = new Map<string, Set<string>>()
    for (const file of ['core', 'app', 'server', 'shared'].flatMap(filesOf)) {
      if (/^(server\/api|app\/pages|server\/middleware)\/|\.test\.ts$|\/jobs\.ts$/.test(file)) continue
      const [side, stage, ...rest] = file.split('/')
      const name = (rest.at(-1) ?? stage)!
      // what stands at the root of shared is of all clients at once
      const place = side === 'core' ? `core/${stage}` : rest.length === 0 ? 'clients' : stage!
      places.set(name, (places.get(name) ?? new Set()).add(place))
    }
    expect([...places].filter(([, of]) => of.size > 1).map(([name, of]) => `${name}: ${[...of].join(', ')}`)).toEqual(
      [],
    )
  })

  it('has each kind of job once, in a module of its own', () => {
    const kinds = JOBS.map(({ declaration }) => declaration.kind)
    expect(new Set(kinds).size).toBe(kinds.length)
    const declared = filesOf('server')
      .filter((file) => read(file).includes('satisfies JobDeclaration'))
      .flatMap((file) => [...read(file).matchAll(/kind: '([a-z.]+)'/g)].map(([, kind]) => kind!))
    expect([...kinds].sort()).toEqual(declared.sort())
  })

  it('says in CONTRIBUTING only what is there', () => {
    const paths = [
      ...read('CONTRIBUTING.md').matchAll(
        /`((?:core|app|server|shared|demo|standins|tests|bench|tools|docs)\/[^`]*)`/g,
      ),
    ]
      .map(([, path]) => path!)
      .filter((path) => !/[<*…]/.test(path))
    expect(paths.length).toBeGreaterThan(15)
    expect(paths.filter((path) => !existsSync(join(root, path)))).toEqual([])
    const { scripts } = JSON.parse(read('package.json')) as { scripts: Record<string, string> }
    for (const [, script] of read('CONTRIBUTING.md').matchAll(/npm run ([a-z-]+)/g))
      expect(scripts, script).toHaveProperty(script!)
  })

  it('has headings that order every table', () => {
    /** Three cells of a file, two versions of one report, days of one profile: nothing to order. */
    const standing = ['ColumnMatcher', 'TwoVersions', 'CoverageTable']
    const unordered = filesOf('app').filter(
      (file) => read(file).includes('<table') && !read(file).includes('<OrderHeading'),
    )
    expect(unordered.filter((file) => !standing.some((name) => file.endsWith(`${name}.vue`)))).toEqual([])
  })

  it('is in git without what is made from it', () => {
    const tracked = execFileSync('git', ['ls-files'], { cwd: root, encoding: 'utf8' }).split('\n')
    expect(tracked.filter((file) => /^(node_modules|\.nuxt|\.output|\.data|\.test-data)/.test(file))).toEqual([])
  })
})
