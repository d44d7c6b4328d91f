<script setup lang="ts">
import type { Change } from '~~/core/change/change'
import { formatChange } from '~~/core/format/formatChange'

/** `shown` is the value beside it: where the change rests on less than that, both numbers that it rests on are said. */
const props = defineProps<{ metric: string; change: Change; shown?: number; short?: boolean }>()
const text = computed(() => formatChange(props.metric, props.change, useLocale(), props.shown))
const words = computed(() => (props.short ? text.value.short : text.value.text))
const spoken = computed(() => (text.value.mark === '▲' ? 'up' : text.value.mark === '▼' ? 'down' : ''))
const title = computed(() =>
  [text.value.text, props.change.basis, props.change.reason].filter((part) => part !== undefined).join('; '),
)
</script>

<template>
  <span :class="text.judgement" :title="title"
    ><span aria-hidden="true">{{ text.mark }}</span
    ><span class="hidden-but-read">{{ spoken }}</span> {{ words }}<span v-if="change.basis" aria-hidden="true">*</span
    ><span v-if="change.basis" class="hidden-but-read">, {{ change.basis }}</span></span
  >
</template>

<style scoped>
span {
  color: var(--ink2);
}
.better,
.better > span {
  color: var(--better);
}
.worse,
.worse > span {
  color: var(--worse);
}
</style>
