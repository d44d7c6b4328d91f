<script setup lang="ts">
import { formatCount } from '~~/core/format/numbers'
import { metricById } from '~~/core/metrics/catalogue'
import { describeInstant, describePeriodShort } from '~~/core/periods/describePeriod'
import { profilesWords } from '~/read/unusual/unusualWords'
import { targetHeading, targetWords } from '~/read/targets/targetWords'
import type { OrderedColumn } from '~/platform/useTableOrder'
import type { ClientSummary, Due } from '~~/shared/clients'

useHead({ title: 'All clients · Zaffer' })
const session = useSession()
const shell = useShell()
const locale = useLocale()
const { data, error, isLoading } = useQuery({ key: ['all-clients'], query: () => api<ClientSummary[]>('/api/clients') })
const waiting = computed(() =>
  (data.value ?? [])
    .flatMap((client) => client.unusual.map((finding) => ({ client, finding })))
    .sort((a, b) => Math.abs(b.finding.score) - Math.abs(a.finding.score)),
)
const withFigures = computed(() => (data.value ?? []).filter(({ figures }) => figures.length > 0))
const inDanger = computed(() =>
  (data.value ?? []).flatMap((client) => client.targets.map((target) => ({ client, target }))),
)
const due = computed(() => (data.value ?? []).flatMap((client) => client.due.map((item) => ({ client, item }))))
const place = (slug: string, { kind, id }: Due) =>
  ({
    report: `/${slug}/reports/${id}`,
    reviews: { path: `/${slug}/reviews`, query: { period: 'last-90-days', state: 'waiting' } },
    plan: { path: `/${slug}/calendar`, query: { state: 'needs' } },
    questions: { path: `/${slug}/questions`, query: { period: 'last-90-days', state: 'waiting' } },
    directories: { path: `/${slug}/directories`, hash: '#changes' },
    field: { path: `/${slug}/field`, hash: '#seen' },
    target: { path: `/${slug}/overview`, hash: '#targets' },
  })[kind]
const troubled = computed(() =>
  (data.value ?? []).flatMap((client) => client.troubles.map((trouble) => ({ client, trouble }))),
)
/** Whether there is nothing to say of any client: somebody outside, to whom no figures of whole clients are released. */
const isWithout = computed(
  () => !session.mayWrite && !!data.value?.every(({ figures, problem }) => figures.length === 0 && !problem),
)
const first = computed(() => data.value?.find(({ figures }) => figures.length > 0) ?? data.value?.[0])
const columns = computed<(OrderedColumn<ClientSummary> & { label: string })[]>(() => [
  { key: 'client', label: 'Client', valueOf: ({ name }) => name.toLowerCase() },
  ...(first.value?.figures ?? []).map(({ figure: { metric } }) => ({
    key: metric,
    label: metricById(metric).name,
    isFigure: true,
    valueOf: ({ figures }: ClientSummary) =>
      figures.find(({ figure }) => figure.metric === metric)?.figure.value ?? Number.NEGATIVE_INFINITY,
  })),
  { key: 'profiles', label: 'Profiles', isFigure: true, valueOf: ({ profiles }) => profiles },
])
const { ordered, select, orderOf } = useTableOrder(
  'sort',
  () => columns.value,
  () => data.value ?? [],
)
</script>

<template>
  <div>
    <PageHead title="What needs you today?"
      ><a v-if="data?.length && !isWithout" href="/api/all-clients?format=xlsx" download>Workbook</a></PageHead
    >
    <FirstSteps />
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading && !data" class="quiet">Looking through your clients …</p>
    <section v-else-if="data?.length === 0 && session.session?.person.role === 'owner'" aria-labelledby="first-client">
      <h2 id="first-client" class="heading">Add the first client</h2>
      <AddClient @added="(slug) => navigateTo(`/${slug}/profiles`)" />
    </section>
    <p v-else-if="data?.length === 0">You have no client yet. Ask the owner of the agency to give you one.</p>
    <section v-else-if="data && isWithout" aria-labelledby="clients">
      <h2 id="clients" class="heading">Your clients</h2>
      <ul>
        <li v-for="client in data" :key="client.slug">
          <NuxtLink :to="session.homeOf(client.slug)">{{ client.name }}</NuxtLink
          ><template v-if="client.lastEdition"
            ><span class="quiet">, last told in</span>{{ ' ' }}
            <NuxtLink :to="`/${client.slug}/editions/${client.lastEdition.id}`"
              >edition {{ client.lastEdition.number }}, {{ describeInstant(client.lastEdition.issuedAt) }}</NuxtLink
            ></template
          >
        </li>
      </ul>
      <p class="quiet">
        The figures of whole clients are not released to you. What you may see stands behind each name.
      </p>
    </section>
    <template v-if="data?.length && !isWithout">
      <section aria-labelledby="moved">
        <div class="head">
          <h2 id="moved" class="heading">What moved</h2>
          <DownloadMenu path="/api/all-clients?part=moved" what="What moved" />
        </div>
        <p class="quiet">{{ first?.period }} against {{ first?.against }}, the largest movement first.</p>
        <table class="plain-table">
          <thead>
            <tr>
              <OrderHeading
                v-for="column in columns"
                :key="column.key"
                :label="column.label"
                :order="orderOf(column.key)"
                @select="select(column)"
              />
              <th scope="col" class="words">Last edition</th>
              <th v-if="session.mayWrite" scope="col" class="words no-print">
                <span class="hidden-but-read">Add to a report</span>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="client in ordered" :key="client.slug">
              <td>
                <NuxtLink :to="session.homeOf(client.slug)"
                  ><b>{{ client.name }}</b></NuxtLink
                >
              </td>
              <td v-if="client.problem" :colspan="first?.figures.length" class="words" role="alert">
                {{ client.problem }}
              </td>
              <td
                v-else-if="client.figures.length === 0 && first?.figures.length"
                :colspan="first.figures.length"
                class="words quiet"
              >
                not released to you
              </td>
              <td v-for="compared in client.figures" :key="compared.figure.metric">
                <NuxtLink
                  :to="{ path: `/${client.slug}/overview`, query: { metric: compared.figure.metric } }"
                  class="number"
                  ><FigureValue :figure="compared.figure" /></NuxtLink
                ><br />
                <small v-if="compared.change"
                  ><ChangeText
                    :metric="compared.figure.metric"
                    :change="compared.change"
                    :shown="compared.figure.value"
                /></small>
              </td>
              <td>{{ client.profiles }}</td>
              <td class="words">
                <NuxtLink v-if="client.lastEdition" :to="`/${client.slug}/editions/${client.lastEdition.id}`"
                  >Edition {{ client.lastEdition.number }}, {{ describeInstant(client.lastEdition.issuedAt) }}</NuxtLink
                ><NuxtLink v-else-if="session.may(client.slug, 'reports')" :to="`/${client.slug}/reports`"
                  >none yet</NuxtLink
                ><template v-else>none yet</template>
              </td>
              <td v-if="session.mayWrite" class="words no-print">
                <button
                  type="button"
                  class="bare as-link to"
                  aria-haspopup="dialog"
                  :aria-label="`Add what needs somebody at ${client.name} to a report`"
                  @click="shell.addFrom(client.slug)"
                >
                  To a report
                </button>
              </td>
            </tr>
          </tbody>
        </table>
      </section>
      <section aria-labelledby="danger">
        <div class="head">
          <h2 id="danger" class="heading">Targets in danger</h2>
          <DownloadMenu v-if="inDanger.length" path="/api/all-clients?part=targets" what="Targets in danger" />
        </div>
        <ul v-if="inDanger.length">
          <li v-for="{ client, target } in inDanger" :key="target.id">
            <NuxtLink :to="{ path: `/${client.slug}/overview`, hash: '#targets' }">{{
              targetWords(target, locale)
            }}</NuxtLink
            ><span class="quiet"> of {{ client.name }}:</span> {{ targetHeading(target, locale) }}.
          </li>
        </ul>
        <p v-else class="quiet">None. Every target is on course, open, or not set.</p>
      </section>
      <section v-if="session.mayWrite" aria-labelledby="due">
        <div class="head">
          <h2 id="due" class="heading">What is due</h2>
          <DownloadMenu v-if="due.length" path="/api/all-clients?part=due" what="What is due" />
        </div>
        <ul v-if="due.length">
          <li v-for="{ client, item } in due" :key="`${client.slug} ${item.kind} ${item.id}`">
            <NuxtLink :to="place(client.slug, item)">{{ item.sentence }}</NuxtLink
            ><span class="quiet"> of {{ client.name }}</span>
          </li>
        </ul>
        <p v-else class="quiet">Nothing. Every report has an edition of its newest period.</p>
      </section>
      <section aria-labelledby="unexplained">
        <div class="head">
          <h2 id="unexplained" class="heading">Unusual days without a reason</h2>
          <DownloadMenu v-if="waiting.length" path="/api/all-clients?part=unusual" what="Unusual days" />
        </div>
        <ul v-if="waiting.length">
          <li v-for="{ client, finding } in waiting" :key="`${client.slug} ${finding.from} ${finding.direction}`">
            <NuxtLink
              :to="{
                path: `/${client.slug}/overview`,
                query: { who: finding.profiles.map(({ profile }) => profile).join(','), metric: 'interactions' },
                hash: '#unusual',
              }"
              >{{ describePeriodShort(finding) }}, {{ profilesWords(finding) }}</NuxtLink
            >
            <span class="quiet"> of {{ client.name }}:</span> {{ formatCount(finding.value, locale) }} interactions,
            usually {{ formatCount(finding.usual, locale) }}.
          </li>
        </ul>
        <p v-else class="quiet">None. Every unusual day of these weeks has a note.</p>
        <p class="quiet">
          In every metric, with one reason for many:
          <template v-for="(client, index) in withFigures" :key="client.slug"
            >{{ index > 0 ? ', ' : ''
            }}<NuxtLink
              :to="{ path: `/${client.slug}/overview`, query: { odd: 'all', reasons: 'none' }, hash: '#unusual' }"
              >{{ client.name }}</NuxtLink
            ></template
          >.
        </p>
      </section>
      <section v-if="session.mayWrite" aria-labelledby="troubled">
        <div class="head">
          <h2 id="troubled" class="heading">Profiles that need somebody</h2>
          <DownloadMenu
            v-if="troubled.length"
            path="/api/all-clients?part=profiles"
            what="Profiles that need somebody"
          />
        </div>
        <ul v-if="troubled.length">
          <li v-for="{ client, trouble } in troubled" :key="trouble.profile">
            <NuxtLink :to="`/${client.slug}/profiles`">{{ trouble.name }}</NuxtLink
            ><span class="quiet"> of {{ client.name }}:</span> {{ trouble.sentence }}
          </li>
        </ul>
        <p v-else class="quiet">None. All figures are up to date.</p>
      </section>
      <p v-if="session.session" class="quiet">Press c and a number to go to a client.</p>
    </template>
  </div>
</template>

<style scoped>
section {
  margin-bottom: 20px;
}
td:has(.to) {
  text-align: right;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
ul {
  list-style: none;
  display: grid;
  gap: 5px;
  margin-top: 4px;
}
.number {
  font: 500 var(--text-scope)/1.2 var(--serif);
  color: var(--ink);
  text-decoration: none;
}
.number:hover {
  text-decoration: underline dotted;
  text-underline-offset: 3px;
}
small {
  font-size: var(--text-small);
}
</style>
