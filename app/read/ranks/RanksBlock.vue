<script setup lang="ts">
import type { FilledRanks } from '~~/shared/read/ranksBlock'

defineProps<{ block: FilledRanks; heading: string }>()
</script>

<template>
  <RankText v-if="block.one" :view="block.one" is-plain />
  <RanksTable v-else-if="block.ranks?.rows.length" :view="block.ranks" is-plain />
  <p v-else class="quiet">Nothing is looked for.</p>
</template>
