<script setup lang="ts">
import { isNamedAgainst } from '~~/core/periods/comparison'
import type { Period } from '~~/core/periods/period'
import { AGAINST_CHOICES } from './againstChoices'

const props = defineProps<{ chosen: string; lastComplete: string; period: Period }>()
const emit = defineEmits<{ choose: [choice: string] }>()
const refuse = ({ from, to }: Period) =>
  from === props.period.from && to === props.period.to
    ? 'A period cannot be compared with itself. Choose other days.'
    : undefined
</script>

<template>
  <div class="chooser">
    <ul>
      <li v-for="choice in AGAINST_CHOICES" :key="choice.value">
        <button
          type="button"
          class="bare"
          :aria-current="choice.value === chosen"
          @click="emit('choose', choice.value)"
        >
          {{ choice.name }} <span class="quiet">{{ choice.hint }}</span>
        </button>
      </li>
    </ul>
    <PeriodWords
      id="against-words"
      label="Days of your own"
      button="Compare"
      :last-complete="lastComplete"
      :refuse="refuse"
      placeholder="Q3 2025"
      :hint="
        isNamedAgainst(chosen) ? 'Q3 2025, 3 to 30 September, last month …' : 'These days of your own are chosen now.'
      "
      @choose="(address) => emit('choose', address)"
    />
  </div>
</template>

<style scoped>
.chooser {
  width: 22rem;
}
ul {
  list-style: none;
  display: grid;
  gap: 7px;
  margin-bottom: 12px;
}
button {
  padding: 2px 0;
  text-align: left;
}
[aria-current='true'] {
  font-weight: 650;
}
</style>
