<script setup lang="ts">
/** Opening hours as a week and days that are otherwise; what these cannot say is written as text. */
import { editableHours, hoursText, readHours, WEEKDAY_NAMES, type EditableHours } from '~~/core/places/openingHours'

defineProps<{ problem?: string }>()
/** As OpenStreetMap writes opening_hours. */
const hours = defineModel<string>({ required: true })
const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']
const MOST_EXCEPTIONS = 40
function asEditable(text: string): EditableHours | undefined {
  try {
    return text.trim() === '' ? { week: WEEKDAY_NAMES.map(() => ''), exceptions: [] } : editableHours(readHours(text))
  } catch {
    return undefined
  }
}
const plain = reactive<EditableHours>(asEditable(hours.value) ?? { week: WEEKDAY_NAMES.map(() => ''), exceptions: [] })
const isText = ref(asEditable(hours.value) === undefined)
const trouble = ref('')
/** Writes the text anew from what stands in the week. */
function write() {
  trouble.value = ''
  try {
    const isEmpty = plain.week.every((times) => times.trim() === '') && plain.exceptions.length === 0
    hours.value = isEmpty ? '' : hoursText(plain)
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
function asWeek() {
  const found = asEditable(hours.value)
  if (!found) return void (trouble.value = 'These hours have months or yearly dates, which a week cannot show.')
  Object.assign(plain, found)
  trouble.value = ''
  isText.value = false
}
function asOnMonday() {
  plain.week = plain.week.map(() => plain.week[0]!)
  write()
}
function addException() {
  plain.exceptions.push({ from: '', to: '', times: 'off' })
}
function removeException(index: number) {
  plain.exceptions.splice(index, 1)
  write()
}
/** What stands in the way of keeping it, or nothing. */
defineExpose({ trouble: () => trouble.value })
</script>

<template>
  <fieldset>
    <legend>Opening hours</legend>
    <template v-if="isText">
      <Textarea
        v-model="hours"
        rows="3"
        fluid
        aria-label="Opening hours as text"
        aria-describedby="hours-hint"
        :invalid="!!problem"
      />
      <p id="hours-hint" class="quiet">
        As OpenStreetMap writes them: Apr-Oct Mo-Su 09:00-18:00; Nov-Mar Sa,Su 10:00-15:00; Dec 25 off
      </p>
      <Button type="button" label="As a week" text size="small" @click="asWeek" />
    </template>
    <template v-else>
      <div v-for="(day, index) in DAYS" :key="day" class="day">
        <label :for="`hours-${index}`">{{ day }}</label>
        <InputText
          :id="`hours-${index}`"
          v-model="plain.week[index]"
          placeholder="closed"
          :maxlength="80"
          @update:model-value="write"
        />
      </div>
      <p class="quiet">09:00-17:00, or 09:00-12:00,13:00-17:00; empty or off is closed.</p>
      <div v-for="(exception, index) in plain.exceptions" :key="index" class="row otherwise">
        <InputText
          v-model="exception.from"
          placeholder="2026-12-24"
          :aria-label="`Otherwise from, ${index + 1}`"
          @update:model-value="write"
        />
        <InputText
          v-model="exception.to"
          placeholder="2027-01-02"
          :aria-label="`Otherwise to, ${index + 1}`"
          @update:model-value="write"
        />
        <InputText v-model="exception.times" :aria-label="`Times then, ${index + 1}`" @update:model-value="write" />
        <Button
          type="button"
          label="Remove"
          text
          size="small"
          :aria-label="`Remove the exception ${index + 1}`"
          @click="removeException(index)"
        />
      </div>
      <div class="row">
        <Button type="button" label="Every day as on Monday" text size="small" @click="asOnMonday" />
        <Button
          v-if="plain.exceptions.length < MOST_EXCEPTIONS"
          type="button"
          label="Days that are otherwise"
          text
          size="small"
          @click="addException"
        />
        <Button type="button" label="Write as text" text size="small" @click="isText = true" />
      </div>
    </template>
    <p v-if="trouble || problem" class="field-error" role="alert">{{ trouble || problem }}</p>
  </fieldset>
</template>

<style scoped>
.day {
  display: grid;
  grid-template-columns: 7em 1fr;
  align-items: center;
  margin-bottom: 3px;
}
.otherwise {
  margin-bottom: 4px;
}
.otherwise :deep(input) {
  width: 8.5em;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0 0 12px;
}
legend {
  font-weight: 600;
  color: var(--ink2);
  font-size: var(--text-label);
}
</style>
