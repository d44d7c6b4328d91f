import fc from 'fast-check'
import { expect, it } from 'vitest'
import type { FactColumn } from '../../core/metrics/storedFigures'
import type { ClientDb } from '../../server/platform/database/clientDb'
import { importById, startApply, startCheck, startUndo } from '../../server/gather/imports/store'
import { takeUpload } from '../../server/gather/imports/upload'
import { runNextJob } from '../../server/jobs'
import { keepDays } from '../../server/gather/sync/keepDays'
import { Problem } from '../../server/platform/problems/problem'
import { addClient, addProfile, tableOf, useDatabase } from './support/database'

const { pool } = useDatabase('import_order')
const DAYS = ['2026-10-01', '2026-10-02', '2026-10-03', '2026-10-04'] as const
const COLUMNS = ['impressions', 'reactions', 'followers'] as const
type Cells = Partial<Record<FactColumn, number>>
type Rows = Record<string, Cells>

const cells = fc.record({
  impressions: fc.option(fc.integer({ min: 1, max: 4 }), { nil: undefined }),
  reactions: fc.option(fc.integer({ min: 1, max: 4 }), { nil: undefined }),
  followers: fc.option(fc.integer({ min: 1, max: 4 }), { nil: undefined }),
})
const rows = fc.dictionary(fc.constantFrom(...DAYS), cells, { minKeys: 1, maxKeys: 4, noNullPrototype: true })
const deed = fc.oneof(
  { weight: 3, arbitrary: fc.record({ kind: fc.constant('import' as const), rows }) },
  { weight: 3, arbitrary: fc.record({ kind: fc.constant('undo' as const), which: fc.nat(20) }) },
  { weight: 1, arbitrary: fc.record({ kind: fc.constant('sync' as const), rows }) },
)

/**
 * What stands there, by what imports and syncs mean: the newest import that has a figure is seen, below all of them
 * what the network gave.
 */
class Model {
  readonly network: Rows = {}
  readonly imports: { id: number; rows: Rows }[] = []

  seen(day: string): Cells {
    const result: Cells = { ...this.network[day] }
    for (const { rows: given } of this.imports) Object.assign(result, given[day])
    return result
  }

  apply(id: number, given: Rows) {
    const changing = Object.entries(given).filter(([day, values]) =>
      Object.entries(values).some(([column, value]) => this.seen(day)[column as FactColumn] !== value),
    )
    this.imports.push({ id, rows: Object.fromEntries(changing) })
  }

  /** Only what no later import stands upon can be taken out. */
  mayUndo(id: number): boolean {
    const at = this.imports.findIndex((one) => one.id === id)
    return (
      at >= 0 &&
      !this.imports.slice(at + 1).some((later) => Object.keys(later.rows).some((day) => day in this.imports[at]!.rows))
    )
  }

  undo(id: number) {
    this.imports.splice(
      this.imports.findIndex((one) => one.id === id),
      1,
    )
  }

  /** A figure that a file has brought stands; the network’s own is dropped. */
  sync(given: Rows) {
    for (const [day, values] of Object.entries(given)) {
      for (const [column, value] of Object.entries(values)) {
        if (this.imports.every((one) => one.rows[day]?.[column as FactColumn] === undefined))
          this.network[day] = { ...this.network[day], [column]: value }
      }
    }
  }
}

const present = (values: Cells): Cells =>
  Object.fromEntries(Object.entries(values).filter(([, value]) => value !== undefined))
const plain = (given: Record<string, Cells>): Rows =>
  Object.fromEntries(
    Object.entries(given)
      .map(([day, values]) => [day, present(values)] as const)
      .filter(([, values]) => Object.keys(values).length > 0),
  )

/** Works on everything that waits, in three lanes at once, as several workers would. */
async function drain(): Promise<void> {
  await Promise.all(
    Array.from({ length: 3 }, async () => {
      while (await runNextJob());
    }),
  )
}

it('leaves what imports, undos and syncs mean, however they come together', async () => {
  let clients = 0
  let refused = 0
  let undone = 0
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.array(deed, { minLength: 1, maxLength: 3 }), { minLength: 2, maxLength: 5 }),
      async (rounds) => {
        const db: ClientDb = await addClient(`order-${++clients}`)
        const profile = await addProfile(db, 'commons', '7')
        const model = new Model()
        const known: number[] = []
        for (const round of rounds) {
          /** What was begun in this round, in its order. */
          const begun: { id: number; rows?: Rows }[] = []
          for (const one of round) {
            if (one.kind === 'sync') {
              await drain()
              settle(model, begun, await failedUndos())
              const given = plain(one.rows)
              model.sync(given)
              await db.transaction((inside) =>
                keepDays(inside, profile, {
                  data: Object.entries(given)
                    .map(([day, values]) => ({ day, ...values }))
                    .sort((a, b) => a.day.localeCompare(b.day)),
                }),
              )
            } else if (one.kind === 'import') {
              const given = plain(one.rows)
              if (Object.keys(given).length === 0) continue
              const text = [
                'Date,Impressions,Reactions,Followers',
                ...Object.entries(given).map(([day, values]) =>
                  [day, ...COLUMNS.map((column) => values[column] ?? '')].join(','),
                ),
              ].join('\n')
              const id = await takeUpload(
                db,
                null as never,
                'file.csv',
                (async function* () {
                  yield Buffer.from(`${text}\n`)
                })(),
              )
              await startCheck(
                db,
                id,
                {
                  targets: ['day', 'impressions', 'reactions', 'followers'],
                  dateOrder: 'year-month-day',
                  decimal: 'point',
                  profile,
                },
                null as never,
              )
              while ((await importById(db, id)).state !== 'checked') await runNextJob()
              await startApply(db, id, null as never)
              known.push(id)
              begun.push({ id, rows: given })
            } else if (known.length > 0) {
              const id = known[one.which % known.length]!
              try {
                await startUndo(db, id, null as never)
                // asked for twice, it is done once
                if (!begun.some((one) => one.id === id && !one.rows)) begun.push({ id })
              } catch (error) {
                expect(error).toBeInstanceOf(Problem)
                refused++
              }
            }
          }
          await drain()
          settle(model, begun, await failedUndos())
          const stored = (await tableOf(
            `profile_day WHERE client_id = ${db.clientId}`,
            `day, ${COLUMNS.join(', ')}`,
          )) as ({ day: string } & Record<(typeof COLUMNS)[number], number | null>)[]
          const found = Object.fromEntries(
            stored.map(({ day, ...values }) => [
              day,
              Object.fromEntries(Object.entries(values).filter(([, value]) => value !== null)),
            ]),
          )
          const wanted = Object.fromEntries(
            DAYS.map((day) => [day, model.seen(day)] as const).filter(([, values]) => Object.keys(values).length > 0),
          )
          expect(found).toEqual(wanted)
        }
        // and everything can be taken out again, the newest first
        for (const { id } of [...model.imports].reverse()) {
          await startUndo(db, id, null as never)
          await drain()
        }
        const left = (await tableOf(`profile_day WHERE client_id = ${db.clientId}`, `day, ${COLUMNS.join(', ')}`)) as ({
          day: string
        } & Record<string, number | null>)[]
        expect(
          Object.fromEntries(
            left.map(({ day, ...values }) => [
              day,
              Object.fromEntries(Object.entries(values).filter(([, value]) => value !== null)),
            ]),
          ),
        ).toEqual(model.network)
        expect(
          await tableOf(`profile_day WHERE client_id = ${db.clientId} AND (import_id IS NOT NULL OR imported <> 0)`),
        ).toEqual([])

        /** The imports whose undo was refused when its turn came. */
        async function failedUndos(): Promise<Set<number>> {
          const [failed] = await pool().query(
            "SELECT subject FROM job WHERE client_id = ? AND kind = 'import.undo' AND state = 'failed'",
            [db.clientId],
          )
          await pool().query("DELETE FROM job WHERE client_id = ? AND kind = 'import.undo' AND state = 'failed'", [
            db.clientId,
          ])
          return new Set((failed as { subject: string }[]).map(({ subject }) => Number(subject)))
        }
      },
    ),
    { numRuns: 40 },
  )
  console.info(`${clients} interleavings, ${undone} imports undone in them, ${refused} undos refused`)
  expect(undone).toBeGreaterThan(5)

  /** Lets the model go through what was begun, in its order. */
  function settle(model: Model, begun: { id: number; rows?: Rows }[], failed: ReadonlySet<number>) {
    for (const { id, rows: given } of begun.splice(0)) {
      if (given) model.apply(id, given)
      else {
        expect([id, model.mayUndo(id)]).toEqual([id, !failed.has(id)])
        if (failed.has(id)) refused++
        else {
          model.undo(id)
          undone++
        }
      }
    }
  }
}, 600_000)
