<script setup lang="ts">
/** One of what is looked for: the map of its points, what they come to, who stands there, and how it went on. */
import { oneDecimal } from '~~/core/format/numbers'
import { describeDay } from '~~/core/periods/describePeriod'
import type { RankView } from '~~/shared/read/ranks'
import { differenceWords, leadWords, middleWords, rankWords } from './rankWords'

const props = defineProps<{ view: RankView; isPlain?: boolean; shows?: 'now' | 'before' | 'difference' }>()
const locale = useLocale()
const chosen = ref<number>()
watch(
  () => props.view.watch.id,
  () => (chosen.value = undefined),
)
const now = computed(() => props.view.now)
const isGrid = computed(() => props.view.watch.points > 1)
const read = computed(() => chosen.value ?? (props.view.watch.points - 1) / 2)
const shown = computed(() => (props.view.before ? (props.shows ?? 'now') : 'now'))
</script>

<template>
  <div>
    <p v-if="!now" class="quiet">It was not checked in this period.</p>
    <div v-else class="beside">
      <RankMap
        v-if="isGrid"
        :view="view"
        :shows="shown"
        :chosen="read"
        :is-plain="isPlain"
        @choose="(index) => (chosen = index)"
      />
      <div class="figures">
        <dl>
          <template v-if="isGrid">
            <dt>In the first three</dt>
            <dd>
              <strong>{{ now.first }}</strong> of {{ now.points.length }} points
              <span v-if="view.before" class="quiet">{{
                differenceWords(now.first, view.before.first, view.usual.first)
              }}</span>
            </dd>
            <dt>Median rank</dt>
            <dd>
              <strong>{{ middleWords(now.middle, locale) }}</strong>
              <span v-if="view.before" class="quiet">before {{ middleWords(view.before.middle, locale) }}</span>
            </dd>
            <dt>Leads up to</dt>
            <dd>
              <strong>{{ leadWords(now.lead, locale) }}</strong>
              <span v-if="now.lead?.otherwise" class="quiet"
                >{{ now.lead.otherwise }} {{ now.lead.otherwise === 1 ? 'point is' : 'points are' }} otherwise</span
              >
              <span v-if="view.before" class="quiet">before {{ leadWords(view.before.lead, locale) }}</span>
            </dd>
          </template>
          <template v-else>
            <dt>At its door</dt>
            <dd>
              <strong>{{ rankWords(now.points[0]!.rank) }}</strong>
              <span v-if="view.before" class="quiet">before {{ rankWords(view.before.points[0]!.rank) }}</span>
            </dd>
          </template>
        </dl>
        <RankPointText v-if="!isPlain" :view="view" :index="read" />
      </div>
    </div>
    <p v-if="now" class="quiet small">
      Checked {{ describeDay(now.day)
      }}<template v-if="view.before">, against {{ describeDay(view.before.day) }}</template
      >. <template v-if="isGrid">Each point stands for {{ oneDecimal(view.area, locale) }} km². </template>A dash is not
      among the first 20: worse than all that is known, and never a number.
      <template v-if="isGrid && view.before && shown === 'difference'"
        >The number is how many places nearer to the top; a dot behind it: at least so many.
      </template>
    </p>
    <template v-if="now && isGrid && view.standings.length">
      <h3 class="heading">
        Who stands in the first three <span class="quiet">of {{ now.points.length }} points</span>
      </h3>
      <RankStandings :view="view" :is-plain="isPlain" />
    </template>
    <template v-if="view.lines.length > 1">
      <h3 class="heading">At its door, check by check</h3>
      <RankLines :view="view" />
    </template>
  </div>
</template>

<style scoped>
.beside {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 250px;
  gap: 20px;
  align-items: start;
}
.beside > :only-child {
  grid-column: 1 / -1;
}
@media (max-width: 900px) {
  .beside {
    grid-template-columns: minmax(0, 1fr);
  }
}
h3 {
  margin-top: 14px;
}
dt {
  color: var(--ink2);
  font-size: var(--text-small);
}
dd {
  margin-bottom: 8px;
}
dd strong {
  font: 600 1.6rem/1.2 var(--serif);
}
dd .quiet {
  display: block;
  font-size: var(--text-small);
}
.small {
  font-size: var(--text-small);
  margin: 6px 0 12px;
}
</style>
