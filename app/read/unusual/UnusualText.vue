<script setup lang="ts">
import { formatValue } from '~~/core/format/formatValue'
import { metricById } from '~~/core/metrics/catalogue'
import { describePeriodShort } from '~~/core/periods/describePeriod'
import { causeOf } from '~~/shared/read/unusual'
import { profilesWords } from './unusualWords'
import type { UnusualFinding } from '~~/shared/read/unusual'

const props = defineProps<{ metric: string; days: UnusualFinding[]; isPlain?: boolean }>()
const route = useRoute()
const session = useSession()
const shell = useShell()
const { slug } = useClient()
const locale = useLocale()
const name = computed(() => metricById(props.metric).name)
const unit = computed(() => metricById(props.metric).unit)
const isJudged = computed(() => ['flow', 'unique'].includes(metricById(props.metric).kind))
/** What rests on a small base is there, but folded away. */
const groups = computed(() => {
  const causes = props.days.map(causeOf)
  const [large, small] = [causes.filter((finding) => !finding.isSmall), causes.filter((finding) => finding.isSmall)]
  const name = `${small.length} more on a small base`
  return [
    ...(large.length ? [{ name: 'unusual', isFolded: false, days: large }] : []),
    ...(small.length ? [{ name, isFolded: !props.isPlain, days: small }] : []),
  ]
})
const content = ({ profiles, from, to }: UnusualFinding) => ({
  path: `/${slug.value}/content`,
  query: { ...scopeOf(route.query), who: profiles.map(({ profile }) => profile).join(','), period: `${from}..${to}` },
})
const usually = ({ from, to, profiles }: UnusualFinding) =>
  from === to && profiles.length === 1 ? 'where such a day usually brings' : 'where such days usually bring'
</script>

<template>
  <div>
    <p v-if="!isJudged" class="quiet">{{ name }} is not judged by the day; choose a metric that is counted daily.</p>
    <p v-else-if="days.length === 0" class="quiet">
      No day was unusual: each was near what its weekday brings. That is an answer too.
    </p>
    <component :is="group.isFolded ? 'details' : 'div'" v-for="group in groups" :key="group.name">
      <summary v-if="group.isFolded">{{ group.name }}</summary>
      <ul>
        <li v-for="finding in group.days" :key="`${finding.from} ${finding.direction} ${finding.profiles[0]!.profile}`">
          <b>{{ describePeriodShort(finding) }}</b
          >, {{ profilesWords(finding) }}: {{ formatValue(finding.value, unit, locale) }} {{ name.toLowerCase() }},
          {{ usually(finding) }}
          {{ formatValue(finding.usual, unit, locale) }}<template v-if="finding.isSmall"> (a small base)</template>.
          <NuxtLink v-if="finding.posts.length && !isPlain" :to="content(finding)">{{
            finding.posts.length === 1 ? `One post: “${finding.posts[0]!.text}”` : `${finding.posts.length} posts then`
          }}</NuxtLink
          ><span v-else-if="finding.posts.length === 0" class="quiet">No post then.</span>
          <span v-if="finding.explainedBy" class="explained"
            >Explained by note {{ finding.explainedBy.number }}, “{{ finding.explainedBy.title }}”</span
          >
          <button
            v-else-if="session.mayWrite && !isPlain"
            type="button"
            class="bare as-link"
            aria-haspopup="dialog"
            @click="shell.note = { from: finding.from, to: finding.to }"
          >
            Write the reason
          </button>
          <span v-else class="quiet">Nobody has said why yet.</span>
          <details v-if="finding.profiles.length > 1" :open="isPlain">
            <summary>By profile</summary>
            {{
              finding.profiles
                .map(
                  (each) =>
                    `${each.name} ${formatValue(each.value, unit, locale)}, usually ${formatValue(each.usual, unit, locale)}`,
                )
                .join('; ')
            }}.
          </details>
        </li>
      </ul>
    </component>
    <p class="quiet small">
      A day is unusual when its distance from the usual of its weekday over eight weeks, on a scale on which a fall to a
      third and a rise to three times are alike, has a modified z-score above 3.5; where a profile posts seldom, days
      with a post are compared with days with a post. Days that follow each other can be unusual together. Days that
      lean the same way beside it, and on other profiles, are one cause.
    </p>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  display: grid;
  gap: 6px;
  margin: 6px 0;
}
.explained,
.reason {
  margin-left: 0.4em;
}
.explained {
  color: var(--better);
}
summary {
  cursor: pointer;
  color: var(--ink2);
}
details {
  color: var(--ink2);
}
.small {
  font-size: var(--text-small);
}
</style>
