<script setup lang="ts">
import type { FilledHabits } from '~~/shared/compare/habitsBlock'
import { memberName } from './habitsWords'

const props = defineProps<{ block: FilledHabits; heading: string }>()
const sign = computed(() => (props.block.terms === 'hashtags' ? '#' : ''))
</script>

<template>
  <p v-if="block.habits.rhythm.length === 0" class="quiet">
    Nobody in this field has posted in the year to these days.
  </p>
  <HabitRhythm v-else-if="block.part === 'rhythm'" :habits="block.habits" is-plain />
  <HabitFormats v-else-if="block.part === 'formats'" :habits="block.habits" is-plain />
  <HabitCorners
    v-else-if="block.part === 'corners'"
    :habits="block.habits"
    :sign="block.corners === 'hashtag' ? '#' : ''"
    is-plain
  />
  <HabitTerms v-else-if="block.part === 'terms'" :habits="block.habits" :sign="sign" is-plain />
  <p v-else-if="block.habits.only.length === 0" class="quiet">Everybody uses what somebody else uses too.</p>
  <ul v-else>
    <li v-for="{ member, terms, all } in block.habits.only" :key="member">
      <strong>{{ memberName(block.habits.members, member) }}</strong
      >: {{ terms.map(({ term, posts }) => `${sign}${term} ${posts}`).join(', ')
      }}<template v-if="all > terms.length">, and {{ all - terms.length }} more</template>.
    </li>
  </ul>
</template>
