<script setup lang="ts">
import type { FilledTargets } from '~~/shared/read/targetsBlock'

defineProps<{ block: FilledTargets }>()
</script>

<template>
  <div>
    <TargetText v-for="target in block.targets" :key="target.id" :target="target" />
    <p v-if="block.targets.length === 0" class="quiet">No target was set.</p>
  </div>
</template>
