<script setup lang="ts">
import { formatCount } from '~~/core/format/numbers'
import { metricById } from '~~/core/metrics/catalogue'
import { describeDay } from '~~/core/periods/describePeriod'
import type { UnusualFinding } from '~~/server/work/unusual'

const props = defineProps<{ metric: string }>()
const route = useRoute()
const session = useSession()
const shell = useShell()
const { slug, base } = useClient()
const { address } = useScope()
const locale = useLocale()
const asked = computed(() => ({ ...address.value, metric: props.metric }))
const { data, error } = useQuery({ key: () => ['unusual', slug.value, asked.value], query: () => api<UnusualFinding[]>(`${base.value}/unusual`, { query: asked.value }) })
const name = computed(() => metricById(props.metric).name)
const isJudged = computed(() => ['flow', 'unique'].includes(metricById(props.metric).kind))
const content = ({ profile, day }: UnusualFinding) => ({ path: `/${slug.value}/content`, query: { ...scopeOf(route.query), who: String(profile), period: `${day}..${day}` } })
</script>

<template>
  <section aria-labelledby="unusual-heading" class="unusual">
    <h2 id="unusual-heading" class="heading">Unusual days</h2>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-if="!isJudged" class="quiet">{{ name }} is not judged by the day; choose a metric that is counted daily.</p>
    <p v-else-if="data?.length === 0" class="quiet">No day was unusual: each was near what its weekday brings. That is an answer too.</p>
    <ul v-if="data?.length">
      <li v-for="finding in data" :key="`${finding.profile} ${finding.day}`">
        <b>{{ describeDay(finding.day) }}</b>, {{ finding.name }}: {{ formatCount(finding.value, locale) }} {{ name.toLowerCase() }}, where that weekday usually brings {{ formatCount(finding.usual, locale) }}.
        <NuxtLink v-if="finding.posts.length" :to="content(finding)">{{ finding.posts.length === 1 ? `One post: “${finding.posts[0]!.text}”` : `${finding.posts.length} posts that day` }}</NuxtLink><span v-else class="quiet">No post that day.</span>
        <span v-if="finding.explainedBy" class="explained">Explained by note {{ finding.explainedBy.number }}, “{{ finding.explainedBy.title }}”</span>
        <button v-else-if="session.mayWrite" type="button" class="bare reason" @click="shell.note = { from: finding.day, to: finding.day }">Write the reason</button>
        <span v-else class="quiet">Nobody has said why yet.</span>
      </li>
    </ul>
    <p class="quiet small">A day is unusual when its distance from the usual of its weekday, over eight weeks, has a modified z-score above 3.5.</p>
  </section>
</template>

<style scoped>
.unusual { margin-top: 22px; }
ul { list-style: none; display: grid; gap: 6px; margin: 6px 0; }
.explained { color: var(--better); }
.reason { color: var(--zaffer); text-decoration: underline; text-underline-offset: 2px; padding: 3px 0; }
.small { font-size: var(--text-small); }
</style>
