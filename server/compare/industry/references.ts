import { REFERENCE_MEASURES, type ReferenceMeasureId } from '../../../core/industry/reference'
import { NETWORKS } from '../../../core/networks/networks'
import { MOST_REFERENCES, type KeptReference, type ReferenceInput } from '../../../shared/compare/industry'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { badRequest, notFound } from '../../platform/problems/problem'

interface ReferenceRow {
  id: number
  measure: ReferenceMeasureId
  network: string
  from: number | null
  below: number | null
  lower: number | null
  middle: number
  upper: number | null
  source: string
  day: string
  isInvented: number
}
/** What a package of data has brought that is not known here is left where it is. */
const MEASURES = REFERENCE_MEASURES.map(({ id }) => id)
const KNOWN_NETWORKS = ['', ...NETWORKS.map(({ id }) => id)]

/** The figures of its industry that a client has, the newest first. */
export async function referencesOf(db: ClientDb): Promise<KeptReference[]> {
  const rows = await db.rows<ReferenceRow>(sql`
    SELECT   reference_id AS id, measure, network, from_size AS \`from\`, below_size AS below, lower_value AS lower,
             middle_value AS middle, upper_value AS upper, source, day, is_invented AS isInvented
    FROM     industry_figure
    WHERE    client_id = ${db.client}
    AND      removed_at IS NULL
    AND      measure IN (${MEASURES})
    AND      network IN (${KNOWN_NETWORKS})
    ORDER BY day DESC, reference_id DESC
    LIMIT    ${MOST_REFERENCES}`)
  return rows.map(({ from, below, lower, upper, isInvented, ...row }) => ({
    ...row,
    ...(from !== null && { from }),
    ...(below !== null && { below }),
    ...(lower !== null && { lower }),
    ...(upper !== null && { upper }),
    isInvented: isInvented === 1,
  }))
}

/**
 * Keeps a figure of an industry.
 *
 * @returns its number
 * @throws  Problem 400 when the client has as many as it can have
 */
export async function addReference(db: ClientDb, given: ReferenceInput): Promise<number> {
  return await db.transaction(async (inside) => {
    const row = await inside.one<{ many: number }>(
      sql`SELECT COUNT(*) AS many FROM industry_figure WHERE client_id = ${inside.client} AND removed_at IS NULL`,
    )
    if (row!.many >= MOST_REFERENCES) throw badRequest(`A client can have ${MOST_REFERENCES} figures of its industry.`)
    const { insertId } = await inside.run(sql`
      INSERT INTO industry_figure
        (client_id, measure, network, from_size, below_size, lower_value, middle_value, upper_value, source, day, is_invented)
      VALUES (${inside.client}, ${given.measure}, ${given.network}, ${given.from}, ${given.below}, ${given.lower},
              ${given.middle}, ${given.upper}, ${given.source}, ${given.day}, ${given.isInvented})`)
    return insertId
  })
}

/** @throws Problem 404 when there is no such figure */
export async function changeReference(db: ClientDb, id: number, given: ReferenceInput): Promise<void> {
  const { affectedRows } = await db.run(sql`
    UPDATE industry_figure
    SET    measure = ${given.measure}, network = ${given.network}, from_size = ${given.from}, below_size = ${given.below},
           lower_value = ${given.lower}, middle_value = ${given.middle}, upper_value = ${given.upper},
           source = ${given.source}, day = ${given.day}, is_invented = ${given.isInvented}
    WHERE  client_id = ${db.client}
    AND    reference_id = ${id}
    AND    removed_at IS NULL`)
  if (affectedRows !== 1) throw notFound('figure')
}

/** Takes a figure away or, when that was a mistake, brings it back. @throws Problem 404 when there is no such figure */
export async function removeReference(db: ClientDb, id: number, isRemoved: boolean): Promise<void> {
  const { affectedRows } = await db.run(sql`
    UPDATE industry_figure
    SET    removed_at = IF(${isRemoved}, NOW(), NULL)
    WHERE  client_id = ${db.client}
    AND    reference_id = ${id}`)
  if (affectedRows !== 1) throw notFound('figure')
}
