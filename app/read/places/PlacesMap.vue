<script setup lang="ts">
/** Places on our own map, numbered as in the list beside it. A press on the map gives where that is. */
import 'leaflet/dist/leaflet.css'
import type { LayerGroup, Map as LeafletMap } from 'leaflet'
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
}>()
const emit = defineEmits<{ open: [id: number]; move: [lat: number, lon: number] }>()
const { data: geography } = useQuery({
  key: () => ['isles'],
  query: () => api<GeoJSON.FeatureCollection>('/maps/farrow-isles.geojson', { responseType: 'json' }),
})
const place = ref<HTMLElement>()
let map: LeafletMap | undefined
let group: LayerGroup | undefined
let leaflet: typeof import('leaflet') | undefined
const DEGREES = 5

function draw() {
  if (!leaflet || !map) return
  group?.remove()
  group = leaflet.layerGroup().addTo(map)
  for (const { id, number, name, lat, lon } of props.pins) {
    const icon = leaflet.divIcon({ className: 'pin', html: `<span>${String(number)}</span>`, iconSize: [22, 22] })
    leaflet
      .marker([lat, lon], { icon, title: name, alt: name, keyboard: true })
      .on('click', () => emit('open', id))
      .addTo(group)
  }
}
async function make() {
  if (!place.value || !geography.value || map) return
  const made = await landMap(place.value, geography.value)
  ;({ map, L: leaflet } = made)
  draw()
  map.on(
    'click',
    ({ latlng }) =>
      props.isChosen && emit('move', Number(latlng.lat.toFixed(DEGREES)), Number(latlng.lng.toFixed(DEGREES))),
  )
}
onMounted(make)
watch(geography, () => nextTick(make))
watch(() => props.pins, draw, { deep: true })
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
  border-radius: 50%;
  background: var(--zaffer);
  color: var(--paper);
  border: 1.5px solid var(--paper);
  font: 600 0.857rem/19px var(--sans);
  text-align: center;
}
</style>
