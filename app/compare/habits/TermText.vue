<script setup lang="ts">
/** One hashtag or word by itself, over a year. */
import { formatCount } from '~~/core/format/numbers'
import { describeDay } from '~~/core/periods/describePeriod'
import type { TermLookedAt } from '~~/core/habits/postingHabits'
import type { HabitsView } from '~~/shared/compare/habits'
import { memberName, timesWords } from './habitsWords'

const props = defineProps<{ habits: HabitsView; looked: TermLookedAt; sign: string }>()
const locale = useLocale()
const [WIDTH, HEIGHT] = [520, 44]
const most = computed(() => Math.max(1, ...props.looked.weeks.map(({ posts }) => posts)))
const bars = computed(() =>
  props.looked.weeks.map(({ from, posts }, index) => ({
    from,
    posts,
    x: index * (WIDTH / props.looked.weeks.length),
    height: (posts / most.value) * (HEIGHT - 2),
  })),
)
const fullest = computed(() => props.looked.weeks.reduce((best, week) => (week.posts > best.posts ? week : best)))
</script>

<template>
  <div>
    <p v-if="looked.posts === 0">
      Nobody in this field has used {{ sign }}{{ looked.term }} in the 52 weeks to {{ describeDay(habits.year.to) }}.
    </p>
    <template v-else>
      <svg
        :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
        :width="WIDTH"
        :height="HEIGHT"
        role="img"
        :aria-label="`Posts with ${sign}${looked.term} by week: most in the week of ${describeDay(fullest.from)}, ${fullest.posts}`"
      >
        <line x1="0" :x2="WIDTH" :y1="HEIGHT - 0.5" :y2="HEIGHT - 0.5" class="ground" />
        <rect
          v-for="bar in bars"
          :key="bar.from"
          :x="bar.x"
          :y="HEIGHT - 1 - bar.height"
          :width="WIDTH / looked.weeks.length - 2"
          :height="bar.height"
        >
          <title>Week of {{ describeDay(bar.from) }}: {{ bar.posts }}</title>
        </rect>
      </svg>
      <p class="quiet small">
        {{ formatCount(looked.posts, locale) }} posts by week, {{ describeDay(habits.year.from) }} to
        {{ describeDay(habits.year.to) }}; most in the week of {{ describeDay(fullest.from) }}: {{ fullest.posts }}.
      </p>
      <ul>
        <li v-for="own in looked.members" :key="own.member">
          <strong>{{ memberName(habits.members, own.member) }}</strong
          >: {{ formatCount(own.posts, locale) }} {{ own.posts === 1 ? 'post' : 'posts' }}, the first on
          {{ describeDay(own.first) }}<template v-if="own.times">, {{ timesWords(own.times, locale) }} usual</template>
        </li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
rect {
  fill: var(--zaffer);
}
.ground {
  stroke: var(--rule2);
}
.small {
  font-size: var(--text-small);
}
ul {
  margin: 6px 0;
  padding-left: 18px;
}
</style>
