<script setup lang="ts">
/** Days beside each other from top to bottom: the audience's curve runs down each, what was posted hangs at its time. */
import { addDays, weekday, type Day } from '~~/core/days/day'
import { hourName } from '~~/core/times/slots'
import { clockOf, dayWords, entryWords } from './calendarWords'
import { dayCurve, dayScale, dayTall, hang, minutesAt, timeY } from './dayPlaces'
import { entryKey, isMovable, type ShownCalendar, type ShownEntry } from './shownEntries'

const props = defineProps<{
  view: ShownCalendar
  isTight?: boolean
  chosen?: string
  picked: readonly number[]
  mayWrite: boolean
}>()
const emit = defineEmits<{
  choose: [entry: ShownEntry]
  day: [day: Day]
  key: [event: KeyboardEvent, entry: ShownEntry]
  put: [entry: ShownEntry, day: Day, minutes?: number]
}>()
const locale = useLocale()
const WIDE = 13
const scale = computed(() => dayScale(props.view.entries, props.isTight ?? false))
const hours = computed(() =>
  Array.from({ length: 24 - scale.value.from }, (_, index) => scale.value.from + index).filter(
    (hour) => hour % 2 === 0,
  ),
)
const days = computed(() => {
  const all: Day[] = []
  for (let day = props.view.period.from; day <= props.view.period.to; day = addDays(day, 1)) all.push(day)
  return all.map((day) => {
    const first = (weekday(day) - 1) * 24
    const there = props.view.there?.slots.slice(first, first + 24)
    return {
      day,
      curve: there && dayCurve(there, scale.value, WIDE),
      hung: hang(
        props.view.entries.filter((entry) => entry.day === day),
        scale.value,
      ),
      slots: props.view.slots
        .filter((slot) => slot.day === day)
        .map((slot) => ({
          ...slot,
          x: (there?.[slot.hour] ?? 0) * WIDE,
          y: timeY(slot.hour * 60 + 30, scale.value),
        })),
      isSilent: props.view.silent?.some(({ from, to }) => day >= from && day <= to) ?? false,
    }
  })
})
/** What is being dragged, and how far below its top it was taken. */
const dragged = shallowRef<{ entry: ShownEntry; below: number }>()
function take(event: DragEvent, entry: ShownEntry) {
  const { top } = (event.currentTarget as HTMLElement).getBoundingClientRect()
  dragged.value = { entry, below: event.clientY - top }
}
function drop(event: DragEvent, day: Day) {
  if (!dragged.value) return
  const { top } = (event.currentTarget as HTMLElement).getBoundingClientRect()
  emit('put', dragged.value.entry, day, minutesAt(event.clientY - top - dragged.value.below, scale.value))
  dragged.value = undefined
}
const { slug } = useClient()
const writeAt = (day: Day, hour: number) => ({
  path: `/${slug.value}/calendar/new`,
  query: { at: `${day}T${String(hour).padStart(2, '0')}:00` },
})
const tall = computed(() =>
  Math.max(dayTall(scale.value), ...days.value.map(({ hung }) => (hung.at(-1)?.y ?? 0) + scale.value.entryTall)),
)
</script>

<template>
  <div class="week" :style="{ gridTemplateColumns: `2.9em repeat(${days.length}, minmax(0, 1fr))` }">
    <div class="hours" aria-hidden="true">
      <span v-for="hour in hours" :key="hour" :style="{ top: `${timeY(hour * 60, scale)}px` }">{{
        hourName(hour)
      }}</span>
    </div>
    <section v-for="each in days" :key="each.day" :aria-label="dayWords(each.day, locale, 'long')">
      <h2>
        <button v-if="days.length > 1" type="button" class="bare" @click="emit('day', each.day)">
          {{ dayWords(each.day, locale) }}</button
        ><template v-else>{{ dayWords(each.day, locale, 'long') }}</template
        ><span v-if="each.day === view.today" class="today"> today</span>
        <NuxtLink
          v-if="mayWrite && each.day >= view.today"
          class="write no-print"
          :to="writeAt(each.day, 9)"
          :aria-label="`Plan a post on ${dayWords(each.day, locale, 'long')}`"
          >+</NuxtLink
        >
      </h2>
      <div
        class="column"
        :style="{ height: `${tall}px` }"
        @dragover="dragged && $event.preventDefault()"
        @drop.prevent="drop($event, each.day)"
      >
        <i v-for="hour in hours" :key="hour" class="rule" :style="{ top: `${timeY(hour * 60, scale)}px` }" />
        <svg v-if="each.curve" class="curve" :width="WIDE + 2" :height="dayTall(scale)" aria-hidden="true">
          <path :d="each.curve" />
        </svg>
        <span v-if="each.isSilent" class="quiet nothing">nothing on any network</span>
        <button
          v-for="{ entry, at, y } in each.hung"
          :key="entryKey(entry)"
          type="button"
          class="entry"
          :class="[
            entry.state,
            entry.plan?.state,
            {
              chosen: chosen === entryKey(entry),
              tight: isTight,
              picked: entry.plan && picked.includes(entry.plan.id),
            },
          ]"
          :draggable="mayWrite && isMovable(entry)"
          :style="{ top: `${y}px`, height: `${scale.entryTall}px` }"
          :aria-label="entryWords(entry)"
          :aria-pressed="chosen === entryKey(entry)"
          @click="emit('choose', entry)"
          @keydown="emit('key', $event, entry)"
          @dragstart="take($event, entry)"
          @dragend="dragged = undefined"
        >
          <i class="thread" :style="{ top: `${at - y}px` }" />
          <span class="when"
            >{{ clockOf(entry.minutes) }} {{ entry.plan ? `${entry.profileName}, ` : '' }}{{ entry.networkName }}</span
          >
          <span class="what">{{ entry.text }}</span>
        </button>
        <span
          v-for="slot in each.slots"
          :key="slot.number"
          class="slot"
          :style="{ top: `${slot.y}px`, left: `${slot.x}px` }"
          ><NuxtLink
            v-if="mayWrite"
            class="disc"
            :to="writeAt(slot.day, slot.hour)"
            :aria-label="`Plan a post for suggested slot ${slot.number}: ${hourName(slot.hour)}`"
            >{{ slot.number }}</NuxtLink
          ><template v-else
            ><span class="disc">{{ slot.number }}</span
            ><span class="hidden-but-read">Suggested slot {{ slot.number }}: {{ hourName(slot.hour) }}</span></template
          ></span
        >
      </div>
    </section>
  </div>
</template>

<style scoped>
.week {
  display: grid;
  gap: 0 4px;
}
.hours {
  position: relative;
  margin-top: 26px;
}
.hours span {
  position: absolute;
  right: 4px;
  transform: translateY(-50%);
  font-size: var(--text-small);
  color: var(--ink3);
}
h2 button {
  min-width: 24px;
  min-height: 24px;
}
h2 {
  margin: 0;
  height: 26px;
  font: 600 var(--text-label) var(--sans);
}
.today {
  color: var(--zaffer);
}
.column {
  position: relative;
}
.rule {
  position: absolute;
  left: 0;
  right: 0;
  border-top: 1px solid var(--rule);
}
.curve {
  position: absolute;
  top: 0;
  left: 0;
}
.curve path {
  fill: var(--wash);
  stroke: var(--series);
  stroke-width: 1.4;
}
.entry {
  position: absolute;
  left: 16px;
  right: 0;
  padding: 2px 3px;
  border: 1px solid var(--zaffer);
  background: var(--paper);
  color: var(--ink);
  font: inherit;
  font-size: var(--text-small);
  line-height: 1.2;
  text-align: left;
  cursor: pointer;
  overflow: visible;
}
.entry.published {
  background: var(--rail);
  border-color: var(--rule2);
}
.entry.planned {
  border-style: solid;
  border-left-width: 4px;
}
.entry.planned:is(.idea, .draft) {
  border-style: dashed;
  border-left-style: solid;
}
.entry.planned:is(.failed, .late) {
  border-color: var(--worse);
}
.entry.picked {
  background: var(--wash);
}
.write {
  float: right;
  min-width: 24px;
  min-height: 24px;
  text-align: center;
  text-decoration: none;
}
.entry.tried {
  border-style: dashed;
}
.entry.chosen {
  border-color: var(--zaffer);
  box-shadow: inset 0 0 0 1px var(--zaffer);
}
.when,
.what {
  display: block;
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
}
.when {
  color: var(--ink2);
}
.what {
  display: -webkit-box;
  white-space: normal;
  -webkit-line-clamp: 2;
  -webkit-box-orient: vertical;
}
.tight .what {
  display: none;
}
.thread {
  position: absolute;
  left: -4px;
  width: 4px;
  border-top: 1px solid var(--rule2);
}
.slot {
  position: absolute;
  z-index: 1;
  transform: translate(-50%, -50%);
}
.disc {
  display: block;
  min-width: 24px;
  border-radius: 12px;
  text-decoration: none;
  text-align: center;
  line-height: 24px;
  font-size: var(--text-small);
  font-weight: 600;
  color: var(--on-zaffer);
  background: var(--zaffer);
}
.nothing {
  position: absolute;
  top: 45%;
  left: 28px;
  right: 2px;
  font-size: var(--text-small);
}
</style>
