<script setup lang="ts">
import { formatCompact, formatCount, formatShare, oneDecimal } from '~~/core/format/numbers'
import { describeDay } from '~~/core/periods/describePeriod'
import { splitById } from '~~/core/splits/splits'
import type { PartFigure, SplitView } from '~~/server/work/parts'

const props = defineProps<{ view: SplitView }>()
const locale = useLocale()
const split = computed(() => splitById(props.view.split))
const most = computed(() => Math.max(1, ...props.view.rows.map((row) => row.value ?? row.high ?? 0)))
const hasChange = computed(() => props.view.rows.some((row) => row.from !== undefined))
/** Against the comparison, over the days that both have; a small base is marked. */
function change({ from, to }: PartFigure): string {
  if (from === undefined || to === undefined) return '—'
  if (from === to) return 'no change'
  const small = Math.min(from, to) < 30 ? ', small base' : ''
  return from > 0 ? `${to > from ? '▲' : '▼'} ${formatShare(Math.abs(to / from - 1), locale)}${small}` : `▲ from none${small}`
}
</script>

<template>
  <div>
    <p class="quiet">{{ split.definition }}</p>
    <p v-if="view.rows.length === 0 && view.times.length === 0" class="quiet">{{ view.withheld ?? 'There is no data for these days.' }}</p>
    <table v-if="['parts', 'levels', 'nested', 'hours'].includes(view.kind) && view.rows.length" class="plain-table">
      <thead><tr><th scope="col">{{ view.kind === 'hours' ? 'From' : 'Part' }}</th><th scope="col" class="bars"><span class="hidden-but-read">Drawing</span></th><th scope="col">{{ view.kind === 'hours' ? 'People' : 'Count' }}</th><th scope="col">{{ `Share ${split.base}` }}</th><th v-if="view.kind === 'hours'" scope="col">Of the fullest hour</th><th v-if="hasChange" scope="col">Against the comparison</th></tr></thead>
      <tbody>
        <tr v-for="row in view.rows" :key="row.part">
          <td>{{ row.name }}</td><td class="bars" aria-hidden="true"><i :style="{ width: `${(100 * (row.value ?? 0)) / most}%` }" /></td>
          <td>{{ formatCount(Math.round(row.value ?? 0), locale) }}</td><td>{{ row.share === undefined ? '—' : formatShare(row.share, locale) }}</td><td v-if="view.kind === 'hours'">{{ row.ofFullest === undefined ? '—' : formatShare(row.ofFullest, locale) }}</td><td v-if="hasChange">{{ change(row) }}</td>
        </tr>
      </tbody>
    </table>
    <template v-else-if="view.kind === 'overlapping' && view.rows.length">
      <table class="plain-table">
        <thead><tr><th scope="col">Way</th><th scope="col" class="bars"><span class="hidden-but-read">Drawing</span></th><th scope="col">At least</th><th scope="col">At most</th></tr></thead>
        <tbody>
          <tr v-for="row in view.rows" :key="row.part">
            <td>{{ row.name }}</td>
            <td class="bars" aria-hidden="true"><i class="range" :style="{ marginLeft: `${(100 * (row.low ?? 0)) / most}%`, width: `${(100 * ((row.high ?? 0) - (row.low ?? 0))) / most}%` }" /></td>
            <td :title="formatCount(row.low ?? 0, locale)">{{ formatCompact(row.low ?? 0, locale) }}</td><td :title="formatCount(row.high ?? 0, locale)">{{ formatCompact(row.high ?? 0, locale) }}</td>
          </tr>
        </tbody>
      </table>
      <p class="quiet">Only daily counts are given: the largest day is the least that there were, all days added the most.</p>
    </template>
    <template v-for="profile in view.times" :key="profile.profile">
      <h3>{{ profile.name }}, the last {{ profile.windowDays }} days</h3>
      <table class="plain-table">
        <thead><tr><th scope="col">Seen</th><th scope="col" class="bars"><span class="hidden-but-read">Drawing</span></th><th scope="col">People</th><th scope="col">{{ `Share ${split.base}` }}</th></tr></thead>
        <tbody>
          <tr v-for="row in profile.counts" :key="row.part">
            <td>{{ row.name }}</td><td class="bars" aria-hidden="true"><i :style="{ width: `${100 * row.share}%` }" /></td><td>{{ formatCount(row.people, locale) }}</td><td>{{ formatShare(row.share, locale) }}</td>
          </tr>
        </tbody>
      </table>
      <p class="quiet">
        {{ formatCount(profile.people, locale) }} people.
        <template v-if="profile.frequency !== undefined">Frequency {{ oneDecimal(profile.frequency, locale) }}: impressions divided by people. <template v-if="profile.fits">It fits these counts.</template><strong v-else>It does not fit these counts, whose mean is {{ oneDecimal(profile.bounds.low, locale) }} at least{{ profile.bounds.high === undefined ? '' : ` and ${oneDecimal(profile.bounds.high, locale)} at most` }}: the network contradicts itself.</strong></template>
        <template v-else>A day of impressions is missing, so there is no frequency.</template>
      </p>
    </template>
    <p v-if="view.rows.length || view.times.length" class="quiet">
      {{ view.profiles.join('; ') }}<template v-if="view.without">; {{ view.without }} more {{ view.without === 1 ? 'profile does' : 'profiles do' }} not give it</template>.
      <template v-if="view.asOf"> Counted on {{ describeDay(view.asOf) }}.</template>
      <template v-if="view.withheld && view.kind !== 'times'"> {{ view.withheld }}</template>
    </p>
  </div>
</template>

<style scoped>
.bars { width: 34%; }
.bars i { display: block; height: 10px; margin-top: 4px; background: var(--zaffer); }
.bars i.range { background: var(--range); border-left: 2px solid var(--zaffer); }
h3 { font: 600 var(--text-label) var(--sans); color: var(--ink2); margin: 10px 0 0; }
</style>
