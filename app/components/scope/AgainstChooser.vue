<script setup lang="ts">
import type { Against } from '~~/core/periods/comparison'

defineProps<{ chosen: Against }>()
const emit = defineEmits<{ choose: [choice: Against] }>()
const CHOICES: { value: Against; name: string; hint: string }[] = [
  { value: 'before', name: 'The days before', hint: 'as many days, just before' },
  { value: 'same-dates-last-year', name: 'The same dates last year', hint: '' },
  { value: 'same-weekdays-last-year', name: 'The same weekdays last year', hint: '364 days earlier, Monday on Monday' },
  { value: 'none', name: 'Nothing', hint: 'no comparison' },
]
</script>

<template>
  <ul>
    <li v-for="choice in CHOICES" :key="choice.value">
      <button type="button" class="bare" :aria-current="choice.value === chosen" @click="emit('choose', choice.value)">{{ choice.name }} <span class="quiet">{{ choice.hint }}</span></button>
    </li>
  </ul>
</template>

<style scoped>
ul { list-style: none; display: grid; gap: 7px; }
button { padding: 2px 0; }
[aria-current='true'] { font-weight: 650; }
</style>
