<script setup lang="ts">
import { describeDay } from '~~/core/periods/describePeriod'
import type { FilledTimes } from '~~/shared/read/timesBlock'

defineProps<{ block: FilledTimes; heading: string }>()
const locale = useLocale()
</script>

<template>
  <p>
    By {{ block.response }} {{ block.base }}, {{ block.view.posts.counted.toLocaleString(locale) }} posts up to
    {{ describeDay(block.view.period.to) }}; hours of {{ block.view.zone.replace('_', ' ') }}.
  </p>
  <TimesText :view="block.view" :lines="block.view.there ? 'there' : 'arrive'" is-plain />
  <NetworkTimes v-if="block.view.byNetwork.length > 1" :networks="block.view.byNetwork" is-plain />
</template>
