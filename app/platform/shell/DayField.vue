<script setup lang="ts">
import { isDay } from '~~/core/days/day'
import { readDay } from '~~/core/days/readDay'
import { describeDay } from '~~/core/periods/describePeriod'
import type OpeningPopover from './OpeningPopover.vue'

defineProps<{ id: string; label: string; problem?: string }>()
/** The day as 2026-10-28; what cannot be read stands as it was typed, and is refused by whoever keeps it. */
const day = defineModel<string>({ required: true })
const popover = ref<InstanceType<typeof OpeningPopover>>()
const today = new Date().toISOString().slice(0, 10)
const written = (value: string) => (isDay(value) ? describeDay(value) : value)
const text = ref(written(day.value))
const unread = ref('')
/** What stands in the field is written anew only once the person has left it. */
const isTyping = ref(false)
watch(day, (value) => isDay(value) && !isTyping.value && (text.value = written(value)))

/** Takes what was typed; while it is being typed, only what can be read already. */
function read(isFinished: boolean) {
  unread.value = ''
  if (text.value.trim() === '') return void (day.value = '')
  try {
    isTyping.value = !isFinished
    day.value = readDay(text.value, today)
    if (isFinished) text.value = written(day.value)
  } catch (error) {
    day.value = text.value
    if (isFinished) unread.value = (error as Error).message
  }
}
const date = computed({
  get: () => (isDay(day.value) ? dateOf(day.value) : null),
  set: (chosen) => {
    if (!chosen) return
    day.value = dayOfDate(chosen)
    text.value = written(day.value)
    unread.value = ''
    popover.value?.hide()
  },
})
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <span class="row">
      <InputText
        :id="id"
        v-model="text"
        class="typed"
        autocomplete="off"
        :invalid="!!problem || !!unread"
        @update:model-value="nextTick(() => read(false))"
        @change="read(true)"
      />
      <Button
        label="Calendar"
        text
        size="small"
        :aria-label="`Calendar for “${label}”`"
        aria-haspopup="dialog"
        @click="popover?.toggle($event)"
      />
    </span>
    <OpeningPopover ref="popover" :label="`Calendar for “${label}”`"
      ><DatePicker
        v-model="date"
        inline
        :show-other-months="false"
        :manual-input="false"
        show-week
        :pt="{ day: { 'aria-selected': undefined } }"
    /></OpeningPopover>
    <p v-if="problem || unread" class="field-error" role="alert">{{ unread || problem }}</p>
  </div>
</template>

<style scoped>
.row {
  flex-wrap: nowrap;
  gap: 4px;
}
.typed {
  width: 8.5rem;
}
</style>
