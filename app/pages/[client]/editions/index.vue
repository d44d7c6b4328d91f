<script setup lang="ts">
import { describeInstant } from '~~/core/periods/describePeriod'
import type { OrderedColumn } from '~/platform/useTableOrder'
import type { EditionHead } from '~~/shared/report/editions'

const session = useSession()
const { slug, base } = useClient()
const { data, error } = useQuery({
  key: () => ['editions', slug.value],
  query: () => api<EditionHead[]>(`${base.value}/editions`),
})
const COLUMNS: OrderedColumn<EditionHead>[] = [
  { key: 'title', valueOf: ({ title, number }) => `${title.toLowerCase()} ${String(number).padStart(6, '0')}` },
  { key: 'period', isFigure: true, valueOf: ({ periodTo }) => periodTo },
  { key: 'issued', isFigure: true, valueOf: ({ issuedAt }) => issuedAt.getTime() },
  { key: 'by', valueOf: ({ issuedBy }) => issuedBy?.toLowerCase() ?? '' },
]
const { ordered, select, orderOf } = useTableOrder(
  'sort',
  () => COLUMNS,
  () => data.value ?? [],
)
useHead({ title: 'Editions · Zaffer' })
</script>

<template>
  <div>
    <PageHead title="What have we told the client?" />
    <p v-if="error" role="alert">{{ error.message }}</p>
    <table v-if="data?.length" class="plain-table">
      <thead>
        <tr>
          <OrderHeading label="Edition" :order="orderOf('title')" @select="select(COLUMNS[0]!)" /><OrderHeading
            label="Period"
            is-words
            :order="orderOf('period')"
            @select="select(COLUMNS[1]!)"
          /><OrderHeading label="Issued" :order="orderOf('issued')" @select="select(COLUMNS[2]!)" /><OrderHeading
            label="By"
            is-words
            :order="orderOf('by')"
            @select="select(COLUMNS[3]!)"
          />
          <th scope="col" class="words">SHA-256</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="edition in ordered" :key="edition.id">
          <td>
            <NuxtLink :to="`/${slug}/editions/${edition.id}`"
              >{{ edition.title }}, edition {{ edition.number }}</NuxtLink
            ><span v-if="edition.isSuperseded" class="quiet"> · superseded</span>
          </td>
          <td class="words">{{ edition.periodWords }}</td>
          <td>{{ describeInstant(edition.issuedAt) }}</td>
          <td class="words">{{ edition.issuedBy }}</td>
          <td class="words quiet" :title="edition.sha256">{{ edition.sha256.slice(0, 12) }}…</td>
        </tr>
      </tbody>
    </table>
    <p v-else-if="data && session.mayWrite" class="quiet">
      No edition yet. Open a <NuxtLink :to="`/${slug}/reports`">report</NuxtLink> and issue its first; it is kept here
      and never changes.
    </p>
    <p v-else-if="data" class="quiet">
      No edition yet. What the agency issues for you will stand here, and never changes.
    </p>
    <ReleasedSection v-if="session.session?.person.role === 'owner'" />
  </div>
</template>
