<script setup lang="ts">
/** What each member uses that nobody else does. */
import type { HabitsView } from '~~/shared/compare/habits'
import { memberName } from './habitsWords'

defineProps<{ habits: HabitsView; sign: string }>()
</script>

<template>
  <ul>
    <li v-for="{ member, terms, all } in habits.only" :key="member">
      <strong>{{ memberName(habits.members, member) }}</strong
      >: {{ terms.map(({ term, posts }) => `${sign}${term} ${posts}`).join(', ')
      }}<template v-if="all > terms.length">, and {{ all - terms.length }} more</template>.
    </li>
  </ul>
</template>

<style scoped>
ul {
  margin: 4px 0;
  padding-left: 18px;
}
</style>
