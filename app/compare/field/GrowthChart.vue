<script setup lang="ts">
/** Who is small and growing: the growth of four weeks over the following, each with the interval of its pace. */
import type { Rounding } from '~~/core/format/formatter'
import { formatCompact, formatSignedShare, oneDecimal } from '~~/core/format/numbers'
import { describeDay } from '~~/core/periods/describePeriod'
import type { FieldMember } from '~~/shared/compare/field'
import { growthScale, namePlaces, type GrowingMember } from './growthPlaces'

const props = defineProps<{ members: readonly FieldMember[] }>()
const locale = useLocale()
const [WIDTH, HEIGHT] = [470, 210]
const known = computed(() =>
  props.members.filter((member): member is GrowingMember => Boolean(member.growth && member.followers)),
)
const scale = computed(() => growthScale(known.value, WIDTH, HEIGHT))
const labels = computed(() => namePlaces(known.value, scale.value, WIDTH))
const signed = (share: number, rounding?: Rounding) => formatSignedShare(share, locale, rounding)
const axisText = (mark: number) => `${mark > 0 ? '+' : ''}${oneDecimal(mark, locale)} %`
const besideWords = (out: FieldMember['standsOut']) =>
  out
    ? `${{ faster: 'faster', slower: 'slower', alike: 'not told apart' }[out.is]}; the ${out.others} others` +
      `${out.ofSize ? ' of its size' : ''} ${signed(out.middle)}`
    : 'three others are needed'
const COLUMNS = computed(() => [
  { key: 'name', label: 'Member', isWords: true, valueOf: ({ name }: FieldMember) => name },
  {
    key: 'size',
    label: 'Followers',
    isFigure: true,
    valueOf: ({ followers }: FieldMember) => followers ?? -1,
    textOf: ({ followers }: FieldMember) => followers?.toLocaleString(locale) ?? '—',
  },
  {
    key: 'growth',
    label: 'In four weeks',
    isFigure: true,
    valueOf: ({ growth }: FieldMember) => growth?.value ?? -9,
    textOf: ({ growth }: FieldMember) => (growth ? signed(growth.value) : '—'),
  },
  {
    key: 'range',
    label: 'Between, 80 %',
    isFigure: true,
    valueOf: ({ growth }: FieldMember) => growth?.low ?? -9,
    textOf: ({ growth }: FieldMember) =>
      growth ? `${signed(growth.low, 'down')} and ${signed(growth.high, 'up')}` : '—',
  },
  {
    key: 'beside',
    label: 'Beside others',
    isWords: true,
    valueOf: ({ standsOut }: FieldMember) => ['slower', 'alike', 'faster'].indexOf(standsOut?.is ?? ''),
    textOf: ({ standsOut }: FieldMember) => besideWords(standsOut),
  },
  {
    key: 'turn',
    label: 'Otherwise since',
    isWords: true,
    valueOf: ({ turn }: FieldMember) => turn?.from ?? '',
    textOf: ({ turn }: FieldMember) =>
      turn ? `${describeDay(turn.from)}: ${signed(turn.before)} became ${signed(turn.after)}` : '—',
  },
  {
    key: 'weeks',
    label: 'Weeks known',
    isFigure: true,
    valueOf: ({ growth }: FieldMember) => growth?.weeks ?? 0,
  },
])
const said = computed(() =>
  known.value
    .map(
      ({ name, followers, growth }) =>
        `${name}: ${followers.toLocaleString(locale)} followers, ${signed(growth.value)}`,
    )
    .join('; '),
)
</script>

<template>
  <div>
    <p v-if="known.length === 0" class="quiet">
      Growth needs eight weeks of followers. Nobody in this field has them yet.
    </p>
    <template v-else>
      <svg
        class="plotted"
        :viewBox="`-58 -12 ${WIDTH + 76} ${HEIGHT + 44}`"
        role="img"
        :aria-label="`Growth of four weeks over followers. ${said}`"
      >
        <g v-for="mark in scale.marks" :key="mark">
          <line
            class="rule"
            :class="{ zero: mark === 0 }"
            :x1="0"
            :x2="WIDTH"
            :y1="scale.y(mark / 100)"
            :y2="scale.y(mark / 100)"
          />
          <text class="mark" x="-8" :y="scale.y(mark / 100) + 4" text-anchor="end">{{ axisText(mark) }}</text>
        </g>
        <g v-for="size in scale.sizes" :key="size">
          <line class="rule" :x1="scale.x(size)" :x2="scale.x(size)" y1="0" :y2="HEIGHT" />
          <text class="mark" :x="scale.x(size)" :y="HEIGHT + 18" text-anchor="middle">
            {{ formatCompact(size, locale) }}
          </text>
        </g>
        <g v-for="{ member, isLeft, y: at } in labels" :key="member.id" :class="{ client: member.isOwn }">
          <line
            class="range"
            :x1="scale.x(member.followers)"
            :x2="scale.x(member.followers)"
            :y1="scale.y(member.growth.low)"
            :y2="scale.y(member.growth.high)"
          />
          <circle :cx="scale.x(member.followers)" :cy="scale.y(member.growth.value)" r="6" />
          <text
            class="name"
            :x="scale.x(member.followers) + (isLeft ? -10 : 10)"
            :y="at"
            :text-anchor="isLeft ? 'end' : 'start'"
          >
            {{ member.name }}
          </text>
        </g>
      </svg>
      <TableBehind
        name="growth"
        :columns="COLUMNS"
        :rows="members"
        :key-of="({ id }) => id"
        show="Growth as a table"
        hide="Hide the growth"
      >
        At the pace of the last {{ Math.max(...known.map(({ growth }) => growth.weeks)) }} weeks; the bar is the 80 %
        interval of that pace. Followers of several networks are added, so whoever follows on two is counted twice.
      </TableBehind>
    </template>
  </div>
</template>

<style scoped>
svg {
  max-height: 290px;
}
.rule.zero {
  stroke: var(--ink3);
}
.name {
  font-size: 13px;
  font-weight: 600;
  fill: var(--ink);
}
.range {
  stroke: var(--range);
  stroke-width: 7;
}
circle {
  fill: var(--series-3);
}
.client circle {
  fill: var(--series);
}
.client .name {
  fill: var(--zaffer);
}
</style>
