import type { ClientDb } from '../platform/database/clientDb'
import { sql } from '../platform/database/sql'

/**
 * Has the agency's allowance to itself until the transaction has ended: two people who take of it at the same moment
 * write the same row, wherever in a cluster they do it, so that they do not both get what is left.
 */
export const takeTurn = (inside: ClientDb): Promise<unknown> =>
  inside.run(sql`
    UPDATE agency
    SET    places_taken = places_taken + 1
    WHERE  agency_id = (SELECT agency_id FROM client WHERE client_id = ${inside.client})`)
