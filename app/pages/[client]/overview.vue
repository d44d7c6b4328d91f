<script setup lang="ts">
import { CATALOGUE, isMetric, metricById } from '~~/core/metrics/catalogue'
import { GROUPS } from '~~/core/metrics/metric'
import type { Overview } from '~~/server/work/overview'

definePageMeta({ margin: true, scope: true, figures: true })
const route = useRoute()
const router = useRouter()
const session = useSession()
const shell = useShell()
const { slug, base } = useClient()
const { address } = useScope()
const { select, isSelected } = useSelectedFigure()
const metric = computed(() => (isMetric(String(route.query.metric)) ? String(route.query.metric) : 'impressions'))
const asked = computed(() => ({ ...address.value, metric: metric.value }))
const { data, error, isLoading, refetch } = useQuery({
  key: () => ['overview', slug.value, asked.value],
  query: () => api<Overview>(`${base.value}/overview`, { query: asked.value }),
  placeholderData: (previous) => previous,
})
const lines = GROUPS.map((group) => ({ group, items: CATALOGUE.filter((candidate) => candidate.group === group).map(({ id, name }) => ({ id, name })) }))
const clientName = computed(() => session.session?.clients.find((client) => client.slug === slug.value)?.name)
const choose = (id: string) => router.push({ query: { ...route.query, metric: id === 'impressions' ? undefined : id } })

// a first fetch that is still running fills the figures while the page is open
const isFetching = computed(() => data.value?.profiles.some(({ firstFetch }) => firstFetch) ?? false)
useIntervalFn(() => isFetching.value && void refetch(), 3000)
useHead({ title: () => `${clientName.value ?? ''}: overview · Zaffer` })
</script>

<template>
  <div>
    <h1 class="hidden-but-read">{{ clientName }}: what happened?</h1>
    <ScopeSentence />
    <p v-if="error" role="alert" class="trouble">{{ error.message }} <Button label="Try again" text @click="refetch()" /></p>
    <p v-else-if="isLoading && !data" class="quiet trouble">Adding up …</p>
    <div v-if="data && data.profiles.length === 0" class="trouble"><p>{{ clientName }} has no profiles yet. Its figures will stand here once one is added.</p></div>
    <template v-else-if="data">
      <p v-if="isFetching" role="status" class="fetching">A first fetch is still running; the figures below will grow until it is done.</p>
      <section class="strip" aria-label="Headline figures">
        <FigureButton v-for="compared in data.figures" :key="compared.figure.metric" :compared="compared" :points="data.sparklines[compared.figure.metric]" :is-selected="isSelected(compared.figure.metric)" @select="select(compared.figure.metric)" />
      </section>
      <section aria-labelledby="line-heading">
        <div class="head">
          <h2 id="line-heading" class="heading">{{ metricById(data.line.metric).name }} a day</h2>
          <Select :model-value="metric" :options="lines" option-group-label="group" option-group-children="items" option-label="name" option-value="id" aria-label="Metric of the line" class="no-print" @update:model-value="choose" />
        </div>
        <div class="place"><LazyMetricChart :key="data.line.metric" :line="data.line" :notes="data.notes" @note="(day) => session.mayWrite && (shell.note = { from: day })" /></div>
      </section>
      <section aria-labelledby="table-heading">
        <div class="head"><h2 id="table-heading" class="heading">By profile</h2><span class="quiet">public and private figures; ranges where people cannot be counted once</span></div>
        <ProfileTable :rows="data.profiles" :metrics="['followers', 'reach', 'interactions', 'engagement_by_reach', 'posts']" :is-selected="isSelected" @select="select" />
      </section>
      <LazyWhyChanged :metric="metric" />
      <LazyUnusualDays :metric="metric" />
    </template>
  </div>
</template>

<style scoped>
.strip { display: grid; grid-template-columns: repeat(5, minmax(0, 1fr)); border-bottom: 1px solid var(--rule2); }
.head { display: flex; gap: 14px; align-items: center; margin: 14px 0 2px; }
.head .p-select { margin-left: auto; }
.place { min-height: 264px; }
.trouble { padding: 24px 0; }
.fetching { padding: 6px 0; color: var(--ink2); font-style: italic; }
</style>
