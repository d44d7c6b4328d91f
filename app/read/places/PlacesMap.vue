<script setup lang="ts">
/** Places on our own map, numbered as in the list beside it. A press on the map gives where that is. */
import 'leaflet/dist/leaflet.css'
import type { LayerGroup, Map as LeafletMap } from 'leaflet'
import { formatCount } from '~~/core/format/numbers'
import { landMap } from '~/figures/landMap'

interface Pin {
  id: number
  number: number | string
  name: string
  lat: number
  lon: number
}
const props = defineProps<{
  pins: readonly Pin[]
  label: string
  /** Whether a press says where. */ isChosen?: boolean
  /** What comes from each town, drawn as large as its root. */ areas?: readonly { name: string; count: number }[]
}>()
const emit = defineEmits<{ move: [lat: number, lon: number] }>()
const { data: geography } = useQuery({
  key: () => ['isles'],
  query: () => api<GeoJSON.FeatureCollection>('/maps/farrow-isles.geojson', { responseType: 'json' }),
})
const place = ref<HTMLElement>()
let map: LeafletMap | undefined
let group: LayerGroup | undefined
let leaflet: typeof import('leaflet') | undefined
const DEGREES = 5
const NEAR_PIXELS = 22
const locale = useLocale()
/** Where a town is; undefined where the map knows none of that name. */
function townAt(name: string): [number, number] | undefined {
  const town = geography.value?.features.find(
    ({ geometry, properties }) => geometry.type === 'Point' && properties?.name === name,
  )
  if (town?.geometry.type !== 'Point') return undefined
  const [lon, lat] = town.geometry.coordinates
  return [lat!, lon!]
}

function draw() {
  if (!leaflet || !map) return
  group?.remove()
  group = leaflet.layerGroup().addTo(map)
  const most = Math.max(1, ...(props.areas ?? []).map(({ count }) => count))
  for (const { name, count } of props.areas ?? []) {
    const at = townAt(name)
    if (!at) continue
    const size = 14 + 26 * Math.sqrt(count / most)
    const icon = leaflet.divIcon({
      className: 'area',
      html: `<span>${formatCount(count, locale)}</span>`,
      iconSize: [size, size],
    })
    leaflet.marker(at, { icon, title: `${name}: ${formatCount(count, locale)}`, interactive: false }).addTo(group)
  }
  for (const { at, pins } of together()) {
    const text = pins.map(({ number }) => number).join(', ')
    const icon = leaflet.divIcon({
      className: 'pin',
      html: `<span>${text}</span>`,
      iconSize: [15 + 7 * text.length, 22],
    })
    leaflet
      .marker(at, { icon, title: pins.map(({ name }) => name).join(', '), interactive: false, keyboard: false })
      .addTo(group)
  }
}
/** Pins that would lie over each other as one, which names them all. */
function together(): { at: [number, number]; pins: Pin[] }[] {
  const found: { at: [number, number]; pins: Pin[] }[] = []
  for (const pin of props.pins) {
    const point = map!.latLngToContainerPoint([pin.lat, pin.lon])
    const near = found.find(({ at }) => map!.latLngToContainerPoint(at).distanceTo(point) < NEAR_PIXELS)
    if (near) near.pins.push(pin)
    else found.push({ at: [pin.lat, pin.lon], pins: [pin] })
  }
  return found
}
/** Shows all of them as large as they fit. */
function frame() {
  if (props.pins.length > 1)
    map?.fitBounds(
      props.pins.map(({ lat, lon }): [number, number] => [lat, lon]),
      { padding: [40, 40], maxZoom: 13 },
    )
}
async function make() {
  if (!place.value || !geography.value || map) return
  const made = await landMap(place.value, geography.value)
  ;({ map, L: leaflet } = made)
  frame()
  draw()
  map.on('zoomend', draw)
  map.on(
    'click',
    ({ latlng }) =>
      props.isChosen && emit('move', Number(latlng.lat.toFixed(DEGREES)), Number(latlng.lng.toFixed(DEGREES))),
  )
}
onMounted(make)
watch(geography, () => nextTick(make))
watch(
  () => [props.pins, props.areas],
  () => {
    frame()
    draw()
  },
  { deep: true },
)
onBeforeUnmount(() => map?.remove())
</script>

<template>
  <div ref="place" class="land-map" role="application" :aria-label="label" />
</template>

<style scoped>
.land-map {
  height: 300px;
}
.land-map :deep(.pin) {
  border-radius: 11px;
  background: var(--zaffer);
  color: var(--paper);
  border: 1.5px solid var(--paper);
  font: 600 0.857rem/19px var(--sans);
  text-align: center;
}
.land-map :deep(.area) {
  border-radius: 50%;
  background: var(--paper);
  border: 2px solid var(--series);
  color: var(--ink);
  font: 600 0.857rem var(--sans);
  display: grid;
  place-items: center;
}
</style>
