<script setup lang="ts">
/** A month in whole weeks: what was posted on each day, the first few of them by name. */
import { weeksAround } from '~~/core/calendar/spans'
import type { Day } from '~~/core/days/day'
import { describeDay } from '~~/core/periods/describePeriod'
import { WEEKDAYS } from '~~/core/times/slots'
import { clockOf, entryWords } from './calendarWords'
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
const shown = computed(() => (props.isTight ? 6 : 3))
const byDay = computed(() => {
  const days = new Map<Day, ShownEntry[]>()
  for (const entry of props.view.entries) {
    const own = days.get(entry.day)
    if (own) own.push(entry)
    else days.set(entry.day, [entry])
  }
  return days
})
const dragged = shallowRef<ShownEntry>()
function drop(day: Day) {
  if (dragged.value) emit('put', dragged.value, day)
  dragged.value = undefined
}
const { slug } = useClient()
const writeOn = (day: Day) => ({ path: `/${slug.value}/calendar/new`, query: { at: `${day}T09:00` } })
const weeks = computed(() => weeksAround(props.view.period.from))
const isIn = (day: Day) => day >= props.view.period.from && day <= props.view.period.to
const isSilent = (day: Day) => props.view.silent?.some(({ from, to }) => day >= from && day <= to) ?? false
</script>

<template>
  <div class="month">
    <span v-for="name in WEEKDAYS" :key="name" class="weekday" aria-hidden="true">{{ name }}</span>
    <template v-for="week in weeks" :key="week[0]">
      <section
        v-for="day in week"
        :key="day"
        :class="{ outside: !isIn(day), today: day === view.today }"
        :aria-label="describeDay(day)"
        @dragover="dragged && $event.preventDefault()"
        @drop.prevent="drop(day)"
      >
        <template v-if="isIn(day)">
          <h2>
            <button type="button" class="bare" :aria-label="`The day ${describeDay(day)}`" @click="emit('day', day)">
              {{ Number(day.slice(8)) }}
            </button>
            <span class="quiet"
              >{{ byDay.get(day)?.length }}
              <NuxtLink
                v-if="mayWrite && day >= view.today"
                class="write no-print"
                :to="writeOn(day)"
                :aria-label="`Plan a post on ${describeDay(day)}`"
                >+</NuxtLink
              ></span
            >
          </h2>
          <button
            v-for="entry in (byDay.get(day) ?? []).slice(0, shown)"
            :key="entryKey(entry)"
            type="button"
            class="bare entry"
            :class="[
              entry.state,
              entry.plan?.state,
              { chosen: chosen === entryKey(entry), picked: entry.plan && picked.includes(entry.plan.id) },
            ]"
            :draggable="mayWrite && isMovable(entry)"
            :aria-label="entryWords(entry)"
            :aria-pressed="chosen === entryKey(entry)"
            @click="emit('choose', entry)"
            @keydown="emit('key', $event, entry)"
            @dragstart="dragged = entry"
            @dragend="dragged = undefined"
          >
            <b>{{ clockOf(entry.minutes) }}</b> {{ entry.networkName
            }}<template v-if="!isTight">: {{ entry.text }}</template>
          </button>
          <button
            v-if="(byDay.get(day)?.length ?? 0) > shown"
            type="button"
            class="bare more"
            :aria-label="`All of ${describeDay(day)}`"
            @click="emit('day', day)"
          >
            and {{ byDay.get(day)!.length - shown }} more
          </button>
          <span v-if="isSilent(day)" class="quiet nothing">nothing</span>
        </template>
        <template v-else
          ><span class="quiet" aria-hidden="true">{{ Number(day.slice(8)) }}</span></template
        >
      </section>
    </template>
  </div>
</template>

<style scoped>
.month {
  display: grid;
  grid-template-columns: repeat(7, minmax(0, 1fr));
  border-left: 1px solid var(--rule);
  border-top: 1px solid var(--rule);
}
.weekday {
  padding: 2px 6px;
  font-weight: 600;
  font-size: var(--text-label);
  border-right: 1px solid var(--rule);
  border-bottom: 1px solid var(--rule);
}
section {
  min-height: 96px;
  padding: 2px 6px 4px;
  border-right: 1px solid var(--rule);
  border-bottom: 1px solid var(--rule);
}
.outside {
  background: var(--rail);
}
.today h2 button {
  color: var(--on-zaffer);
  background: var(--zaffer);
  padding: 0 5px;
}
h2 {
  display: flex;
  justify-content: space-between;
  margin: 0 0 2px;
  font: 600 var(--text-label) var(--sans);
}
/* large enough to be met with a finger */
section button {
  min-width: 24px;
  min-height: 24px;
}
.entry {
  display: block;
  width: 100%;
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
  text-align: left;
  font-size: var(--text-small);
  color: var(--ink2);
}
.entry.planned {
  border-left: 3px solid var(--zaffer);
  padding-left: 3px;
}
.entry.planned:is(.idea, .draft) {
  border-left-style: dashed;
}
.entry.planned:is(.failed, .late) {
  border-left-color: var(--worse);
}
.entry.picked {
  background: var(--wash);
}
.write {
  display: inline-block;
  min-width: 24px;
  min-height: 24px;
  text-align: center;
  text-decoration: none;
}
.entry.tried {
  font-style: italic;
}
.entry.chosen {
  background: var(--wash);
}
.more,
.nothing {
  font-size: var(--text-small);
}
.more {
  color: var(--zaffer);
}
</style>
