<script setup lang="ts">
import { metricById } from '~~/core/metrics/catalogue'
import { describeDay } from '~~/core/periods/describePeriod'
import { splitById } from '~~/core/splits/splits'
import type { FilledBlock } from '~~/shared/report/content'
import type { Note } from '~~/shared/figures/notes'

const props = defineProps<{
  block: FilledBlock
  notes: Note[]
  isPlain?: boolean
  hideComment?: boolean
  timeZone?: string
  /** Whether the marks in its texts are drawn; those of older editions stand as they were typed. */ isRich?: boolean
}>()
const emit = defineEmits<{
  ready: []
  select: [compared: Extract<FilledBlock, { kind: 'figures' }>['figures'][number]]
}>()
/** A block without a title of its own says what it shows. */
const title = computed(() => {
  const { block } = props
  if (block.title) return block.title
  if (block.kind === 'chart')
    return `${metricById(block.line.metric).name}${block.second ? ` and ${metricById(block.second.metric).name.toLowerCase()}` : ''} a day`
  if (block.kind === 'parts') return splitById(block.split.split).name
  if (block.kind === 'subject') return `${metricById(block.subject.metric).name} beside everybody else`
  if (block.kind === 'why') return `Why ${metricById(block.why.metric).name.toLowerCase()} changed`
  return TITLES[block.kind] ?? ''
})
const HEADINGS = { profile: 'Profile', network: 'Network', set: 'Set' } as const
const TITLES: Partial<Record<FilledBlock['kind'], string>> = {
  unusual: 'Unusual days',
  targets: 'Targets',
  posts: 'Posts',
  open: 'What needs somebody',
  profiles: 'Where the figures come from',
  found: 'Profiles of the client',
}
/** The changes that a reader may want to compute again. */
const changes = computed(() => {
  const { block } = props
  if (block.kind === 'figures') return block.figures.map((compared) => ({ compared }))
  return block.kind === 'table'
    ? block.rows.flatMap((row) =>
        block.metrics.flatMap((metric) =>
          metricById(metric).kind === 'ratio' ? [{ of: row.name, compared: row.figures[metric]! }] : [],
        ),
      )
    : []
})
const paragraphs = (text: string) => text.split(/\n{2,}/).filter((part) => part.trim() !== '')
onMounted(() => props.block.kind !== 'chart' && emit('ready'))
</script>

<template>
  <section class="block" :class="{ 'new-page': block.kind === 'page' }" :aria-label="title || undefined">
    <h2 v-if="title" class="heading">{{ title }}</h2>
    <p v-if="block.who" class="quiet">{{ block.who }}</p>
    <div
      v-if="block.kind === 'figures'"
      class="strip"
      :style="{ '--columns': Math.min(5, Math.max(1, block.figures.length)) }"
    >
      <FigureButton
        v-for="compared in block.figures"
        :key="compared.figure.metric"
        :compared="compared"
        :is-plain="isPlain"
        @select="emit('select', compared)"
      />
    </div>
    <MetricChart
      v-else-if="block.kind === 'chart'"
      :key="`${block.line.metric} ${block.second?.metric} ${block.isIndex}`"
      :line="block.line"
      :second="block.second"
      :is-index="block.isIndex"
      :notes="notes"
      :is-plain="isPlain"
      @ready="emit('ready')"
    />
    <WideContent v-else-if="block.kind === 'table'" :label="title || 'Table'"
      ><ProfileTable :rows="block.rows" :metrics="block.metrics" :heading="HEADINGS[block.by ?? 'profile']" is-plain
    /></WideContent>
    <WideContent v-else-if="block.kind === 'parts'" :label="title"
      ><SplitText :view="block.split" is-plain
    /></WideContent>
    <SubjectText v-else-if="block.kind === 'subject'" :subject="block.subject" />
    <template v-else-if="block.kind === 'targets'"
      ><TargetText v-for="target in block.targets" :key="target.id" :target="target" />
      <p v-if="block.targets.length === 0" class="quiet">No target was set.</p></template
    >
    <template v-else-if="block.kind === 'posts'"
      ><WideContent v-if="block.posts.length" :label="title"
        ><PostTable :posts="block.posts" :time-zone="timeZone ?? 'UTC'"
      /></WideContent>
      <p v-else class="quiet">Nothing was published in this period.</p></template
    >
    <OpenText v-else-if="block.kind === 'open'" :open="block.open" />
    <WideContent v-else-if="block.kind === 'profiles'" :label="title"><CoverageTable :rows="block.rows" /></WideContent>
    <template v-else-if="block.kind === 'found'"
      ><template v-if="block.found"
        ><p class="quiet">{{ block.found.address }}, as it was on {{ describeDay(block.searchedAt!.slice(0, 10)) }}.</p>
        <FoundText :found="block.found" is-plain
      /></template>
      <p v-else class="quiet">The client’s profiles were not looked for yet.</p></template
    >
    <WideContent v-else-if="block.kind === 'why'" :label="title"
      ><WhyText :why="block.why" :is-plain="isPlain"
    /></WideContent>
    <UnusualText v-else-if="block.kind === 'unusual'" :metric="block.metric" :days="block.days" :is-plain="isPlain" />
    <p v-else-if="block.kind === 'broken'" role="alert">{{ block.problem }}</p>
    <p v-else-if="block.kind === 'page'" class="page-break no-print">A new page begins here on paper.</p>
    <div v-else-if="block.kind === 'text'" class="text">
      <RichText v-if="isRich" :text="block.text" /><template v-else
        ><p v-for="(paragraph, index) in paragraphs(block.text)" :key="index">{{ paragraph }}</p></template
      >
    </div>
    <ChangeFootnotes v-if="changes.length" :figures="changes" />
    <div v-if="block.comment && !hideComment" class="comment">
      <RichText v-if="isRich" :text="block.comment" /><template v-else
        ><p v-for="(paragraph, index) in paragraphs(block.comment)" :key="index">{{ paragraph }}</p></template
      >
    </div>
  </section>
</template>

<style scoped>
.block {
  margin: 18px 0;
  break-inside: avoid;
}
.new-page {
  break-after: page;
  margin: 0;
}
.page-break {
  border-top: 1px dashed var(--rule2);
  color: var(--ink3);
  font-size: var(--text-small);
  padding-top: 3px;
}
h2 {
  margin-bottom: 4px;
}
.strip {
  display: grid;
  grid-template-columns: repeat(var(--columns), minmax(0, 1fr));
  border-top: 1px solid var(--rule2);
  border-bottom: 1px solid var(--rule2);
}
@media (max-width: 640px) {
  .strip {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
  .strip > :nth-child(odd) {
    border-left: 0;
    padding-left: 2px;
  }
  .strip > :nth-child(n + 3) {
    border-top: 1px solid var(--rule);
  }
}
@media (max-width: 420px) {
  .strip {
    grid-template-columns: minmax(0, 1fr);
  }
  .strip > * {
    border-left: 0;
    padding-left: 2px;
  }
  .strip > :nth-child(n + 2) {
    border-top: 1px solid var(--rule);
  }
}
.text {
  font: 400 var(--text-heading)/1.55 var(--serif);
}
.text > p {
  font: 400 var(--text-heading)/1.55 var(--serif);
  margin-bottom: 0.8em;
  max-width: 44rem;
  white-space: pre-line;
}
.comment {
  border-left: 2px solid var(--zaffer);
  padding: 2px 0 2px 12px;
  margin-top: 8px;
}
.comment {
  font: italic 400 var(--text-heading)/1.45 var(--serif);
}
.comment > p {
  font: italic 400 var(--text-heading)/1.45 var(--serif);
  max-width: 44rem;
  white-space: pre-line;
}
</style>
