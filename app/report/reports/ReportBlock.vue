<script setup lang="ts">
import type { ComparedFigure } from '~~/core/rollup/compareFigures'
import { headingOf } from '~~/shared/report/headingOf'
import type { FilledBlock } from '~~/shared/report/reportContent'
import type { Note } from '~~/shared/figures/notes'
import { drawingOf } from './drawings'

const props = defineProps<{
  block: FilledBlock
  /** What it is called among the others. */ name?: string
  notes: Note[]
  isPlain?: boolean
  hideComment?: boolean
  timeZone?: string
  /** Whether the marks in its texts are drawn; those of older editions stand as they were typed. */ isRich?: boolean
}>()
const emit = defineEmits<{ ready: []; select: [compared: ComparedFigure] }>()
const heading = computed(() => headingOf(props.block))
const LISTENERS = {
  ready: () => emit('ready'),
  select: (compared: ComparedFigure) => emit('select', compared),
}
/** A drawing is given what it asks for, and nothing else. */
const drawing = computed(() => {
  const { block } = props
  if (block.kind === 'broken') return undefined
  const component = drawingOf(block, props.isRich ? 2 : 1)
  const asked = Object.keys((component as { props?: object }).props ?? {})
  const given = { ...props, timeZone: props.timeZone ?? 'UTC', heading: heading.value }
  const { emits = [] } = component as { emits?: readonly string[] }
  return {
    component,
    props: Object.fromEntries(Object.entries(given).filter(([name]) => asked.includes(name))),
    listeners: Object.fromEntries(Object.entries(LISTENERS).filter(([name]) => emits.includes(name))),
  }
})
/** A chart says itself when it stands; everything else stands at once. */
onMounted(() => props.block.kind !== 'chart' && emit('ready'))
</script>

<template>
  <section class="block" :class="{ 'new-page': block.kind === 'page' }" :aria-label="name || heading || undefined">
    <h2 v-if="heading" class="heading">{{ heading }}</h2>
    <p v-if="block.who" class="quiet">{{ block.who }}</p>
    <p v-if="block.kind === 'broken'" role="alert">{{ block.problem }}</p>
    <component :is="drawing.component" v-else-if="drawing" v-bind="drawing.props" v-on="drawing.listeners" />
    <div v-if="block.comment && !hideComment" class="comment">
      <RichText v-if="isRich" :text="block.comment" /><PlainParagraphs v-else :text="block.comment" />
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
h2 {
  margin-bottom: 4px;
}
.comment {
  border-left: 2px solid var(--zaffer);
  padding: 2px 0 2px 12px;
  margin-top: 8px;
  font: italic 400 var(--text-heading)/1.45 var(--serif);
}
</style>
