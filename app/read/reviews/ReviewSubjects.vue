<script setup lang="ts">
/** What reviews are about and how they sound there, and what of them can be quoted. */
import { formatCount } from '~~/core/format/numbers'
import { describeDay } from '~~/core/periods/describePeriod'
import type { ReviewsView } from '~~/shared/read/reviews'

const props = defineProps<{ view: ReviewsView; isPlain?: boolean }>()
const locale = useLocale()
type Row = ReviewsView['subjects'][number]
const count = (value: number) => formatCount(value, locale)
const figure = (key: 'reviews' | 'good' | 'mixed' | 'bad', label: string) => ({
  key,
  label,
  isFigure: true,
  valueOf: (row: Row) => row[key],
  textOf: (row: Row) => count(row[key]),
})
const COLUMNS = [
  { key: 'name', label: 'About', isWords: true, valueOf: ({ name }: Row) => name },
  figure('reviews', 'Reviews'),
  figure('good', 'Sound good'),
  figure('mixed', 'Mixed'),
  figure('bad', 'Bad'),
  {
    key: 'stars',
    label: 'Mean of their stars',
    isFigure: true,
    valueOf: ({ stars }: Row) => stars ?? -1,
    textOf: ({ stars }: Row) =>
      stars === undefined
        ? '—'
        : new Intl.NumberFormat(locale, { minimumFractionDigits: 2, maximumFractionDigits: 2 }).format(stars),
  },
]
const rows = computed(() =>
  props.view.subjects.filter(({ reviews }) => reviews > 0).sort((a, b) => b.reviews - a.reviews),
)
const unread = computed(() => {
  const { silent, unknown } = props.view.unread
  return [
    silent > 0 ? `${count(silent)} gave stars without words` : '',
    unknown > 0 ? `${count(unknown)} in a language whose words are not known` : '',
  ]
    .filter(Boolean)
    .join('; ')
})
const KINDS = { good: 'Praise', bad: 'Complaints' } as const
</script>

<template>
  <div class="two">
    <div>
      <OrderedTable
        v-if="rows.length"
        name="subjects"
        :columns="COLUMNS"
        :rows="rows"
        :key-of="({ id }) => id"
        :is-plain="isPlain"
      />
      <p v-else class="quiet">No review of these days has words that say what it is about.</p>
      <p class="quiet small">
        By their words, in English, German and French; a review can be about several things. Irony is taken at its word
        until somebody says otherwise, and that counts.<template v-if="unread">{{ ' ' }}{{ unread }}.</template>
      </p>
    </div>
    <div>
      <template v-for="(name, kind) in KINDS" :key="kind">
        <h3>{{ name }}</h3>
        <p v-if="!view.quotes.some((quote) => quote.kind === kind)" class="quiet">Nothing that can be quoted.</p>
        <blockquote v-for="quote in view.quotes.filter((each) => each.kind === kind)" :key="quote.sentence">
          “{{ quote.sentence }}”
          <cite class="quiet">{{ quote.author || 'somebody' }}, {{ quote.listing }}, {{ describeDay(quote.day) }}</cite>
        </blockquote>
      </template>
    </div>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 3fr 2fr;
  gap: 24px;
}
h3 {
  font: 600 0.929rem var(--sans);
  color: var(--ink2);
  margin: 0 0 4px;
}
blockquote {
  margin: 0 0 8px;
  font-family: var(--serif);
}
cite {
  display: block;
  font: normal var(--text-small) var(--sans);
}
.small {
  font-size: var(--text-small);
}
@media (max-width: 1100px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
