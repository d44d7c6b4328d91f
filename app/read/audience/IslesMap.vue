<script setup lang="ts">
/** Our own map: the coast, the towns, and a circle around a place. A press on the map moves the circle there. */
import 'leaflet/dist/leaflet.css'
import { landMap, type Town } from '~/figures/landMap'
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

const isChosen = (town: Town) => props.towns.includes(town.properties.name)
const classOf = (town: Town) => (isChosen(town) && !props.isCircle ? 'town chosen' : 'town')

onMounted(async () => {
  if (!place.value) return
  const made = await landMap(place.value, props.geography, { classOf, onTown: (name) => emit('town', name) })
  ;({ map, land } = made)
  circle = made.L.circle([props.lat, props.lon], {
    radius: props.radius * 1000,
    className: 'around',
    interactive: false,
  })
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
      const { feature, getElement } = layer as unknown as { feature: Town; getElement?: () => Element }
      if (feature.properties.kind === 'town')
        getElement?.call(layer)?.setAttribute('class', `leaflet-interactive ${classOf(feature)}`)
    })
  },
)
onBeforeUnmount(() => map?.remove())
</script>

<template>
  <div ref="place" class="land-map" role="application" aria-label="Map of the Farrow Isles" />
</template>

<style scoped>
.land-map {
  height: 300px;
}
.land-map :deep(.around) {
  fill: var(--zaffer);
  fill-opacity: 0.14;
  stroke: var(--zaffer);
  stroke-width: 2;
}
</style>
