<script setup lang="ts">
/** Times that can be taken for a post, a link each. */
import { describeDay } from '~~/core/periods/describePeriod'

defineProps<{ slots: readonly { /** Such as 2026-11-30T18:00. */ at: string; lead?: string; remark?: string }[] }>()
const emit = defineEmits<{ take: [at: string] }>()
</script>

<template>
  <ul>
    <li v-for="{ at, lead, remark } in slots" :key="at">
      <button type="button" class="bare as-link" @click="emit('take', at)">
        {{ lead }} {{ describeDay(at.slice(0, 10)) }}, {{ at.slice(11) }}
      </button>
      <span v-if="remark" class="quiet">{{ ` ${remark}` }}</span>
    </li>
  </ul>
</template>

<style scoped>
ul {
  list-style: none;
}
button {
  min-height: 24px;
}
</style>
