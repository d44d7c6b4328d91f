<script setup lang="ts">
/** Formats beside each other: every post a dot, the middle half of them a box, and their numbers. */
import type { FormatSpread } from '~~/core/posts/spreadByFormat'
import { RANKINGS } from '~~/shared/read/endsBlock'
import type { Formats } from '~~/shared/read/formatsBlock'
import { placesOnStrip } from './stripPlaces'
import { sayPostFigure } from './sayPostFigure'

const props = defineProps<{
  spread: Formats
  /** Whether its headings order it; in an edition everything stands as it was issued. */ isPlain?: boolean
}>()
const locale = useLocale()
const say = (value: number) => sayPostFigure(props.spread.by, value, locale)
const most = computed(() => Math.max(0, ...props.spread.formats.map(({ dots }) => dots.at(-1) ?? 0)))
const places = (values: readonly number[]) => placesOnStrip(values, most.value)
const boxOf = ({ box }: FormatSpread) => {
  if (!box) return undefined
  const [left, middle, right] = places([box.lower, box.middle, box.upper])
  return { box: { left: `${left}%`, width: `${right! - left!}%` }, middle: { left: `${middle}%` } }
}
const few = ({ posts }: FormatSpread) =>
  `${posts === 0 ? 'no post' : posts === 1 ? 'one post' : `only ${posts} posts`}: too few to compare`
const middleHalf = ({ box }: FormatSpread) => `${say(box!.lower)} to ${say(box!.upper)}`
const COLUMNS = [
  { key: 'format', label: 'Format', isWords: true, valueOf: ({ format }: FormatSpread) => format },
  {
    key: 'spread',
    label: 'Every post, and the middle half',
    isWords: true,
    isFigure: true,
    valueOf: ({ box }: FormatSpread) => box?.most ?? -1,
  },
  {
    key: 'median',
    label: 'Median',
    isFigure: true,
    valueOf: ({ box }: FormatSpread) => box?.middle ?? -1,
    textOf: ({ box }: FormatSpread) => (box ? say(box.middle) : '—'),
  },
  {
    key: 'half',
    label: 'Middle half',
    isFigure: true,
    valueOf: ({ box }: FormatSpread) => (box ? box.upper - box.lower : -1),
    textOf: (row: FormatSpread) => (row.box ? middleHalf(row) : '—'),
  },
  { key: 'posts', label: 'Posts', isFigure: true, valueOf: ({ posts }: FormatSpread) => posts },
]
const without = computed(() => props.spread.formats.reduce((sum, { unknown }) => sum + unknown, 0))
</script>

<template>
  <div>
    <OrderedTable
      name="formats-order"
      :columns="COLUMNS"
      :rows="spread.formats"
      :key-of="({ format }) => format"
      :is-plain="isPlain"
    >
      <template #spread="{ row }">
        <div class="strip" aria-hidden="true">
          <i v-for="(place, index) in places(row.dots)" :key="index" :style="{ left: `${place}%` }" />
          <template v-if="boxOf(row)"
            ><span class="box" :style="boxOf(row)!.box" /><span class="middle" :style="boxOf(row)!.middle"
          /></template>
        </div>
        <span v-if="!row.box" class="quiet">{{ few(row) }}</span>
        <span v-else class="hidden-but-read"
          >from {{ say(row.box.least) }} to {{ say(row.box.most) }}, the middle half {{ middleHalf(row) }}</span
        >
      </template>
    </OrderedTable>
    <p class="quiet small">
      By {{ RANKINGS[spread.by].name }}. Half of a format’s posts lie in its box, the line in it is the median; a dot is
      a post. Twice as far is four times as much.{{
        without ? ` ${without} ${without === 1 ? 'post is' : 'posts are'} left out, since the figure is not known.` : ''
      }}
    </p>
  </div>
</template>

<style scoped>
.strip {
  position: relative;
  height: 24px;
  min-width: 220px;
  margin: 0 6px;
}
i {
  position: absolute;
  top: 9px;
  width: 6px;
  height: 6px;
  margin-left: -3px;
  border: 1px solid var(--ink3);
  border-radius: 50%;
  opacity: 0.5;
}
.box {
  position: absolute;
  top: 3px;
  height: 18px;
  border: 1.5px solid var(--zaffer);
  background: color-mix(in srgb, var(--zaffer) 10%, transparent);
}
.middle {
  position: absolute;
  top: 1px;
  width: 2.5px;
  height: 22px;
  margin-left: -1px;
  background: var(--zaffer);
}
.small {
  font-size: var(--text-small);
  margin-top: 6px;
}
</style>
