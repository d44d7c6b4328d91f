<script setup lang="ts">
import { metricById } from '~~/core/metrics/catalogue'
import type { FilledTable } from '~~/shared/read/tableBlock'

const props = defineProps<{ block: FilledTable; heading: string }>()
const HEADINGS = { profile: 'Profile', network: 'Network', set: 'Set' } as const
/** The changes of rates: a reader may want to compute them again. */
const changes = computed(() =>
  props.block.rows.flatMap((row) =>
    props.block.metrics
      .filter((metric) => metricById(metric).kind === 'ratio')
      .map((metric) => ({ of: row.name, compared: row.figures[metric]! })),
  ),
)
</script>

<template>
  <div>
    <WideContent :label="heading || 'Table'"
      ><ProfileTable :rows="block.rows" :metrics="block.metrics" :heading="HEADINGS[block.by ?? 'profile']" is-plain
    /></WideContent>
    <ChangeFootnotes v-if="changes.length" :figures="changes" />
  </div>
</template>
