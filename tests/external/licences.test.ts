import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import satisfies from 'spdx-satisfies'
import { describe, expect, it } from 'vitest'
import { root } from '../support/application'

/**
 * Licences under which a package may run in production, by their identifiers in the SPDX list (ISO/IEC 5962). CC-BY is
 * that of data, such as which browser can what.
 */
const OPEN = [
  'MIT',
  'ISC',
  '0BSD',
  'BSD-2-Clause',
  'BSD-3-Clause',
  'Apache-2.0',
  'OFL-1.1',
  'MPL-2.0',
  'BlueOak-1.0.0',
  'CC0-1.0',
  'CC-BY-4.0',
]

interface Locked {
  dev?: boolean
  optional?: boolean
}
const read = <T>(path: string) => JSON.parse(readFileSync(join(root, path), 'utf8')) as T
const locked = Object.entries(read<{ packages: Record<string, Locked> }>('package-lock.json').packages).filter(
  ([path, { dev }]) => path !== '' && !dev,
)

/** What is wrong with the licence of an installed package, or undefined. */
function problemOf(path: string, { optional }: Locked): string | undefined {
  if (!existsSync(join(root, path, 'package.json'))) return optional ? undefined : 'is not installed'
  const { license, licenses } = read<{ license?: unknown; licenses?: unknown }>(`${path}/package.json`)
  const named = typeof license === 'string' ? license : undefined
  if (!named) return `names no licence: ${JSON.stringify(license ?? licenses)}`
  try {
    return satisfies(named, OPEN) ? undefined : `has the licence ${named}`
  } catch {
    return `has a licence that cannot be read: ${named}`
  }
}

describe('what runs in production', () => {
  it('has an open licence, every package of it', () => {
    expect(locked.length).toBeGreaterThan(300)
    expect(locked.flatMap(([path, entry]) => problemOf(path, entry) ?? []).length).toBe(0)
    expect(
      locked.flatMap(([path, entry]) => (problemOf(path, entry) ? [`${path} ${problemOf(path, entry)}`] : [])),
    ).toEqual([])
  })

  it('would be found out if it had none', () => {
    expect(
      [
        ['MIT', true],
        ['(MIT OR GPL-3.0)', true],
        ['GPL-3.0', false],
        ['SSPL-1.0', false],
      ].map(([licence, isOpen]) => satisfies(licence as string, OPEN) === isOpen),
    ).toEqual([true, true, true, true])
    expect(problemOf('.test-data', {})).toBe('is not installed')
    // the application itself is under the MIT licence
    expect(problemOf('.', {})).toBeUndefined()
  })
})

it('every package that is named directly stands in docs/dependencies.md with its reason, and no other', () => {
  const { dependencies, devDependencies } = read<{
    dependencies: Record<string, string>
    devDependencies: Record<string, string>
  }>('package.json')
  const listed = [
    ...readFileSync(join(root, 'docs/dependencies.md'), 'utf8').matchAll(/^\| ([@\w][^ ]+) \| (.{5,}) \|$/gm),
  ]
    .map(([, name]) => name)
    .filter((name) => name !== 'package')
  expect(listed.sort()).toEqual([...Object.keys(dependencies), ...Object.keys(devDependencies)].sort())
})
