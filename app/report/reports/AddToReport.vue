<script setup lang="ts">
import { CLIENT_METRICS, figureSetById } from '~~/core/metrics/figureSets'
import { isMetric, metricById } from '~~/core/metrics/catalogue'
import { BREAKDOWNS, breakdownById } from '~~/core/breakdowns/breakdowns'
import type { Report, ReportHead } from '~~/shared/report/reports'
import { FACETS } from '~~/core/breakdowns/audienceBreakdowns'
import { USUAL_WINDOW } from '~~/shared/read/occasionsBlock'
import { POST_ORDERS } from '~~/shared/read/postOrder'
import { USUAL_ENDS } from '~~/shared/read/endsBlock'
import { whoAddress } from '~~/shared/figures/scope'
import { fieldSchema } from '~~/shared/compare/field'
import { fieldEventsSchema } from '~~/shared/compare/fieldEvents'
import { fieldLinesSchema } from '~~/shared/compare/fieldLines'
import { HABIT_PARTS, habitsSchema } from '~~/shared/compare/habits'
import { PLACE_PARTS } from '~~/shared/read/placeBlock'
import { placesQuerySchema } from '~~/shared/read/places'
import { timesSchema } from '~~/shared/read/times'
import { declarationOf, type Block } from '~~/shared/report/blocks'
import { newBlock } from './newBlock'

const shell = useShell()
const route = useRoute()
const say = useSay()
const refresh = useRefresh()
const client = useClient()
const slug = computed(() => client.slug.value || shell.addClient)
const base = computed(() => `/api/clients/${slug.value}`)
const { data: reports } = useQuery({
  key: () => ['reports', slug.value],
  query: () => api<ReportHead[]>(`${base.value}/reports`),
})
const text = (name: string) => (typeof route.query[name] === 'string' ? String(route.query[name]) : '')
const metric = computed(() => (isMetric(text('metric')) ? text('metric') : 'impressions'))
const second = computed(() => (isMetric(text('second')) ? text('second') : ''))
const figures = computed(() => figureSetById(text('figures')))
/** Figures that were chosen for the head of the page, or those of the set. */
const headlines = computed(() =>
  text('headlines') ? text('headlines').split(',').filter(isMetric) : figures.value.headlines,
)
/** The block stays with whom the page shows; on pages that belong to no client that is everybody. */
const { scope, description } = useScope()
const who = computed(() => (client.slug.value ? whoAddress(scope.value) : 'all'))
const breakdown = computed(() =>
  BREAKDOWNS.some(({ id }) => id === text('breakdown')) ? text('breakdown') : BREAKDOWNS[0]!.id,
)
/** Which posts the page shows: those of a format, and with some words. */
const words = computed(() => ({
  any: text('any'),
  all: text('all'),
  none: text('none'),
  tags: text('tags'),
  paid: text('paid') as '' | 'paid' | 'organic',
  published: text('published') as '' | 'here' | 'elsewhere',
}))
/** The order of the page, where a block can have it too. */
const order = computed(() =>
  POST_ORDERS.some(({ value }) => value === text('order')) ? text('order') : 'interactions',
)
const postsShown = computed(() => ({ ...words.value, ...(text('format') && { format: text('format') }) }))
const name = (id: string) => metricById(id).name.toLowerCase()
const page = computed(() => route.path.split('/')[2] ?? '')

/** What the page shows, as blocks with the choices that were made on it. */
const WHAT = computed<{ name: string; make: () => Block }[]>(() => {
  switch (page.value) {
    case '':
      return [
        { name: declarationOf('open').name, make: () => newBlock('open') },
        { name: 'What moved', make: () => newBlock('figures', CLIENT_METRICS) },
      ]
    case 'content':
      return [
        {
          name: 'The posts, in this order',
          make: () => ({ ...newBlock('posts', [], order.value), ...postsShown.value }),
        },
        {
          name: 'The best and the worst of them',
          make: () => ({
            ...newBlock('ends', [], text('ends') || 'interactions'),
            ...postsShown.value,
            rows: Number(text('each')) || USUAL_ENDS,
          }),
        },
        {
          name: declarationOf('formats').name,
          make: () => ({ ...newBlock('formats', [], text('formats') || 'interactions'), ...words.value }),
        },
      ]
    case 'tags':
      return [
        { name: declarationOf('byTag').name, make: () => newBlock('byTag') },
        {
          name: declarationOf('occasions').name,
          make: () => ({
            ...newBlock('occasions'),
            ...(text('tag') && { tag: Number(text('tag')) }),
            on: text('on'),
            before: Number(text('before') || USUAL_WINDOW.before),
            after: Number(text('after') || USUAL_WINDOW.after),
          }),
        },
      ]
    case 'audience':
      return [
        ...FACETS.map(({ id, name: facet }) => ({
          name: `Audience: ${facet.toLowerCase()}`,
          make: () => newBlock('audience', [], id),
        })),
        { name: 'The newest poll', make: () => newBlock('poll') },
      ]
    case 'traffic':
      return [{ name: declarationOf('traffic').name, make: () => newBlock('traffic') }]
    case 'links':
      return [{ name: declarationOf('links').name, make: () => newBlock('links') }]
    case 'places':
      if (route.params.place)
        return PLACE_PARTS.map((part) => ({
          name: part.name,
          make: () => ({ ...newBlock('place'), place: Number(route.params.place), shows: part.id }),
        }))
      return [
        {
          name: declarationOf('places').name,
          make: () => ({ ...newBlock('places'), ...placesQuerySchema.cast({ group: text('group') || undefined }) }),
        },
      ]
    case 'ranks':
      return [
        { name: 'The keywords, beside each other', make: () => newBlock('ranks') },
        ...(text('watch')
          ? [
              {
                name: 'The keyword that is shown',
                make: () => ({ ...newBlock('ranks'), watch: Number(text('watch')) }),
              },
            ]
          : []),
      ]
    case 'directories':
      return [
        { name: declarationOf('directories').name, make: () => newBlock('directories') },
        ...(text('place')
          ? [
              {
                name: 'The place that is shown',
                make: () => ({ ...newBlock('directories'), place: Number(text('place')) }),
              },
            ]
          : []),
      ]
    case 'questions':
      return [{ name: declarationOf('questions').name, make: () => newBlock('questions') }]
    case 'reviews':
      return [{ name: declarationOf('reviews').name, make: () => newBlock('reviews') }]
    case 'calendar':
    case 'times':
      return [
        {
          name: declarationOf('times').name,
          make: () => ({
            ...newBlock('times'),
            ...(page.value === 'times' && timesSchema.cast(route.query, { stripUnknown: true })),
          }),
        },
      ]
    case 'field':
      return [
        {
          name: declarationOf('field').name,
          make: () => ({ ...newBlock('field'), ...fieldSchema.cast(route.query, { stripUnknown: true }) }),
        },
        {
          name: declarationOf('fieldLines').name,
          make: () => ({ ...newBlock('fieldLines'), ...fieldLinesSchema.cast(route.query, { stripUnknown: true }) }),
        },
        {
          name: declarationOf('fieldEvents').name,
          make: () => ({ ...newBlock('fieldEvents'), ...fieldEventsSchema.cast(route.query, { stripUnknown: true }) }),
        },
        { name: declarationOf('sightings').name, make: () => newBlock('sightings') },
      ]
    case 'habits':
      return HABIT_PARTS.map((part) => ({
        name: part.name,
        make: () => ({
          ...newBlock('habits'),
          ...habitsSchema.omit(['term']).cast(route.query, { stripUnknown: true }),
          part: part.id,
        }),
      }))
    case 'industry':
      return [{ name: declarationOf('industry').name, make: () => newBlock('industry') }]
    case 'profiles':
      return [{ name: declarationOf('profiles').name, make: () => newBlock('profiles') }]
    case 'find':
      return [{ name: declarationOf('found').name, make: () => newBlock('found') }]
    default:
      return [
        { name: 'The headline figures', make: () => newBlock('figures', headlines.value) },
        {
          name: `The line of ${name(metric.value)}${second.value ? ` and ${name(second.value)}` : ''}`,
          make: () =>
            newBlock(
              'chart',
              [metric.value, ...(second.value ? [second.value] : [])],
              text('scale') === 'index' ? 'index' : 'own',
            ),
        },
        {
          name: `The table by ${text('by') || 'profile'}`,
          make: () => newBlock('table', figures.value.table, text('by') || 'profile'),
        },
        {
          name: `${metricById(metric.value).name} beside everybody else`,
          make: () => newBlock('subject', [metric.value]),
        },
        { name: 'The targets', make: () => newBlock('targets') },
        { name: breakdownById(breakdown.value).name, make: () => newBlock('breakdown', [], breakdown.value) },
        { name: `Why ${name(metric.value)} changed`, make: () => newBlock('why', [metric.value]) },
        { name: 'The unusual days', make: () => newBlock('unusual', [metric.value]) },
        { name: declarationOf('open').name, make: () => newBlock('open') },
      ]
  }
})
/** What is ticked: what was asked for on the page, or the only thing that there is. */
const ofKind = WHAT.value.flatMap(({ name: of, make }, index) => (make().kind === shell.addKind ? [{ of, index }] : []))
const wanted = (ofKind.find(({ of }) => of === shell.addName) ?? ofKind[0])?.index ?? -1
const ticked = ref<number[]>(wanted >= 0 ? [wanted] : WHAT.value.length === 1 ? [0] : [])
const made = computed(() =>
  [...ticked.value]
    .sort((a, b) => a - b)
    .map((index) => {
      const block = WHAT.value[index]!.make()
      return declarationOf(block.kind).isScoped ? { ...block, who: who.value } : block
    }),
)
const into = ref<number>()
const problem = ref('')
watchEffect(() => (into.value ??= reports.value?.[0]?.id))

async function add() {
  problem.value = ''
  try {
    const { report } = await api<{ report: Report }>(`${base.value}/reports/${into.value}`)
    await api(`${base.value}/reports/${report.id}`, {
      method: 'PUT',
      body: { ...report, blocks: [...report.blocks, ...made.value] },
    })
    await refresh('reports')
    shell.isAddOpen = false
    say.done(
      `${made.value.length === 1 ? 'It stands' : `${made.value.length} parts stand`} at the end of “${report.title}”.`,
    )
  } catch (error) {
    problem.value = (error as Error).message
  }
}
</script>

<template>
  <OpeningDialog label="Add to a report" width="28rem" @close="shell.isAddOpen = false">
    <form @submit.prevent="add">
      <div class="field">
        <span id="add-what" class="field-label">What</span>
        <div v-for="(choice, index) in WHAT" :key="choice.name" class="row">
          <Checkbox v-model="ticked" :input-id="`add-${index}`" :value="index" /><label :for="`add-${index}`">{{
            choice.name
          }}</label>
        </div>
      </div>
      <div class="field">
        <label for="add-into">To</label
        ><Select
          v-model="into"
          input-id="add-into"
          :options="reports ?? []"
          option-label="title"
          option-value="id"
          aria-label="Report"
        />
      </div>
      <p v-if="reports?.length === 0" class="quiet">There is no report yet. Begin one under Reports.</p>
      <p class="quiet">
        A report has its own period, so the figures there can be others.<template
          v-if="made.some((block) => block.who !== 'all')"
        >
          What is of profiles stays with {{ description.data.value?.words.who }}.</template
        >
      </p>
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      <Button
        type="submit"
        :label="made.length > 1 ? `Add ${made.length} parts` : 'Add it'"
        :disabled="into === undefined || made.length === 0"
      />
    </form>
  </OpeningDialog>
</template>
