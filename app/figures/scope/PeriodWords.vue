<script setup lang="ts">
import { AmbiguousPeriod, parsePeriod, type Reading } from '~~/core/periods/parsePeriod'
import { describePeriod } from '~~/core/periods/describePeriod'
import type { Period } from '~~/core/periods/period'
import { periodAddress } from '~~/core/periods/periodKind'

/**
 * A period in a person's own words. What it is taken for is shown before it is taken; what can be two things is asked
 * about.
 */
const props = defineProps<{
  id: string
  label: string
  button: string
  lastComplete: string
  placeholder: string
  hint: string
  /** Why a period cannot be taken here, in a sentence. */ refuse?: (period: Period) => string | undefined
}>()
const emit = defineEmits<{ choose: [address: string] }>()
const words = ref('')
/** "Against Q3 2025" is typed as it is spoken. */
const bare = (text: string) => text.trim().replace(/^against\s+/i, '')
const problem = ref('')
const readings = ref<readonly Reading[]>([])
const meaning = computed(() => {
  if (words.value.trim() === '') return ''
  try {
    const { period, remark } = parsePeriod(bare(words.value), props.lastComplete)
    return `${describePeriod(period)}${remark ? `. ${remark}` : ''}`
  } catch {
    return ''
  }
})

function choose(typed: string) {
  const text = bare(typed)
  try {
    const { period, rolling, running } = parsePeriod(text, props.lastComplete)
    problem.value = props.refuse?.(period) ?? ''
    if (!problem.value)
      emit('choose', rolling ? text.toLowerCase().replace(/\s+/g, '-') : periodAddress(period, running))
  } catch (error) {
    problem.value = (error as Error).message
    readings.value = error instanceof AmbiguousPeriod ? error.readings : []
  }
}
function forget() {
  problem.value = ''
  readings.value = []
}
defineExpose({ choose })
</script>

<template>
  <form class="field" @submit.prevent="choose(words)">
    <label :for="id">{{ label }}</label>
    <div class="row">
      <InputText
        :id="id"
        v-model="words"
        :placeholder="placeholder"
        :invalid="problem !== ''"
        :aria-describedby="`${id}-meaning`"
        maxlength="60"
        @input="forget"
      />
      <Button type="submit" :label="button" />
    </div>
    <p :id="`${id}-meaning`" :class="problem ? 'field-error' : 'quiet'" aria-live="polite">
      {{ problem || meaning || hint }}
    </p>
    <p v-if="readings.length" class="readings">
      <Button
        v-for="reading in readings"
        :key="reading.words"
        type="button"
        :label="reading.name"
        outlined
        size="small"
        @click="choose(reading.words)"
      />
    </p>
  </form>
</template>

<style scoped>
.readings {
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
  margin-top: 6px;
}
</style>
