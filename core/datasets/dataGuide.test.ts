import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { dataGuide, toldTables } from './dataGuide'

it('stands in docs as the declarations have it', () => {
  expect(readFileSync(new URL('../../docs/data.md', import.meta.url), 'utf8')).toBe(dataGuide())
})

it('says of every column what it is', () => {
  for (const { name, schema } of toldTables())
    for (const field of schema.fields) expect(field.description, `${name}.${field.name}`).toMatch(/\.$/)
})
