<script setup lang="ts">
import { formatValue } from '~~/core/format/formatValue'
import { metricById } from '~~/core/metrics/catalogue'
import { describeDay } from '~~/core/periods/describePeriod'
import type { UnusualFinding } from '~~/server/work/unusual'

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
  const [large, small] = [props.days.filter((finding) => !finding.isSmall), props.days.filter((finding) => finding.isSmall)]
  const name = `${small.length} more on a small base`
  return [...(large.length ? [{ name: 'unusual', isFolded: false, days: large }] : []), ...(small.length ? [{ name, isFolded: !props.isPlain, days: small }] : [])]
})
const content = ({ profile, day }: UnusualFinding) => ({ path: `/${slug.value}/content`, query: { ...scopeOf(route.query), who: String(profile), period: `${day}..${day}` } })
</script>

<template>
  <div>
    <p v-if="!isJudged" class="quiet">{{ name }} is not judged by the day; choose a metric that is counted daily.</p>
    <p v-else-if="days.length === 0" class="quiet">No day was unusual: each was near what its weekday brings. That is an answer too.</p>
    <component :is="group.isFolded ? 'details' : 'div'" v-for="group in groups" :key="group.name">
      <summary v-if="group.isFolded">{{ group.name }}</summary>
      <ul>
        <li v-for="finding in group.days" :key="`${finding.profile} ${finding.day}`">
          <b>{{ describeDay(finding.day) }}</b>, {{ finding.name }}: {{ formatValue(finding.value, unit, locale) }} {{ name.toLowerCase() }}, where that weekday usually brings {{ formatValue(finding.usual, unit, locale) }}<template v-if="finding.isSmall"> (a small base)</template>.
          <NuxtLink v-if="finding.posts.length && !isPlain" :to="content(finding)">{{ finding.posts.length === 1 ? `One post: “${finding.posts[0]!.text}”` : `${finding.posts.length} posts that day` }}</NuxtLink><span v-else-if="finding.posts.length === 0" class="quiet">No post that day.</span>
          <span v-if="finding.explainedBy" class="explained">Explained by note {{ finding.explainedBy.number }}, “{{ finding.explainedBy.title }}”</span>
          <button v-else-if="session.mayWrite && !isPlain" type="button" class="bare reason" @click="shell.note = { from: finding.day, to: finding.day }">Write the reason</button>
          <span v-else class="quiet">Nobody has said why yet.</span>
        </li>
      </ul>
    </component>
    <p class="quiet small">A day is unusual when its distance from the usual of its weekday, over eight weeks, has a modified z-score above 3.5.</p>
  </div>
</template>

<style scoped>
ul { list-style: none; display: grid; gap: 6px; margin: 6px 0; }
.explained, .reason { margin-left: 0.4em; }
.explained { color: var(--better); }
summary { cursor: pointer; color: var(--ink2); }
.reason { color: var(--zaffer); text-decoration: underline; text-underline-offset: 2px; padding: 3px 0; }
.small { font-size: var(--text-small); }
</style>
