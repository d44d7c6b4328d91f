import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'
import { answersAbout, TOPICS, type Topic } from './topics'

const app = fileURLToPath(new URL('..', import.meta.url))
const texts = readdirSync(app, { recursive: true, encoding: 'utf8' })
  .filter((file) => /\.(vue|ts)$/.test(file) && !file.endsWith('.test.ts'))
  .map((file) => ({ file, text: readFileSync(`${app}/${file}`, 'utf8') }))
/** Answers that nobody but their own page changes, and the map, which nobody changes. */
const OF_ONE_PAGE = ['approval', 'agency', 'consent', 'isles', 'my-sessions', 'place-people', 'released', 'shared']

describe('topics', () => {
  it('name each answer once, however many topics it belongs to', () => {
    expect(answersAbout(['scopes', 'imports'])).toEqual(['scope', 'imports', 'import'])
  })

  it('cover every answer that a page asks for, and none that nobody asks for', () => {
    const asked = new Set(
      texts.flatMap(({ text }) => [...text.matchAll(/key: (?:\(\) => )?\['([a-z-]+)'/g)].map(([, key]) => key!)),
    )
    expect([...asked].sort()).toEqual(
      [...new Set([...answersAbout(Object.keys(TOPICS) as Topic[]), ...OF_ONE_PAGE])].sort(),
    )
  })

  it('are the only way in which a page has an answer asked for anew', () => {
    expect(texts.filter(({ text }) => text.includes('invalidateQueries')).map(({ file }) => file)).toEqual([
      'platform/useRefresh.ts',
    ])
  })
})
