<script setup lang="ts">
/** Our own map: the coast, the towns, and a circle around a place. A press on the map moves the circle there. */
import 'leaflet/dist/leaflet.css'
import type { Circle, GeoJSON as Layer, Map as LeafletMap } from 'leaflet'

const props = defineProps<{
  geography: GeoJSON.FeatureCollection
  lat: number
  lon: number
  radius: number
  /** Towns that are chosen. */ towns: readonly string[]
  isCircle: boolean
}>()
const emit = defineEmits<{ move: [lat: number, lon: number]; town: [name: string] }>()
const place = ref<HTMLElement>()
let map: LeafletMap | undefined
let circle: Circle | undefined
let land: Layer | undefined

interface Drawn {
  properties: { kind: string; name: string; people?: number }
}
const isChosen = (feature: Drawn) => props.towns.includes(feature.properties.name)
const townStyle = (feature: Drawn) => ({
  radius: 3 + Math.sqrt(feature.properties.people ?? 0) / 22,
  className: isChosen(feature) && !props.isCircle ? 'town chosen' : 'town',
})

onMounted(async () => {
  const L = await import('leaflet')
  if (!place.value) return
  map = L.map(place.value, { attributionControl: false, zoomSnap: 0.25, minZoom: 7, maxZoom: 13, zoomAnimation: false })
  land = L.geoJSON(props.geography, {
    style: () => ({ className: 'land' }),
    pointToLayer: (feature, at) =>
      L.circleMarker(at, townStyle(feature as unknown as Drawn)).bindTooltip(String(feature.properties.name), {
        permanent: true,
        direction: 'right',
        className: 'town-name',
      }),
    onEachFeature: (feature, layer) => {
      if (feature.properties.kind === 'town')
        layer.on('click', (event) => {
          L.DomEvent.stopPropagation(event)
          emit('town', String(feature.properties.name))
        })
    },
  }).addTo(map)
  map.fitBounds(land.getBounds(), { padding: [14, 14] })
  circle = L.circle([props.lat, props.lon], { radius: props.radius * 1000, className: 'around', interactive: false })
  if (props.isCircle) circle.addTo(map)
  map.on(
    'click',
    ({ latlng }) => props.isCircle && emit('move', Number(latlng.lat.toFixed(4)), Number(latlng.lng.toFixed(4))),
  )
})
watch(
  () => [props.lat, props.lon, props.radius, props.isCircle, props.towns.join()],
  () => {
    if (!map || !circle) return
    circle.setLatLng([props.lat, props.lon]).setRadius(props.radius * 1000)
    if (props.isCircle) circle.addTo(map)
    else circle.remove()
    land?.eachLayer((layer) => {
      const { feature, getElement } = layer as unknown as { feature: Drawn; getElement?: () => Element }
      if (feature.properties.kind === 'town')
        getElement?.call(layer)?.setAttribute('class', `leaflet-interactive ${townStyle(feature).className}`)
    })
  },
)
onBeforeUnmount(() => map?.remove())
</script>

<template>
  <div ref="place" class="map" role="application" aria-label="Map of the Farrow Isles" />
</template>

<style scoped>
.map {
  height: 300px;
  border: 1px solid var(--rule2);
  background: var(--wash);
  z-index: 0;
}
.map :deep(.land) {
  fill: var(--band);
  stroke: var(--ink3);
  stroke-width: 1;
  fill-opacity: 1;
}
.map :deep(.town) {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 1.5;
  fill-opacity: 1;
}
.map :deep(.town.chosen) {
  fill: var(--zaffer);
}
.map :deep(.around) {
  fill: var(--zaffer);
  fill-opacity: 0.14;
  stroke: var(--zaffer);
  stroke-width: 2;
}
.map :deep(.town-name) {
  background: none;
  border: 0;
  box-shadow: none;
  padding: 0 3px;
  font: 0.893rem var(--sans);
  color: var(--ink);
}
.map :deep(.town-name::before) {
  display: none;
}
</style>
