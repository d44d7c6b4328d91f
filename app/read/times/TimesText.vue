<script setup lang="ts">
/** When to post: the week as lines with the posts on it, whether that is more than chance, and what it suggests. */
import { formatShare } from '~~/core/format/numbers'
import type { TimesView } from '~~/shared/read/times'
import { chanceWords, fullestWords, leftOutWords, slotsWords, takenWords, thereWords } from './timesWords'

const props = defineProps<{ view: TimesView; lines: 'there' | 'arrive'; day?: number; isPlain?: boolean }>()
const chosen = defineModel<number | undefined>()
const locale = useLocale()
const isDrawn = computed(() => (props.lines === 'there' ? props.view.there : props.view.arrivals) !== undefined)
</script>

<template>
  <div>
    <div class="head">
      <slot name="heading" />
      <p class="row legend">
        <span v-if="isDrawn"
          ><i class="key-line" />{{ lines === 'there' ? 'followers there' : 'interactions arriving' }}</span
        >
        <span v-if="day === undefined"
          ><i class="key-post" />a post, larger where it did better than usual{{
            view.marks.length < view.posts.counted ? ` (the newest ${view.marks.length})` : ''
          }}</span
        >
        <span v-if="day !== undefined"><i class="key-lift" />lift over usual, 80 %</span>
        <span v-if="day === undefined && view.suggestions.length"><i class="key-number">1</i>a suggested slot</span>
      </p>
    </div>
    <DayHours v-if="day !== undefined && !isPlain" v-model="chosen" :view="view" :lines="lines" :day="day" />
    <WeekLines v-else v-model="chosen" :view="view" :lines="lines" :is-plain="isPlain" />
    <p class="quiet small">
      <template v-if="lines === 'there'">{{ thereWords(view, locale) }} {{ fullestWords(view) }}</template>
      <template v-else-if="view.arrivals">
        {{ view.whyNotThere }}
        When people responded, whatever the time of publishing, of {{ view.arrivals.posts }} posts of twelve weeks;
        {{ formatShare(view.arrivals.placed, locale) }} of what they brought could be placed within four hours.
      </template>
      <template v-else
        >{{ view.whyNotThere }} When interactions arrive is not known: no post of twelve weeks was looked at over its
        life.</template
      >
    </p>
    <h3 class="heading">What that suggests</h3>
    <p>{{ chanceWords(view, locale) }} {{ takenWords(view.taken) }}</p>
    <SlotTable v-if="view.suggestions.length" :view="view" :is-plain="isPlain" @choose="(slot) => (chosen = slot)" />
    <p v-else class="quiet">
      Nothing speaks for one slot more than for another: posts show none, and when the audience is there is not known.
    </p>
    <p class="quiet small">
      The lift is how much more a post brings than usual for its profile and format at that time, drawn towards its
      weekday and its hour where posts are few; four of five such intervals hold the true one.
      {{ slotsWords(view) }} {{ leftOutWords(view.posts, locale) }}
    </p>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: baseline;
  gap: 2px 18px;
}
.legend {
  gap: 4px 18px;
  flex-wrap: wrap;
  margin: 0;
}
.key-line {
  display: inline-block;
  width: 16px;
  border-top: 2px solid var(--series);
  vertical-align: middle;
  margin-right: 5px;
}
.key-post {
  display: inline-block;
  width: 9px;
  height: 9px;
  border-radius: 5px;
  background: var(--series-3);
  margin-right: 5px;
}
.key-lift {
  display: inline-block;
  width: 9px;
  height: 13px;
  background: var(--range);
  vertical-align: middle;
  margin-right: 5px;
}
.key-number {
  display: inline-block;
  min-width: 16px;
  border-radius: 8px;
  font: 600 12px/16px var(--sans);
  text-align: center;
  color: var(--ground);
  background: var(--zaffer);
  margin-right: 5px;
}
.small {
  font-size: var(--text-small);
}
.heading {
  margin: 12px 0 2px;
}
</style>
