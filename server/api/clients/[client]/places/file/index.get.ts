import { getQuery, setResponseHeader } from 'h3'
import { clientRoute } from '../../../../../platform/http/route'
import { badRequest } from '../../../../../platform/problems/problem'
import { PLACE_FORMS, placesAs, type PlaceForm } from '../../../../../read/places/placesFile'

/** The master records of all places as a file: CSV, GeoJSON or JSON-LD. */
export default clientRoute('places', async ({ event, db }) => {
  const form = String(getQuery(event).format ?? 'csv')
  if (!(form in PLACE_FORMS)) throw badRequest('Places are taken away as csv, geojson or jsonld.')
  const { type, ending } = PLACE_FORMS[form as PlaceForm]
  setResponseHeader(event, 'Content-Type', type)
  setResponseHeader(event, 'Content-Disposition', `attachment; filename="places.${ending}"`)
  return await placesAs(db, form as PlaceForm)
})
