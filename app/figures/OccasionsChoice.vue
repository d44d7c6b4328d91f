<script setup lang="ts">
/** Which tag, which days, and how many days around them. */
import { isDay } from '~~/core/days/day'
import { describeDay } from '~~/core/periods/describePeriod'
import { MOST_OCCASIONS, occasionsSchema } from '~~/shared/read/occasionsBlock'

interface Asked {
  tag?: number
  on: string
  before: number
  after: number
}
const props = defineProps<{ asked: Asked; label: string }>()
const emit = defineEmits<{ choose: [part: Partial<Asked>] }>()
const { tags } = useTags()
const id = useId()
const popover = ref<{ toggle: (event: Event) => void; hide: () => void }>()
const days = computed(() => props.asked.on.split(',').filter(isDay))
const form = reactive({ day: '', before: '', after: '' })
const problem = ref('')
const words = computed(() =>
  days.value.length === 0
    ? 'Choose the days'
    : `${days.value.map((day) => describeDay(day)).join(' and ')}, ${props.asked.before} days before to ${props.asked.after} after`,
)
function open(event: Event) {
  Object.assign(form, { day: '', before: String(props.asked.before), after: String(props.asked.after) })
  problem.value = ''
  popover.value?.toggle(event)
}
const drop = (day: string) => emit('choose', { on: days.value.filter((one) => one !== day).join(',') })
function choose() {
  problem.value = ''
  const on = [...new Set([...days.value, ...(form.day ? [form.day] : [])])].sort().join(',')
  try {
    const { tag: _tag, ...checked } = occasionsSchema.validateSync({ on, before: form.before, after: form.after })
    emit('choose', checked)
    form.day = ''
    popover.value?.hide()
  } catch (error) {
    problem.value = (error as Error).message
  }
}
</script>

<template>
  <Select
    :model-value="asked.tag"
    :options="[...tags]"
    option-label="name"
    option-value="id"
    placeholder="Choose a tag"
    size="small"
    :aria-label="`${label}: tag`"
    @update:model-value="(tag) => emit('choose', { tag })"
  />
  <Button :label="words" outlined size="small" aria-haspopup="dialog" @click="open" />
  <OpeningPopover ref="popover" :label="label">
    <form class="days" @submit.prevent="choose">
      <ul v-if="days.length">
        <li v-for="day in days" :key="day" class="row">
          {{ describeDay(day)
          }}<Button
            label="Leave out"
            text
            size="small"
            :aria-label="`Leave out ${describeDay(day)}`"
            @click="drop(day)"
          />
        </li>
      </ul>
      <DayField v-if="days.length < MOST_OCCASIONS" :id="`${id}-day`" v-model="form.day" label="Another day of it" />
      <div class="row">
        <div class="field">
          <label :for="`${id}-before`">Days before</label
          ><InputText :id="`${id}-before`" v-model="form.before" size="small" inputmode="numeric" />
        </div>
        <div class="field">
          <label :for="`${id}-after`">Days after</label
          ><InputText :id="`${id}-after`" v-model="form.after" size="small" inputmode="numeric" />
        </div>
      </div>
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      <Button type="submit" label="Compare" size="small" />
    </form>
  </OpeningPopover>
</template>

<style scoped>
.days {
  display: grid;
  gap: 4px;
  width: 19rem;
}
ul {
  list-style: none;
}
input {
  width: 6rem;
}
</style>
