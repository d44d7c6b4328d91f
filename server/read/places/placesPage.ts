import type { PlacesPage } from '../../../shared/read/places'
import type { ResolvedScope } from '../../figures/resolveScope'
import type { ClientDb } from '../../platform/database/clientDb'
import { placesIn } from './insights'
import { placeGroups, placesOfGroup } from './placeGroups'
import { placesOf } from './places'

/** The page of places. @throws Problem 404 when there is no such group */
export async function placesPage(db: ClientDb, scope: ResolvedScope, group?: number): Promise<PlacesPage> {
  const view = await placesIn(db, scope, group === undefined ? undefined : await placesOfGroup(db, group))
  return {
    ...view,
    groups: await placeGroups(db),
    all: (await placesOf(db)).map(({ id, name, town }) => ({ id, name, town })),
  }
}
