<script setup lang="ts">
import { describeInstant } from '~~/core/periods/describePeriod'
import type { FilledFound } from '~~/shared/gather/foundBlock'

defineProps<{ block: FilledFound }>()
</script>

<template>
  <div v-if="block.found">
    <p class="quiet">{{ block.found.address }}, as it was on {{ describeInstant(block.searchedAt!) }}.</p>
    <FoundText :found="block.found" is-plain />
  </div>
  <p v-else class="quiet">The client’s profiles were not looked for yet.</p>
</template>
