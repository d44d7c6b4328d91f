<script setup lang="ts">
import { formatCount } from '~~/core/format/numbers'
import { describePeriodShort } from '~~/core/periods/describePeriod'
import { causeOf } from '~~/shared/read/unusual'
import { profilesWords } from '../read/unusual/unusualWords'
import type { WhatIsOpen } from '~~/shared/clients'
import { targetHeading, targetWords } from '../read/targets/targetWords'

const props = defineProps<{ open: WhatIsOpen }>()
const locale = useLocale()
const sections = computed(() =>
  [
    {
      title: 'Targets in danger, or that end soon',
      lines: [
        ...props.open.targets.map((target) => `${targetWords(target, locale)}, ${targetHeading(target, locale)}.`),
        ...props.open.due.map(({ sentence }) => sentence),
      ],
    },
    {
      title: 'Unusual days without a reason',
      lines: props.open.unusual
        .map(causeOf)
        .map(
          (cause) =>
            `${describePeriodShort(cause)}, ${profilesWords(cause)}: ${formatCount(cause.value, locale)} ` +
            `interactions, usually ${formatCount(cause.usual, locale)}.`,
        ),
    },
    {
      title: 'Profiles that need somebody',
      lines: props.open.troubles.map(({ name, sentence }) => `${name}: ${sentence}`),
    },
  ].filter(({ lines }) => lines.length > 0),
)
</script>

<template>
  <div>
    <p v-if="sections.length === 0" class="quiet">
      Nothing is open: targets are on course, unusual days have their reason, and all figures are up to date.
    </p>
    <template v-for="section in sections" :key="section.title">
      <h3>{{ section.title }}</h3>
      <ul>
        <li v-for="line in section.lines" :key="line">{{ line }}</li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
h3 {
  font: 600 var(--text-label) var(--sans);
  color: var(--ink2);
  margin: 8px 0 2px;
}
ul {
  list-style: none;
  display: grid;
  gap: 3px;
}
</style>
