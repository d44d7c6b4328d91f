<script setup lang="ts">
/** How many questions were asked about each listing, and who answered them. */
import type { QuestionFigures } from '~~/shared/read/questions'

defineProps<{ listings: readonly QuestionFigures[]; isPlain?: boolean }>()
const COLUMNS = [
  { key: 'name', label: 'Listing', isWords: true, valueOf: ({ name }: QuestionFigures) => name },
  { key: 'asked', label: 'Asked', valueOf: ({ asked }: QuestionFigures) => asked },
  { key: 'owner', label: 'Answered by the owner', valueOf: ({ byOwner }: QuestionFigures) => byOwner },
  { key: 'visitors', label: 'By visitors', valueOf: ({ byVisitors }: QuestionFigures) => byVisitors },
  { key: 'waiting', label: 'Waiting', valueOf: ({ waiting }: QuestionFigures) => waiting },
]
</script>

<template>
  <WideContent label="Questions by listing">
    <OrderedTable
      name="questions"
      :columns="COLUMNS"
      :rows="listings"
      :key-of="({ profile }) => profile"
      :is-plain="isPlain"
    />
  </WideContent>
</template>
