<script setup lang="ts">
/** What reviews come to: the mean with its number and spread, how they are spread, and how they are answered. */
import { formatCount, formatShare, oneDecimal } from '~~/core/format/numbers'
import { SHRINKING_REVIEWS } from '~~/core/reviews/ratings'
import type { PlaceReviews, ReviewsView } from '~~/shared/read/reviews'
import { useReviewWords } from './useReviewWords'

const props = defineProps<{ view: ReviewsView; isPlain?: boolean }>()
const locale = useLocale()
const { mean: two, spans } = useReviewWords()
const all = computed(() => props.view.all)
const heads = computed(() => {
  const { rating, answering, shrunk } = all.value
  const { before, ever, perWeek, wantedHours } = props.view
  return [
    {
      name: 'Mean of the stars',
      value: two(rating.mean),
      said: [
        `of ${formatCount(rating.count, locale)}`,
        rating.spread === undefined ? '' : `spread ${two(rating.spread)}`,
        before?.rating.mean === undefined
          ? ''
          : `${two(before.rating.mean)} of ${formatCount(before.rating.count, locale)} before`,
        ever.mean === undefined ? '' : `${two(ever.mean)} of all ${formatCount(ever.count, locale)} so far`,
        shrunk === undefined || rating.count >= 30 ? '' : `${two(shrunk)} drawn to all`,
      ],
    },
    {
      name: `Answered within ${formatCount(wantedHours, locale)} hours`,
      value: answering.inTime ? formatShare(answering.inTime.share, locale) : '—',
      said: answering.inTime
        ? [
            `${formatCount(answering.inTime.answered, locale)} of ${formatCount(answering.inTime.of, locale)} whose time is over`,
            `${formatShare(answering.inTime.low, locale, 'down')} to ${formatShare(answering.inTime.high, locale, 'up')}`,
          ]
        : ['no review’s time is over yet'],
    },
    {
      name: 'Median time to an answer',
      value: spans(answering.medianHours),
      said: [
        answering.medianHours === undefined && answering.reviews > 0 ? 'more than half still wait' : '',
        answering.waiting > 0 ? 'those that wait count too' : '',
      ],
    },
    {
      name: 'Waiting for an answer',
      value: formatCount(answering.waiting, locale),
      said: [`of ${formatCount(answering.reviews, locale)}`],
    },
    {
      name: 'Reviews a week',
      value: oneDecimal(perWeek, locale),
      said: [before ? `${oneDecimal(before.perWeek, locale)} before` : ''],
    },
  ].map((head) => ({ ...head, said: head.said.filter(Boolean).join(', ') }))
})
const bars = computed(() =>
  [5, 4, 3, 2, 1].map((stars) => {
    const count = all.value.stars[stars - 1]!
    const of = all.value.rating.count
    return { stars, count, share: of > 0 ? count / of : 0 }
  }),
)
const COLUMNS = [
  { key: 'name', label: 'Place', isWords: true, valueOf: ({ name }: PlaceReviews) => name },
  {
    key: 'reviews',
    label: 'Reviews',
    isFigure: true,
    valueOf: ({ rating }: PlaceReviews) => rating.count,
    textOf: ({ rating }: PlaceReviews) => formatCount(rating.count, locale),
  },
  {
    key: 'mean',
    label: 'Mean',
    isFigure: true,
    valueOf: ({ rating }: PlaceReviews) => rating.mean ?? -1,
    textOf: ({ rating }: PlaceReviews) => two(rating.mean),
  },
  {
    key: 'spread',
    label: 'Spread',
    isFigure: true,
    valueOf: ({ rating }: PlaceReviews) => rating.spread ?? -1,
    textOf: ({ rating }: PlaceReviews) => two(rating.spread),
  },
  {
    key: 'shrunk',
    label: 'Drawn to all',
    isFigure: true,
    valueOf: ({ shrunk }: PlaceReviews) => shrunk ?? -1,
    textOf: ({ shrunk }: PlaceReviews) => two(shrunk),
  },
  {
    key: 'inTime',
    label: 'Answered in time',
    isFigure: true,
    valueOf: ({ answering }: PlaceReviews) => answering.inTime?.share ?? -1,
    textOf: ({ answering: { inTime } }: PlaceReviews) =>
      inTime ? `${formatShare(inTime.share, locale)} of ${formatCount(inTime.of, locale)}` : '—',
  },
  {
    key: 'median',
    label: 'Median time',
    isFigure: true,
    valueOf: ({ answering }: PlaceReviews) => answering.medianHours ?? Infinity,
    textOf: ({ answering }: PlaceReviews) => spans(answering.medianHours),
  },
  {
    key: 'waiting',
    label: 'Waiting',
    isFigure: true,
    valueOf: ({ answering }: PlaceReviews) => answering.waiting,
    textOf: ({ answering }: PlaceReviews) => formatCount(answering.waiting, locale),
  },
]
const places = computed(() => props.view.places.filter(({ rating, answering }) => rating.count + answering.reviews > 0))
</script>

<template>
  <div>
    <dl class="heads">
      <div v-for="head in heads" :key="head.name">
        <dt>{{ head.name }}</dt>
        <dd>{{ head.value }}</dd>
        <dd class="quiet">{{ head.said }}</dd>
      </div>
    </dl>
    <p v-if="view.isCut" class="quiet">Only the newest 20,000 reviews of these days are read.</p>
    <div class="two">
      <ul class="bars" aria-label="How the stars are spread">
        <li v-for="{ stars, count, share } in bars" :key="stars">
          <span>{{ stars }} ★</span>
          <span class="track" aria-hidden="true"><span :style="{ width: `${100 * share}%` }" /></span>
          <span
            >{{ formatCount(count, locale) }} <span class="quiet">{{ formatShare(share, locale) }}</span></span
          >
        </li>
      </ul>
      <WideContent v-if="places.length > 1" label="Reviews by place">
        <OrderedTable
          name="reviewed"
          :columns="COLUMNS"
          :rows="places"
          :key-of="({ profile }) => profile"
          :is-plain="isPlain"
        />
      </WideContent>
    </div>
    <p class="quiet small">
      “Drawn to all” is the mean as if {{ SHRINKING_REVIEWS }} more reviews at the mean of all places so far were there:
      a few reviews do not swing it. Of the answers those count whose time is over, answered or not; in the median time
      those that still wait count as waiting at least so long (Kaplan–Meier).
    </p>
  </div>
</template>

<style scoped>
.heads {
  display: flex;
  gap: 10px 24px;
  flex-wrap: wrap;
  margin: 4px 0 12px;
}
.heads > div {
  max-width: 10.5em;
}
dt {
  color: var(--ink2);
  font-size: var(--text-label);
}
dd:nth-of-type(1) {
  font: 600 1.5rem/1.25 var(--serif);
}
dd {
  font-size: var(--text-small);
}
.two {
  display: grid;
  grid-template-columns: minmax(200px, 1fr) 3fr;
  gap: 24px;
  align-items: start;
}
.bars {
  list-style: none;
  padding: 0;
  margin: 4px 0;
}
.bars li {
  display: grid;
  grid-template-columns: 2.4em 1fr 6.5em;
  gap: 8px;
  align-items: center;
  line-height: 1.7;
}
.track {
  background: var(--band);
  height: 9px;
}
.track span {
  display: block;
  height: 9px;
  background: var(--series);
}
.small {
  font-size: var(--text-small);
  margin: 6px 0 12px;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
