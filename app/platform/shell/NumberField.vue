<script setup lang="ts">
import { AmbiguousNumber, readNumber } from '~~/core/format/readNumber'

const props = defineProps<{
  id: string
  label: string
  problem?: string
  unit?: string
  hint?: string
  autofocus?: boolean
}>()
/** The number that is meant; undefined while the field is empty or cannot be read. */
const number = defineModel<number | undefined>({ required: true })
const locale = useLocale()
const write = (value: number) => new Intl.NumberFormat(locale, { maximumFractionDigits: 12 }).format(value)
const text = ref(number.value === undefined ? '' : write(number.value))
const unread = ref('')
const readings = ref<readonly number[]>([])
const isLeft = ref(false)
/** What the field is taken for, in full, so that it is seen before it is kept. */
const meaning = computed(() =>
  number.value === undefined || text.value.trim() === ''
    ? ''
    : `Read as ${write(number.value)}${props.unit ? ` ${props.unit}` : ''}.`,
)

/** What is wrong: while something is still being typed only what has to be asked about. */
const trouble = computed(() =>
  unread.value && (isLeft.value || readings.value.length > 0)
    ? unread.value
    : unread.value
      ? ''
      : (props.problem ?? ''),
)

function read() {
  unread.value = ''
  readings.value = []
  isLeft.value = false
  number.value = undefined
  if (text.value.trim() === '') return
  try {
    number.value = readNumber(text.value, locale)
  } catch (error) {
    unread.value = (error as Error).message
    if (error instanceof AmbiguousNumber) readings.value = error.readings
  }
}
function take(reading: number) {
  text.value = write(reading)
  unread.value = ''
  readings.value = []
  number.value = reading
}
/** Why what stands in the field cannot be kept, or nothing. */
defineExpose({ trouble: () => unread.value })
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}{{ unit ? `, in ${unit}` : '' }}</label>
    <InputText
      :id="id"
      v-model="text"
      inputmode="decimal"
      autocomplete="off"
      maxlength="40"
      :autofocus="autofocus"
      :invalid="!!trouble"
      :aria-describedby="`${id}-meaning`"
      @update:model-value="nextTick(read)"
      @blur="isLeft = true"
    />
    <p v-if="trouble" :id="`${id}-meaning`" class="field-error" role="alert">{{ trouble }}</p>
    <p v-else :id="`${id}-meaning`" class="quiet" aria-live="polite">{{ unread ? '' : meaning || hint }}</p>
    <p v-if="readings.length" class="row">
      <Button
        v-for="reading in readings"
        :key="reading"
        type="button"
        :label="write(reading)"
        outlined
        size="small"
        @click="take(reading)"
      />
    </p>
  </div>
</template>
