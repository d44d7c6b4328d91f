<script setup lang="ts">
/** Where a place stands from each point around it: numbered discs on our own map, larger the nearer to the top. */
import { FIRST } from '~~/core/ranks/rankFigures'
import type { RankCheck, RankView } from '~~/shared/read/ranks'
import { coastPath, discRadius, MAP_HEIGHT, MAP_WIDTH, mapScale } from './rankPlaces'
import { movedAt, pointWords, rankMark } from './rankWords'

const props = defineProps<{
  view: RankView
  /** Which ranks stand in the discs. */ shows: 'now' | 'before' | 'difference'
  /** The point that is read, from 0. */ chosen?: number
  isPlain?: boolean
}>()
const emit = defineEmits<{ choose: [index: number] }>()
const locale = useLocale()
const { data: geography } = useQuery({
  key: () => ['isles'],
  query: () => api<GeoJSON.FeatureCollection>('/maps/farrow-isles.geojson', { responseType: 'json' }),
})
const check = computed<RankCheck>(() => (props.shows === 'before' ? props.view.before : props.view.now)!)
const scale = computed(() => mapScale(check.value.points))
const coast = computed(() => coastPath(geography.value, scale.value))
const towns = computed(() =>
  (geography.value?.features ?? [])
    .flatMap(({ geometry, properties }) =>
      geometry.type === 'Point'
        ? [
            {
              name: String(properties?.name),
              x: scale.value.x(geometry.coordinates[0]!),
              y: scale.value.y(geometry.coordinates[1]!),
            },
          ]
        : [],
    )
    .filter(({ x, y }) => x > 0 && x < MAP_WIDTH && y > 0 && y < MAP_HEIGHT),
)
const discs = computed(() =>
  check.value.points.map((point, index) => {
    const move = props.shows === 'difference' ? movedAt(props.view.now!, props.view.before, index) : undefined
    const isMoved = move !== undefined && Math.abs(move.places) > (props.view.usual.move ?? 0)
    const places = move?.places ?? 0
    return {
      point,
      x: scale.value.x(point.lon),
      y: scale.value.y(point.lat),
      radius: discRadius(point.rank, props.view.watch.grid.spacing / 1000, scale.value.perKm),
      text:
        props.shows === 'difference'
          ? !move
            ? '–'
            : `${places > 0 ? '+' : places < 0 ? '−' : ''}${Math.abs(places)}${move.isAtLeast ? '·' : ''}`
          : rankMark(point.rank),
      kind:
        props.shows === 'difference'
          ? isMoved
            ? places > 0
              ? 'up'
              : 'down'
            : 'still'
          : point.rank === null
            ? 'beyond'
            : point.rank <= FIRST
              ? 'first'
              : 'lower',
    }
  }),
)
const middle = computed(() => discs.value[(discs.value.length - 1) / 2]!)
const isRead = (index: number) => !props.isPlain && index === (props.chosen ?? (discs.value.length - 1) / 2)
const drawing = ref<SVGElement>()
/** The arrows lead to the nearest point in their direction. */
const TURNS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}
function step(event: KeyboardEvent, index: number) {
  const turn = TURNS[event.key]
  if (!turn) return
  event.preventDefault()
  const from = discs.value[index]!
  const ahead = discs.value
    .map(({ x, y }, at) => ({
      at,
      along: (x - from.x) * turn[0] + (y - from.y) * turn[1],
      far: Math.hypot(x - from.x, y - from.y),
    }))
    .filter(({ along, far }) => along > far * 0.49)
    // of two as near, the one that lies straight ahead
    .sort((a, b) => a.far ** 2 / a.along - b.far ** 2 / b.along)[0]
  if (!ahead) return
  emit('choose', ahead.at)
  void nextTick(() => drawing.value?.querySelector<SVGElement>('[tabindex="0"]')?.focus())
}
</script>

<template>
  <svg
    ref="drawing"
    class="plotted map"
    :viewBox="`0 0 ${MAP_WIDTH} ${MAP_HEIGHT}`"
    :role="isPlain ? 'img' : 'group'"
    :aria-label="`Ranks from ${check.points.length} points around ${view.watch.place.name}`"
  >
    <path class="coast" :d="coast" />
    <g
      v-for="({ point, x, y, radius, text, kind }, index) in discs"
      :key="point.number"
      class="disc"
      :class="[kind, { read: isRead(index) }]"
      v-bind="
        isPlain
          ? {}
          : {
              'role': 'button',
              'tabindex': isRead(index) ? 0 : -1,
              'aria-pressed': isRead(index),
              'aria-label': pointWords(point, locale),
            }
      "
      @click="emit('choose', index)"
      @keydown.enter.prevent="emit('choose', index)"
      @keydown.space.prevent="emit('choose', index)"
      @keydown="step($event, index)"
    >
      <circle :cx="x" :cy="y" :r="radius" />
      <text :x="x" :y="y + 4" text-anchor="middle" :style="{ fontSize: `${Math.min(12.5, radius * 0.95)}px` }">
        {{ text }}
      </text>
    </g>
    <text v-for="town in towns" :key="town.name" class="town" text-anchor="middle" :x="town.x" :y="town.y + 26">
      {{ town.name }}
    </text>
    <path class="door" :d="`M${middle.x - 6} ${middle.y - middle.radius - 10}h12l-6 9z`" />
  </svg>
</template>

<style scoped>
.map {
  max-height: 430px;
  background: var(--wash);
}
.coast {
  fill: var(--rail);
  stroke: var(--rule);
}
.town {
  font-size: 12px;
  fill: var(--ink);
  stroke: var(--rail);
  stroke-width: 4px;
  paint-order: stroke;
}
/* in a PDF letters with an outline would be drawings, and no letters */
:root[data-printed] .town {
  stroke: none;
}
.disc {
  cursor: pointer;
  outline: none;
}
.disc circle {
  stroke: var(--paper);
  stroke-width: 1;
}
.disc text {
  fill: var(--paper);
  font-weight: 650;
}
.first circle {
  fill: var(--series);
}
.lower circle {
  fill: var(--ink3);
}
.beyond circle,
.still circle {
  fill: var(--paper);
  stroke: var(--ink3);
}
.beyond text,
.still text {
  fill: var(--ink2);
}
.up circle {
  fill: var(--better);
}
.down circle {
  fill: var(--worse);
}
.read circle {
  stroke: var(--ink);
  stroke-width: 2.5;
}
.disc:focus-visible circle {
  stroke: var(--zaffer);
  stroke-width: 4;
}
.door {
  fill: var(--worse);
}
</style>
