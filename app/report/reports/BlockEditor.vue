<script setup lang="ts">
/** A block of a report as it is written: what it is, what was chosen for it, its figures, and the comment on them. */
import type { ComparedFigure } from '~~/core/rollup/compareFigures'
import { CATALOGUE } from '~~/core/metrics/catalogue'
import type { ScopeDescription } from '~~/shared/figures/description'
import { declarationOf, LONGEST_COMMENT, LONGEST_TITLE, type Block } from '~~/shared/report/blocks'
import { regionNames } from '~~/shared/report/headingOf'
import type { FilledBlock, ReportContent } from '~~/shared/report/reportContent'
import { LONGEST_TEXT } from '~~/shared/report/textBlock'
import { DRAWINGS } from './drawings'

const props = defineProps<{
  block: Block
  /** Its figures, once they are there. */ filled?: FilledBlock
  number: number
  /** How many blocks there are. */ of: number
  content?: ReportContent
  /** What the client has, for choosing of whom it is. */ known?: ScopeDescription
  /** Where its table is taken away. */ tables: string
}>()
const emit = defineEmits<{
  edit: [part: Partial<Block>]
  write: [part: 'title' | 'text' | 'comment', written: string]
  move: [by: 1 | -1]
  remove: []
  select: [compared: ComparedFigure]
}>()
const session = useSession()
const declared = computed(() => declarationOf(props.block.kind))
const settings = computed(() => DRAWINGS[props.block.kind].settings)
const name = computed(() => regionNames(props.content?.blocks ?? []).get(props.block.id))
const metrics = CATALOGUE.map(({ id, name }) => ({ id, name }))
const text = (event: Event) => (event.target as HTMLInputElement).value
</script>

<template>
  <div class="editor" :data-block="block.id">
    <div v-if="session.mayWrite" class="row bar no-print">
      <button
        type="button"
        class="bare handle"
        :aria-label="`Block ${number} of ${of}, ${declared.name}: drag, or move with the arrow keys`"
        title="Drag, or focus and use the arrow keys"
        @keydown.up.prevent="emit('move', -1)"
        @keydown.down.prevent="emit('move', 1)"
      >
        <span aria-hidden="true">⠿</span> {{ declared.name }}
      </button>
      <InputText
        :model-value="block.title"
        size="small"
        placeholder="Title"
        :aria-label="`Title of block ${number}`"
        @input="emit('write', 'title', text($event))"
      /><LettersLeft :text="block.title" :most="LONGEST_TITLE" />
      <MetricPicker
        v-if="declared.metrics"
        :metrics="metrics"
        :chosen="block.metrics"
        :only-one="declared.metrics.most === 1"
        :most="declared.metrics.most"
        :label="`Metrics of block ${number}`"
        @choose="(ids) => emit('edit', { metrics: ids })"
      />
      <Select
        v-if="declared.option"
        :model-value="block.option || declared.option.choices[0]!.value"
        :options="[...declared.option.choices]"
        option-label="name"
        option-value="value"
        size="small"
        :aria-label="`${declared.option.label} of block ${number}`"
        @update:model-value="(value) => emit('edit', { option: value })"
      />
      <component
        :is="settings"
        v-if="settings"
        :block="block"
        :number="number"
        @edit="(part: Partial<Block>) => emit('edit', part)"
      />
      <BlockWho
        v-if="declared.isScoped"
        :who="block.who"
        :words="filled?.who"
        :known="known"
        :label="`Profiles of block ${number}`"
        @choose="(who) => emit('edit', { who })"
      />
      <DownloadMenu v-if="!declared.isWritten" :path="tables" :what="`Block ${number}`" />
      <Button label="Remove" text size="small" :aria-label="`Remove block ${number}`" @click="emit('remove')" />
    </div>
    <RichTextField
      v-if="block.kind === 'text' && session.mayWrite"
      :model-value="block.text ?? ''"
      :rows="5"
      :most="LONGEST_TEXT"
      :label="`Text of block ${number}`"
      placeholder="A letter, an explanation, what is planned next. A blank line begins a new paragraph."
      @write="(written) => emit('write', 'text', written)"
    />
    <ReportBlock
      v-else-if="filled && content"
      :block="filled"
      :name="name"
      :notes="content.notes"
      :time-zone="content.timeZone"
      :hide-comment="session.mayWrite"
      is-rich
      @select="(compared) => emit('select', compared)"
    />
    <RichTextField
      v-if="!declared.isWritten && session.mayWrite"
      :model-value="block.comment"
      :rows="2"
      :most="LONGEST_COMMENT"
      :label="`Comment on block ${number}`"
      placeholder="A comment beside the figures"
      @write="(written) => emit('write', 'comment', written)"
    />
  </div>
</template>

<style scoped>
.editor {
  border-top: 1px solid var(--rule);
  padding: 8px 0 14px;
}
.bar {
  justify-content: flex-start;
}
.handle {
  cursor: grab;
  color: var(--ink2);
  font-weight: 600;
  padding: 2px 6px;
}
.bar > :last-child {
  margin-left: auto;
}
</style>
