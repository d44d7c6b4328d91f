import type { GeoJSON as Layer, Map as LeafletMap } from 'leaflet'

/** What a map can be told about a town. */
export interface Town {
  properties: { kind: string; name: string; people?: number }
}
type Leaflet = typeof import('leaflet')

/** How large a town’s mark is, by how many live there. */
const radiusOf = ({ properties }: Town): number => 3 + Math.sqrt(properties.people ?? 0) / 22

/**
 * Our own map in an element: the coast, and the towns with their names. Its colours stand in the theme (`.land-map`).
 *
 * @param classOf  how a town is drawn
 * @param onTown   what a press on a town does
 */
export async function landMap(
  element: HTMLElement,
  geography: GeoJSON.FeatureCollection,
  { classOf = () => 'town', onTown }: { classOf?: (town: Town) => string; onTown?: (name: string) => void } = {},
): Promise<{ L: Leaflet; map: LeafletMap; land: Layer }> {
  const L = await import('leaflet')
  const map = L.map(element, {
    attributionControl: false,
    zoomSnap: 0.25,
    minZoom: 7,
    maxZoom: 15,
    zoomAnimation: false,
  })
  const land = L.geoJSON(geography, {
    style: () => ({ className: 'land' }),
    pointToLayer: (feature, at) => {
      const town = feature as unknown as Town
      return L.circleMarker(at, { radius: radiusOf(town), className: classOf(town) }).bindTooltip(
        town.properties.name,
        {
          permanent: true,
          direction: 'right',
          className: 'town-name',
        },
      )
    },
    onEachFeature: (feature, layer) => {
      const { kind, name } = (feature as unknown as Town).properties
      if (onTown && kind === 'town')
        layer.on('click', (event) => {
          L.DomEvent.stopPropagation(event)
          onTown(name)
        })
    },
  }).addTo(map)
  map.fitBounds(land.getBounds(), { padding: [14, 14] })
  return { L, map, land }
}
