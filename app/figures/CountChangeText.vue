<script setup lang="ts">
/** How a plain count changed: its direction, by how much, and what speaks against making much of it. */
import type { CountChange } from '~~/core/change/countChange'
import { formatCount, formatShare } from '~~/core/format/numbers'

const props = defineProps<{ change: CountChange }>()
const locale = useLocale()
const text = computed(() => {
  const { relative, difference, isUnclear } = props.change
  if (difference === 0 && (relative === undefined || Math.abs(relative) < 0.0005)) return 'the same'
  if (isUnclear) return 'no clear change'
  return relative === undefined
    ? formatCount(Math.abs(difference), locale)
    : formatShare(Math.abs(relative), locale) + (props.change.isPerDay ? ' a day' : '')
})
const mark = computed(() => {
  if (['the same', 'no clear change'].includes(text.value)) return ''
  return (props.change.relative ?? props.change.difference) > 0 ? '▲' : '▼'
})
const title = computed(
  () =>
    `${formatCount(props.change.from, locale)} before, ${formatCount(props.change.to, locale)} now` +
    (props.change.isSmall ? '; a small base' : ''),
)
</script>

<template>
  <span :class="{ better: mark === '▲', worse: mark === '▼', quiet: !mark }" :title="title"
    ><span aria-hidden="true">{{ mark }}</span
    ><span v-if="mark" class="hidden-but-read">{{ mark === '▲' ? 'up' : 'down' }}</span> {{ text
    }}{{ change.isSmall && mark ? ', small base' : '' }}</span
  >
</template>
