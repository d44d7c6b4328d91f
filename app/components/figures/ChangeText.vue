<script setup lang="ts">
import type { Change } from '~~/core/change/change'
import { formatChange } from '~~/core/format/formatFigure'

const props = defineProps<{ metric: string; change: Change; short?: boolean }>()
const text = computed(() => formatChange(props.metric, props.change, useLocale()))
const words = computed(() => (props.short ? text.value.text.split(/ from |: /)[0]! : text.value.text))
const spoken = computed(() => (text.value.mark === '▲' ? 'up' : text.value.mark === '▼' ? 'down' : ''))
</script>

<template>
  <span :class="text.judgement" :title="change.basis ?? change.reason ?? text.text"><span aria-hidden="true">{{ text.mark }}</span><span class="hidden-but-read">{{ spoken }}</span> {{ words }}<span v-if="change.basis" aria-hidden="true">*</span><span v-if="change.basis" class="hidden-but-read">, {{ change.basis }}</span></span>
</template>

<style scoped>
span { color: var(--ink2); }
.better, .better > span { color: var(--better); }
.worse, .worse > span { color: var(--worse); }
</style>
