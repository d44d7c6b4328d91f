<script setup lang="ts">
import type { Rounding } from '~~/core/format/formatter'
import { inSentence } from '~~/core/format/inSentence'
import { formatShare } from '~~/core/format/numbers'
import { formatValue } from '~~/core/format/formatValue'
import { metricById } from '~~/core/metrics/catalogue'
import { describeDay } from '~~/core/periods/describePeriod'
import { standingRule } from '~~/core/targets/standingRule'
import type { TargetView } from '~~/shared/read/targets'

const props = defineProps<{ target: TargetView }>()
const locale = useLocale()
const metric = computed(() => metricById(props.target.metric))
const say = (value: number, rounding?: Rounding) => formatValue(value, metric.value.unit, locale, rounding)
const WORDS = {
  'reached': 'Reached',
  'on course': 'On course',
  'open': 'Open: it can go either way',
  'in danger': 'In danger',
  'missed': 'Missed',
  'unknown': 'Cannot be told',
} as const
const MARKS = {
  'reached': '✓',
  'on course': '▲',
  'open': '◆',
  'in danger': '▼',
  'missed': '✕',
  'unknown': '–',
} as const
const judgement = computed(
  () =>
    ({
      'reached': 'better',
      'on course': 'better',
      'in danger': 'worse',
      'missed': 'worse',
      'open': '',
      'unknown': '',
    })[props.target.progress.standing],
)
const perDay = computed(() => (metric.value.kind === 'ratio' ? '' : ' a day'))
const share = (value: number) => formatShare(value, locale)

/** What there is so far: a value, or between what it lies. */
const sofar = computed(() => {
  const {
    figure: { value, low, high },
  } = props.target
  if (low === undefined) return say(value!)
  const about = value === undefined ? '' : `≈ ${say(value)}, `
  return `${about}${high === undefined ? `at least ${say(low, 'down')}` : `between ${say(low, 'down')} and ${say(high, 'up')}`}`
})
/** Where the target stands, in sentences. */
const standing = computed(() => {
  const { figure, progress, start, from } = props.target
  if (figure.value === undefined && figure.low === undefined)
    return progress.elapsed === 0 ? `It begins on ${describeDay(from)}.` : (figure.reason ?? 'There is no figure yet.')
  const missing = figure.coverage.expected - figure.coverage.present
  return [
    `${sofar.value} ${metric.value.kind === 'stock' ? 'now' : `since ${describeDay(from)}`}` +
      `${start === undefined ? '' : `, ${say(start)} when it began`}.`,
    ...(progress.done === undefined
      ? []
      : [
          `${metric.value.kind === 'unique' ? 'At least ' : ''}${share(progress.done)} of the way with ` +
            `${share(progress.elapsed)} of the time over.`,
        ]),
    ...(progress.pace === undefined || progress.paceNeeded === undefined
      ? []
      : [
          `${metric.value.kind === 'ratio' ? 'So far' : 'Pace'} ${say(progress.pace)}${perDay.value}; ` +
            `needed over the ${progress.daysLeft} days left: ` +
            `${say(Math.max(0, progress.paceNeeded))}${perDay.value}.`,
        ]),
    ...(missing > 0
      ? [
          `${missing} ${metric.value.kind === 'stock' ? 'profiles' : 'profile-days'} have no data, so there ` +
            'may be more; the pace is of the days that have.',
        ]
      : []),
  ].join(' ')
})
/** The rule by which it stands as it does. */
const rule = computed(() =>
  standingRule(props.target.progress.standing, {
    isOver: props.target.progress.daysLeft === 0,
    hasFailed: props.target.checked?.hasFailed ?? false,
  }),
)
/** On what the forecast rests, and how it did before. */
const method = computed(() => {
  const { checked } = props.target
  const rests =
    metric.value.kind === 'stock'
      ? 'From the newest count and a trend of twelve weeks that grows weaker.'
      : 'From the trend and the weekday pattern of the last twelve weeks.'
  if (!checked) return rests
  const error = checked.typicalError === undefined ? '' : `; typical error ${share(checked.typicalError)}`
  if (checked.tried === 0) return `${rests} Its past is too short to check the range.`
  const held = `${checked.within} of ${checked.tried} earlier ranges of this length, over days that do not overlap, held what came${error}`
  return checked.hasFailed
    ? `${rests} ${held}: too few of four in five, so nothing is concluded from it.`
    : `${rests} ${held}${checked.tried < 5 ? '; so few prove little' : ''}.`
})
</script>

<template>
  <div class="target">
    <h3>
      {{ metric.name }} of {{ inSentence(target.whoWords) }}: {{ target.isCeiling ? 'no more than ' : ''
      }}{{ say(target.wanted) }} by {{ describeDay(target.by) }}
      <b :class="judgement"
        ><span aria-hidden="true">{{ MARKS[target.progress.standing] }}</span> {{ WORDS[target.progress.standing] }}</b
      >
    </h3>
    <TargetBar :target="target" />
    <p>{{ standing }}</p>
    <p v-if="target.heading">
      Heading for ≈ {{ say(target.heading.value) }}, with four chances in five between
      {{ say(target.heading.low, 'down') }} and {{ say(target.heading.high, 'up') }}.
      <span class="quiet">{{ method }}</span>
    </p>
    <p v-else-if="target.reason" class="quiet">{{ target.reason }}</p>
    <p class="quiet">{{ rule }}</p>
    <slot />
  </div>
</template>

<style scoped>
.target {
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
  break-inside: avoid;
}
h3 {
  font: 600 1rem/1.35 var(--sans);
}
h3 b {
  font-weight: 650;
  margin-left: 8px;
  white-space: nowrap;
}
p {
  color: var(--ink2);
}
</style>
