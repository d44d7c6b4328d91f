<script setup lang="ts">
/** Times of the week, one below the other: chosen, typed, taken away, one more. */
import { WEEKDAYS } from '~~/core/times/slots'
import type { SlotRow } from './slotTimes'

const rows = defineModel<SlotRow[]>({ required: true })
const MOST = 50
const weekdays = WEEKDAYS.map((name, index) => ({ id: index + 1, name }))
</script>

<template>
  <div>
    <p v-if="rows.length === 0" class="quiet">No slot yet.</p>
    <ul>
      <li v-for="(row, index) in rows" :key="index" class="row">
        <Select
          v-model="row.weekday"
          :options="weekdays"
          option-label="name"
          option-value="id"
          size="small"
          :aria-label="`Weekday of slot ${index + 1}`"
        />
        <InputText v-model="row.time" type="time" size="small" :aria-label="`Time of slot ${index + 1}`" />
        <Button
          type="button"
          label="Take away"
          text
          size="small"
          :aria-label="`Take away slot ${index + 1}`"
          @click="rows.splice(index, 1)"
        />
      </li>
    </ul>
    <Button
      v-if="rows.length < MOST"
      type="button"
      label="One more slot"
      outlined
      size="small"
      @click="rows.push({ weekday: 1, time: '' })"
    />
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  display: grid;
  gap: 6px;
  margin: 10px 0;
}
</style>
