<script setup lang="ts">
import type { FilledHabits } from '~~/shared/compare/habitsBlock'
import { signOf } from './habitsWords'

defineProps<{ block: FilledHabits; heading: string }>()
</script>

<template>
  <p v-if="block.habits.rhythm.length === 0" class="quiet">
    Nobody in this field has posted in the year to these days.
  </p>
  <HabitRhythm v-else-if="block.part === 'rhythm'" :habits="block.habits" is-plain />
  <HabitFormats v-else-if="block.part === 'formats'" :habits="block.habits" is-plain />
  <HabitCorners v-else-if="block.part === 'corners'" :habits="block.habits" :sign="signOf(block.corners)" is-plain />
  <HabitTerms v-else-if="block.part === 'terms'" :habits="block.habits" :sign="signOf(block.terms)" is-plain />
  <p v-else-if="block.habits.only.length === 0" class="quiet">Everybody uses what somebody else uses too.</p>
  <HabitOnly v-else :habits="block.habits" :sign="signOf(block.terms)" />
</template>
