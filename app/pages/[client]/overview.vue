<script setup lang="ts">
import { CATALOGUE, isMetric, metricById } from '~~/core/metrics/catalogue'
import { FIGURE_SETS, figureSetById } from '~~/core/metrics/figureSets'
import { describePeriodShort } from '~~/core/periods/describePeriod'
import { GROUPS } from '~~/core/metrics/metric'
import { MOST_HEADLINES, MOST_TABLE_COLUMNS } from '~~/shared/read/overview'
import type { Overview } from '~~/shared/read/overview'
import { SelectOnUse } from '~/platform/selectOnUse'

definePageMeta({ margin: true, scope: true, figures: true })
const { query, push: set } = usePageAddress()
const route = useRoute()
const session = useSession()
const shell = useShell()
const { slug, base } = useClient()
const { address } = useScope()
const { select, isSelected } = useSelectedFigure()
const metric = computed(() => (isMetric(String(query.value.metric)) ? String(query.value.metric) : 'impressions'))
const second = computed(() => (isMetric(String(query.value.second)) ? String(query.value.second) : undefined))
const figures = computed(() => figureSetById(String(query.value.figures ?? '')).id)
const BY = [
  { value: 'profile', name: 'By profile' },
  { value: 'network', name: 'By network' },
  { value: 'set', name: 'By set' },
]
const by = computed(() => (BY.some(({ value }) => value === query.value.by) ? String(query.value.by) : 'profile'))
const columns = computed(() =>
  String(query.value.columns ?? '')
    .split(',')
    .filter(isMetric)
    .slice(0, MOST_TABLE_COLUMNS),
)
const headlines = computed(() =>
  String(query.value.headlines ?? '')
    .split(',')
    .filter(isMetric)
    .slice(0, MOST_HEADLINES),
)
const metrics = CATALOGUE.map(({ id, name }) => ({ id, name }))
const isIndex = computed(() => query.value.scale === 'index')
const asked = computed(() => ({
  ...address.value,
  metric: metric.value,
  ...(second.value && { second: second.value }),
  ...(figures.value !== FIGURE_SETS[0]!.id && { figures: figures.value }),
  ...(by.value !== 'profile' && { by: by.value }),
  ...(headlines.value.length > 0 && { headlines: headlines.value.join(',') }),
  ...(columns.value.length > 0 && { columns: columns.value.join(',') }),
}))
const { data, error, isLoading, refetch } = useQuery({
  key: () => ['overview', slug.value, asked.value],
  query: () => api<Overview>(`${base.value}/overview`, { query: asked.value }),
  placeholderData: (previous) => previous,
})
/** Everything that the page shows, as the address has it. */
const workbook = computed(() => {
  const breakdown: Record<string, string> =
    typeof query.value.breakdown === 'string' ? { breakdown: query.value.breakdown } : {}
  return `${base.value}/downloads/overview?${new URLSearchParams({ ...asked.value, ...breakdown, format: 'xlsx' })}`
})
const lines = GROUPS.map((group) => ({
  group,
  items: CATALOGUE.filter((candidate) => candidate.group === group).map(({ id, name }) => ({ id, name })),
}))
const seconds = [{ group: 'Only one line', items: [{ id: 'none', name: 'no second line' }] }, ...lines]
const clientName = computed(() => session.session?.clients.find((client) => client.slug === slug.value)?.name)
const heading = computed(() => {
  if (!data.value) return ''
  const { line, second: other } = data.value
  return `${metricById(line.metric).name}${other ? ` and ${metricById(other.metric).name.toLowerCase()}` : ''} a day`
})
const headings: Record<string, string> = { profile: 'Profile', network: 'Network', set: 'Set' }

// what stands further down comes once the line is drawn, or does not come; at once where the address leads there
const LONGEST_WAIT = 3000
const isDrawn = ref(false)
const { start: waitNoLonger } = useTimeoutFn(() => (isDrawn.value = true), LONGEST_WAIT, { immediate: false })
watch(
  data,
  async () => {
    await nextTick()
    await nextFrames()
    if (route.hash) isDrawn.value = true
    else waitNoLonger()
  },
  { once: true, immediate: data.value !== undefined },
)

// a first fetch that is still running fills the figures while the page is open
const isFetching = computed(() => data.value?.profiles.some(({ firstFetch }) => firstFetch) ?? false)
useIntervalFn(() => isFetching.value && void refetch(), 3000)
useHead({ title: () => `${clientName.value ?? ''}: overview · Zaffer` })
</script>

<template>
  <div>
    <h1 class="hidden-but-read">{{ clientName }}: what happened?</h1>
    <ScopeSentence />
    <p v-if="error" role="alert" class="trouble">
      {{ error.message }} <Button label="Try again" text @click="refetch()" />
    </p>
    <p v-else-if="isLoading && !data" class="quiet trouble">Adding up …</p>
    <div v-if="data && by === 'profile' && data.profiles.length === 0" class="trouble">
      <p>
        {{ clientName }} has no profiles yet. Its figures will stand here once one is added.
        <NuxtLink :to="`/${slug}/profiles`">Add a profile</NuxtLink>
      </p>
    </div>
    <template v-else-if="data">
      <p v-if="isFetching" role="status" class="fetching">
        A first fetch is still running; the figures below will grow until it is done.
      </p>
      <section class="strip" :style="{ '--columns': Math.min(5, data.figures.length) }" aria-label="Headline figures">
        <FigureButton
          v-for="compared in data.figures"
          :key="compared.figure.metric"
          :compared="compared"
          :points="data.sparklines[compared.figure.metric]"
          :is-selected="isSelected(compared.figure.metric)"
          @select="select(compared.figure.metric)"
        />
      </section>
      <ChangeFootnotes class="only-print" :figures="data.figures.map((compared) => ({ compared }))" />
      <div class="under no-print">
        <FigureChooser
          :figures="figures"
          :shown="headlines.length > 0 ? headlines : [...figureSetById(figures).headlines]"
          :is-own="headlines.length > 0"
          @choose="set"
        />
        <span class="downloads"
          ><a :href="workbook" download>All of this page as a workbook</a>{{ ' ' }}
          <DownloadMenu kind="figures" :metrics="data.figures.map(({ figure }) => figure.metric)" what="The figures"
        /></span>
      </div>
      <section aria-labelledby="line-heading">
        <div class="head">
          <h2 id="line-heading" class="heading">{{ heading }}</h2>
          <span class="row choices no-print">
            <SelectOnUse
              :model-value="metric"
              :options="lines"
              option-group-label="group"
              option-group-children="items"
              option-label="name"
              option-value="id"
              aria-label="Metric of the line"
              @update:model-value="(id) => set({ metric: id === 'impressions' ? undefined : id })"
            />
            <SelectOnUse
              :model-value="second ?? 'none'"
              :options="seconds"
              option-group-label="group"
              option-group-children="items"
              option-label="name"
              option-value="id"
              aria-label="Second line"
              @update:model-value="(id) => set({ second: id === 'none' ? undefined : id })"
            />
            <Button
              :label="isIndex ? 'Own scale' : 'Index'"
              text
              :aria-pressed="isIndex"
              title="Index: the first day with data is 100"
              @click="set({ scale: isIndex ? undefined : 'index' })"
            />
          </span>
        </div>
        <div class="place">
          <MetricChart
            :key="`${data.line.metric} ${data.second?.metric} ${isIndex}`"
            :line="data.line"
            :second="data.second"
            :is-index="isIndex"
            :notes="data.notes"
            :may-note="session.mayWrite"
            @note="(day) => (shell.note = { from: day })"
            @ready="isDrawn = true"
            ><template #download="{ picture }"
              ><DownloadMenu
                kind="chart"
                :metrics="second ? [metric, second] : [metric]"
                :option="isIndex ? 'index' : ''"
                what="The line"
                has-picture
                @picture="picture()" /></template
          ></MetricChart>
        </div>
        <ol v-if="data.notes.length" class="only-print printed">
          <li v-for="(note, index) in data.notes" :key="note.id">
            <b>{{ index + 1 }} {{ note.title }}</b> {{ describePeriodShort(note) }}. {{ note.body }}
          </li>
        </ol>
        <SubjectBeside :metric="metric" />
      </section>
      <section aria-labelledby="table-heading">
        <div class="head">
          <h2 id="table-heading" class="heading">{{ BY.find(({ value }) => value === by)?.name }}</h2>
          <span class="quiet">{{
            by === 'set'
              ? 'a profile can be in many sets, so the rows do not add up'
              : 'ranges where people cannot be counted once'
          }}</span>
          <span class="row choices no-print">
            <DownloadMenu kind="table" :metrics="data.metrics" :option="by === 'profile' ? '' : by" what="The table" />
            <MetricPicker
              :metrics="metrics"
              :chosen="columns.length > 0 ? columns : [...data.metrics]"
              :most="MOST_TABLE_COLUMNS"
              label="Columns of the table"
              words="Columns"
              @choose="(ids) => set({ columns: ids.join(',') || undefined })"
            />
            <SelectOnUse
              :model-value="by"
              :options="BY"
              option-label="name"
              option-value="value"
              aria-label="Rows of the table"
              @update:model-value="(value) => set({ by: value === 'profile' ? undefined : value })"
            />
          </span>
        </div>
        <p v-if="data.profiles.length === 0" class="quiet">
          No set yet. A set is a named group of profiles<template v-if="session.mayWrite"
            >; <NuxtLink :to="`/${slug}/profiles`">make one under Profiles</NuxtLink></template
          >.
        </p>
        <ProfileTable
          v-else
          :rows="data.profiles"
          :metrics="[...data.metrics]"
          :heading="headings[by]"
          :is-selected="isSelected"
          @select="select"
        />
      </section>
      <template v-if="isDrawn">
        <LazyTargetSection />
        <LazyBreakdownSection />
        <LazyWhyChanged :metric="metric" />
        <LazyUnusualDays :metric="metric" />
      </template>
    </template>
  </div>
</template>

<style scoped>
.strip {
  display: grid;
  grid-template-columns: repeat(var(--columns), minmax(0, 1fr));
  border-bottom: 1px solid var(--rule2);
}
.head {
  display: flex;
  gap: 6px 14px;
  align-items: center;
  flex-wrap: wrap;
  margin: 10px 0 2px;
}
.choices {
  margin-left: auto;
}
.under {
  display: flex;
  gap: 8px;
  align-items: center;
  padding-top: 6px;
  color: var(--ink2);
}
.under > .downloads {
  margin-left: auto;
  display: flex;
  gap: 14px;
  align-items: baseline;
  font-size: var(--text-small);
}
ol.printed {
  list-style: none;
  margin-bottom: 6px;
}
.place {
  min-height: 264px;
}
.trouble {
  padding: 24px 0;
}
.fetching {
  padding: 6px 0;
  color: var(--ink2);
  font-style: italic;
}
</style>
