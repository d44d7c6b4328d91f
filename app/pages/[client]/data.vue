<script setup lang="ts">
import { formatCount } from '~~/core/format/numbers'
import { describeDay } from '~~/core/periods/describePeriod'
import type { KeptDataset } from '~~/shared/gather/data'

const { slug, base } = useClient()
const locale = useLocale()
const { data, error } = useQuery({
  key: () => ['data', slug.value],
  query: () => api<KeptDataset[]>(`${base.value}/data`),
})
useHead({ title: 'Data · Zaffer' })

const SOURCES = { network: 'networks', file: 'files' }
const dayOf = (day: string | null) => (day === null ? '—' : describeDay(day))
const COLUMNS = [
  { key: 'name', label: 'Data', isWords: true, valueOf: ({ name }: KeptDataset) => name },
  { key: 'grain', label: 'One row is', isWords: true, isQuiet: true, valueOf: ({ grain }: KeptDataset) => grain },
  {
    key: 'sources',
    label: 'Comes from',
    isWords: true,
    valueOf: ({ sources }: KeptDataset) => sources.map((source) => SOURCES[source]).join(', '),
  },
  { key: 'profiles', label: 'Profiles or sites', isFigure: true, valueOf: ({ profiles }: KeptDataset) => profiles },
  {
    key: 'rows',
    label: 'Rows',
    isFigure: true,
    valueOf: ({ rows }: KeptDataset) => rows,
    textOf: ({ rows }: KeptDataset) => formatCount(rows, locale),
  },
  {
    key: 'from',
    label: 'From',
    isFigure: true,
    valueOf: ({ from }: KeptDataset) => from ?? '',
    textOf: ({ from }: KeptDataset) => dayOf(from),
  },
  {
    key: 'to',
    label: 'To',
    isFigure: true,
    valueOf: ({ to }: KeptDataset) => to ?? '',
    textOf: ({ to }: KeptDataset) => dayOf(to),
  },
  {
    key: 'kept',
    label: 'Stays',
    isFigure: true,
    valueOf: ({ keptDays }: KeptDataset) => keptDays ?? Number.MAX_SAFE_INTEGER,
    textOf: ({ keptDays }: KeptDataset) => (keptDays === null ? 'for good' : `${formatCount(keptDays, locale)} days`),
  },
]
</script>

<template>
  <div>
    <PageHead title="What is kept of this client?" />
    <p v-if="error" role="alert">{{ error.message }}</p>
    <OrderedTable v-if="data" name="sort" :columns="COLUMNS" :rows="data" :key-of="({ id }) => id" />
    <p class="quiet">Profiles of rivals and those that are switched off are counted too.</p>
    <section aria-labelledby="download-heading" class="all-data">
      <h2 id="download-heading" class="heading">Download all of it</h2>
      <p>
        Everything of this client in one ZIP: profiles, sets, tags, notes, targets, polls, links, planned posts,
        pictures, reports, editions and all the data above, as CSV files with a description of every column (a Data
        Package). Other programs open it as it is.
      </p>
      <p>
        <a :href="`${base}/data/package`" download class="no-print">Download all data</a> ·{{ ' ' }}
        <a :href="`${base}/data/package?format=parquet`" download class="no-print">The same as Parquet</a> ·{{ ' ' }}
        <a :href="`${base}/data/package?pictures=without`" download class="no-print">Without pictures</a>
      </p>
      <p class="quiet">
        Pictures are files beside the tables. What owners’ consents have given, passwords and links to editions are not
        in it.
      </p>
    </section>
    <TakePackage />
  </div>
</template>

<style scoped>
.all-data {
  max-width: 640px;
  margin-top: 26px;
}
.all-data p {
  margin: 8px 0;
}
</style>
