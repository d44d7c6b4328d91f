import { expect, it } from 'vitest'
import { readsTables, readsText, tablesWritten, withReads } from './versions'

it.each([
  ['\n  INSERT INTO note (client_id) VALUES (1)', ['note']],
  ['INSERT IGNORE INTO throttle (subject) VALUES (1)', ['throttle']],
  ['REPLACE INTO network_day (network) VALUES (1)', ['network_day']],
  ['UPDATE profile_day d JOIN post b ON b.day = d.day SET d.reach_1d = 1', ['profile_day', 'post']],
  ['DELETE d FROM post b JOIN profile_day d ON b.day = d.day WHERE 1', ['post', 'profile_day']],
  ['DELETE FROM job WHERE job_id IN (SELECT 1 FROM note JOIN post)', ['job']],
])('%s writes %j', (text, tables) => expect(tablesWritten(text)).toEqual(tables))

it('refuses a statement of which it cannot be told what it writes', () => {
  expect(() => tablesWritten('TRUNCATE note')).toThrow('cannot be told')
})

it('knows what some work has read, and of two at once each its own', async () => {
  const read = async (table: string) => {
    await Promise.resolve()
    readsText(`SELECT 1 FROM ${table} t JOIN (SELECT day FROM post) p`)
    readsTables('agency')
    return table
  }
  const [first, second] = await Promise.all([withReads(() => read('note')), withReads(() => read('target'))])
  expect([first.result, [...first.tables].sort()]).toEqual(['note', ['agency', 'note', 'post']])
  expect([...second.tables].sort()).toEqual(['agency', 'post', 'target'])
})
