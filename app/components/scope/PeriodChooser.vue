<script setup lang="ts">
import { parsePeriod } from '~~/core/periods/parsePeriod'
import { describePeriod } from '~~/core/periods/describePeriod'
import type { Period } from '~~/core/periods/period'

const props = defineProps<{ lastComplete: string; period: Period }>()
const emit = defineEmits<{ choose: [words: string] }>()
const PRESETS = ['last 7 days', 'last 28 days', 'last 90 days', 'last 12 months', 'this month', 'last month', 'last quarter', 'this year', 'last year']

const words = ref('')
const problem = ref('')
const range = ref<(Date | null)[]>([toDate(props.period.from), toDate(props.period.to)])
const lastDate = computed(() => toDate(props.lastComplete))
const meaning = computed(() => {
  if (words.value.trim() === '') return ''
  try {
    return describePeriod(parsePeriod(words.value, props.lastComplete).period)
  } catch {
    return ''
  }
})

function toDate(day: string): Date {
  const [year, month, dayOfMonth] = day.split('-').map(Number)
  return new Date(year!, month! - 1, dayOfMonth)
}
const toDay = (date: Date) => `${date.getFullYear()}-${String(date.getMonth() + 1).padStart(2, '0')}-${String(date.getDate()).padStart(2, '0')}`

function useWords(text: string) {
  try {
    const { period, rolling } = parsePeriod(text, props.lastComplete)
    emit('choose', rolling ? text.trim().toLowerCase().replace(/\s+/g, '-') : `${period.from}..${period.to}`)
  } catch (error) {
    problem.value = (error as Error).message
  }
}
function useRange() {
  const [from, to] = range.value
  if (from) emit('choose', `${toDay(from)}..${toDay(to ?? from)}`)
}
</script>

<template>
  <div class="chooser">
    <form class="field" @submit.prevent="useWords(words)">
      <label for="period-words">In words</label>
      <div class="row">
        <InputText id="period-words" v-model="words" placeholder="14 Sep to 3 Oct" :invalid="problem !== ''" aria-describedby="period-meaning" @input="problem = ''" />
        <Button type="submit" label="Show" />
      </div>
      <p id="period-meaning" :class="problem ? 'field-error' : 'quiet'" aria-live="polite">{{ problem || meaning || 'last month, Q3 2026, 2026, last 90 days …' }}</p>
    </form>
    <div class="presets"><button v-for="preset in PRESETS" :key="preset" type="button" class="bare" @click="useWords(preset)">{{ preset }}</button></div>
    <div class="days">
      <span class="field-label">By the calendar</span>
      <DatePicker v-model="range" inline :show-other-months="false" selection-mode="range" :max-date="lastDate" :manual-input="false" show-week :pt="{ day: { 'aria-selected': undefined } }" />
      <Button label="Show these days" outlined :disabled="!range?.[0]" @click="useRange" />
    </div>
  </div>
</template>

<style scoped>
.chooser { width: 22rem; }
.presets { display: grid; grid-template-columns: repeat(3, 1fr); gap: 4px 10px; margin-bottom: 12px; }
.presets button { padding: 3px 0; color: var(--zaffer); text-decoration: underline; text-underline-offset: 2px; }
.days { display: grid; gap: 6px; justify-items: start; }
</style>
