<script setup lang="ts">
import type { Period } from '~~/core/periods/period'
import type PeriodWords from './PeriodWords.vue'

const props = defineProps<{ lastComplete: string; period: Period }>()
const emit = defineEmits<{ choose: [words: string] }>()
const PRESETS = [
  'last 7 days',
  'last 28 days',
  'last 90 days',
  'last 12 months',
  'this month',
  'last month',
  'this quarter',
  'last quarter',
  'this year',
  'last year',
  'this week',
  'last week',
]

const words = ref<InstanceType<typeof PeriodWords>>()
const range = ref<(Date | null)[]>([dateOf(props.period.from), dateOf(props.period.to)])
const lastDate = computed(() => dateOf(props.lastComplete))

function useRange() {
  const [from, to] = range.value
  if (from) emit('choose', `${dayOfDate(from)}..${dayOfDate(to ?? from)}`)
}
</script>

<template>
  <div class="chooser">
    <PeriodWords
      id="period-words"
      ref="words"
      label="In words"
      button="Show"
      :last-complete="lastComplete"
      placeholder="14 Sep to 3 Oct"
      hint="last month, MTD, Q3 2026, 2026, last 90 days …"
      @choose="(address) => emit('choose', address)"
    />
    <div class="presets">
      <button v-for="preset in PRESETS" :key="preset" type="button" class="bare" @click="words?.choose(preset)">
        {{ preset }}
      </button>
    </div>
    <div class="days">
      <span class="field-label">By the calendar</span>
      <DatePicker
        v-model="range"
        inline
        :show-other-months="false"
        selection-mode="range"
        :max-date="lastDate"
        :manual-input="false"
        show-week
        :pt="{ day: { 'aria-selected': undefined } }"
      />
      <Button label="Show these days" outlined :disabled="!range?.[0]" @click="useRange" />
    </div>
  </div>
</template>

<style scoped>
.chooser {
  width: 22rem;
}
.presets {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 4px 10px;
  margin-bottom: 12px;
}
.presets button {
  padding: 3px 0;
  color: var(--zaffer);
  text-decoration: underline;
  text-underline-offset: 2px;
}
.days {
  display: grid;
  gap: 6px;
  justify-items: start;
}
</style>
