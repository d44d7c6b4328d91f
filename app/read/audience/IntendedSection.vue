<script setup lang="ts">
/** Whom the client wants, and how much of each base that is. */
import { AUDIENCE_BASES } from '~~/core/breakdowns/audienceBreakdowns'
import type { Overlap } from '~~/core/audience/intendedAudience'
import type { Rounding } from '~~/core/format/formatter'
import { formatShare } from '~~/core/format/numbers'
import type { AudienceView, FacetView } from '~~/shared/read/audience'
import { wantedWords } from './wantedWords'

const props = defineProps<{ intended?: AudienceView['intended']; facets: FacetView[] }>()
const session = useSession()
const refresh = useRefresh()
const locale = useLocale()
const isOpen = ref(false)
const rows = computed(() =>
  AUDIENCE_BASES.flatMap(({ id, name, words }) => {
    const overlap = props.intended?.overlaps[id]
    return overlap ? [{ id, name, words, overlap }] : []
  }),
)
const say = (share: number, rounding?: Rounding) => formatShare(share, locale, rounding)
const isExact = ({ low, high }: Overlap) => high - low < 1e-9
/** The wanted part that is rarest among those who follow, beside those who respond. */
const missing = computed(() => {
  const wanted = props.intended?.wanted
  if (!wanted) return undefined
  const isWanted: Record<string, (part: string) => boolean> = {
    age_gender: (part) => {
      const [gender, age] = part.split('|')
      return (
        (wanted.ages.length > 0 || wanted.genders.length > 0) &&
        (wanted.genders.length === 0 || wanted.genders.includes(gender!)) &&
        (wanted.ages.length === 0 || wanted.ages.includes(age ?? ''))
      )
    },
    country: (part) => wanted.countries.includes(part),
    language: (part) => wanted.languages.includes(part),
  }
  return props.facets
    .flatMap(({ facet, parts, totals }) =>
      parts.flatMap(({ part, name, counts, index }) =>
        isWanted[facet]?.(part) && index && counts.followers !== undefined
          ? [{ name, index: index.value, isSure: index.low > 100, share: counts.followers / totals.followers!.known }]
          : [],
      ),
    )
    .filter(({ isSure }) => isSure)
    .sort((a, b) => b.index - a.index)[0]
})
/** Of which part of those who follow each trait is known, where that is not all of them. */
const known = computed(() => {
  const traits = rows.value[0]?.overlap.traits ?? []
  return traits.some((trait) => trait.known !== undefined && trait.known < 0.9995)
    ? traits.map((trait) => `${trait.trait} of ${say(trait.known ?? 1, 'down')}`).join(', ') + ` are known`
    : ''
})
function saved() {
  isOpen.value = false
  void refresh('audience')
}
</script>

<template>
  <section aria-labelledby="wanted-heading">
    <div class="row head">
      <h2 id="wanted-heading" class="heading">Whom the client wants</h2>
      <Button
        v-if="session.mayWrite"
        class="no-print"
        :label="intended ? 'Change it' : 'Write it down'"
        size="small"
        outlined
        aria-haspopup="dialog"
        @click="isOpen = true"
      />
    </div>
    <p v-if="!intended" class="quiet">
      Nothing is written down. Once it is, everybody who follows, was reached or responded is set beside it.
    </p>
    <template v-else>
      <p>{{ wantedWords(intended.wanted) }}</p>
      <ul>
        <li v-for="row in rows" :key="row.id">
          <span class="name">{{ row.name }}</span>
          <span class="bar" aria-hidden="true"
            ><i
              class="range"
              :style="{
                left: `${100 * row.overlap.low}%`,
                width: `${100 * (row.overlap.high - row.overlap.low)}%`,
              }" /><i class="estimate" :style="{ left: `${100 * row.overlap.estimate}%` }"
          /></span>
          <span>
            <template v-if="isExact(row.overlap)"
              >{{ say(row.overlap.estimate) }} {{ row.words }} are wanted people</template
            >
            <template v-else
              >≈ {{ say(row.overlap.estimate) }} {{ row.words }}, between {{ say(row.overlap.low, 'down') }} and
              {{ say(row.overlap.high, 'up') }}</template
            >
          </span>
        </li>
      </ul>
      <p v-if="rows.length === 0" class="quiet">No network tells enough of this audience to set it beside that.</p>
      <p v-if="missing">
        Most missing among those who follow: <b>{{ missing.name }}</b
        >. They are {{ say(missing.share) }} of them, and respond {{ Math.round(missing.index) }} : 100 as often as
        that.
      </p>
      <p v-if="rows.some(({ overlap }) => !isExact(overlap))" class="quiet small">
        Networks tell ages with genders, and each other trait by itself; how they go together is not known, and of some
        people a trait is withheld or not told at all<template v-if="known"> ({{ known }})</template>. The band holds
        everything that is possible, ≈ is what it would be if the traits went together by chance and the others were
        like those of whom they are known.
      </p>
    </template>
    <IntendedDialog v-if="isOpen" :wanted="intended?.wanted" :facets="facets" @close="isOpen = false" @saved="saved" />
  </section>
</template>

<style scoped>
.head {
  justify-content: space-between;
}
ul {
  list-style: none;
  display: grid;
  gap: 5px;
  margin: 6px 0;
}
li {
  display: grid;
  grid-template-columns: 6rem minmax(120px, 22rem) 1fr;
  gap: 12px;
  align-items: center;
}
.name {
  font-weight: 600;
  text-align: right;
}
.bar {
  position: relative;
  height: 18px;
  border: 1px solid var(--rule2);
}
.bar i {
  position: absolute;
  top: 0;
  height: 16px;
}
.range {
  background: var(--range);
  min-width: 3px;
}
.estimate {
  border-left: 3px solid var(--zaffer);
}
.small {
  font-size: var(--text-small);
}
</style>
