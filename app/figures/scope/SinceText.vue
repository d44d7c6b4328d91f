<script setup lang="ts">
import { describeDay } from '~~/core/periods/describePeriod'
import type { Since } from '~~/shared/figures/description'

const props = defineProps<{ since: Since[] }>()
/** Those with the same first day are named together. */
const groups = computed(() =>
  [...new Set(props.since.map(({ from, touches }) => `${from} ${touches}`))].map((key) => {
    const list = props.since.filter(({ from, touches }) => `${from} ${touches}` === key)
    return {
      key,
      from: list[0]!.from,
      touches: list[0]!.touches,
      names: list.length > 3 ? `${list.length} profiles` : list.map(({ name }) => name).join('; '),
    }
  }),
)
</script>

<template>
  <p class="since" role="note">
    <template v-for="(group, index) in groups.slice(0, 3)" :key="group.key"
      >{{ index > 0 ? ' ' : '' }}Figures of {{ group.names }} exist from {{ describeDay(group.from)
      }}{{
        group.touches === 'comparison'
          ? ': the comparison reaches further back, so its change rests on the days present in both'
          : '; earlier days of the period are missing, not zero'
      }}.</template
    ><template v-if="groups.length > 3"> {{ groups.length - 3 }} more begin within these days.</template>
  </p>
</template>

<style scoped>
.since {
  color: var(--ink2);
  font-size: var(--text-small);
  padding: 5px 0 0;
  font-style: italic;
}
</style>
