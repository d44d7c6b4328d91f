<script setup lang="ts">
import type { FilledTimes } from '~~/shared/read/timesBlock'

const props = defineProps<{ block: FilledTimes; heading: string }>()
const locale = useLocale()
</script>

<template>
  <p>
    By {{ block.response }} {{ block.base }}, {{ block.view.posts.counted.toLocaleString(locale) }} posts up to
    {{
      new Date(`${block.view.period.to}T12:00Z`).toLocaleDateString(locale, {
        day: 'numeric',
        month: 'long',
        year: 'numeric',
        timeZone: 'UTC',
      })
    }}; hours of {{ block.view.zone.replace('_', ' ') }}.
  </p>
  <TimesText :view="props.block.view" lines="there" is-plain />
</template>
