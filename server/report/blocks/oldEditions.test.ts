import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import type { ReportContent } from '../../../shared/report/reportContent'
import { root } from '../../../tests/support/application'
import { instants } from '../../../shared/platform/instants'
import { thawed } from '../../../shared/report/thawed'
import { missingIn } from '../issuing/missing'
import { tableOf } from './tableOf'

const folder = join(root, 'tests/support/editions')
/** As it was frozen on 29 October 2026, with every kind of block that there was then. */
const content = thawed(JSON.parse(readFileSync(join(folder, 'format-2.json'), 'utf8'), instants) as ReportContent)

test('an edition of before has the tables that it always had', async () => {
  const tables = content.blocks.flatMap((block) => tableOf(block, content.timeZone ?? 'UTC') ?? [])
  expect(tables).toHaveLength(12)
  await expect(JSON.stringify(tables, null, 1)).toMatchFileSnapshot(join(folder, 'format-2.tables.json'))
})

test('what was missing in it is still said', () => {
  expect(missingIn(content)).toEqual([])
})
