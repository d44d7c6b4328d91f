<script setup lang="ts">
/** How rivals' listings are reviewed over the same days, and how they answer, below all of the client's together. */
import { formatCount, formatShare } from '~~/core/format/numbers'
import { describeDay } from '~~/core/periods/describePeriod'
import type { ReviewsView, RivalReviews } from '~~/shared/read/reviews'
import { useReviewWords } from './useReviewWords'

const props = defineProps<{ view: ReviewsView; isPlain?: boolean }>()
const locale = useLocale()
const { mean, spans } = useReviewWords()
type Row = Omit<RivalReviews, 'profile' | 'stars'> & { profile: number | 'own' }
const ownName = computed(() => (props.view.places.length === 1 ? props.view.places[0]!.name : 'all that are looked at'))
const rows = computed((): Row[] => [
  { profile: 'own', name: ownName.value, rival: 'The client', ...props.view.all, ever: props.view.ever },
  ...(props.view.rivals ?? []),
])
const words = (key: string, label: string, valueOf: (row: Row) => string) => ({ key, label, isWords: true, valueOf })
const figure = (key: string, label: string, valueOf: (row: Row) => number, textOf: (row: Row) => string) => ({
  key,
  label,
  isFigure: true,
  valueOf,
  textOf,
})
const COLUMNS = [
  words('rival', 'Whose', ({ rival }) => rival),
  words('listing', 'Listing', ({ name }) => name),
  figure(
    'reviews',
    'Reviews',
    ({ answering }) => answering.reviews,
    ({ answering }) => formatCount(answering.reviews, locale),
  ),
  figure(
    'mean',
    'Mean',
    ({ rating }) => rating.mean ?? -1,
    ({ rating }) => mean(rating.mean),
  ),
  figure(
    'ever',
    'Mean so far',
    ({ ever }) => ever.mean ?? -1,
    ({ ever }) => (ever.count ? `${mean(ever.mean)} of ${formatCount(ever.count, locale)}` : '—'),
  ),
  figure(
    'inTime',
    'Answered in time',
    ({ answering }) => answering.inTime?.share ?? -1,
    ({ answering: { inTime } }) =>
      inTime ? `${formatShare(inTime.share, locale)} of ${formatCount(inTime.of, locale)}` : '—',
  ),
  figure(
    'median',
    'Median time',
    ({ answering }) => answering.medianHours ?? Infinity,
    ({ answering }) => spans(answering.medianHours),
  ),
]
/** Those of whom nothing is known before some day of the period: fewer reviews are counted of them. */
const late = computed(() =>
  (props.view.rivals ?? []).flatMap(({ name, ever, since }) =>
    ever.count === 0
      ? [`Of ${name} no review is known.`]
      : since === undefined
        ? []
        : [`Of ${name} the first review that is known is of ${describeDay(since)}.`],
  ),
)
</script>

<template>
  <div>
    <WideContent label="Reviews of rivals">
      <OrderedTable
        name="rival-reviews"
        :columns="COLUMNS"
        :rows="rows"
        :key-of="({ profile }) => profile"
        :is-plain="isPlain"
      />
    </WideContent>
    <p v-if="view.isRivalsCut" class="quiet">Only the newest 20,000 reviews of rivals on these days are read.</p>
    <p v-for="sentence in late" :key="sentence" class="quiet">{{ sentence }}</p>
  </div>
</template>
