<script setup lang="ts">
/** By what times are told: the response and its base, the weeks, the network, the zone, and how many slots are wanted. */
import { RESPONSE_BASES, RESPONSES } from '~~/core/times/responses'
import { TIME_WEEKS, timesSchema, type TimesQuery } from '~~/shared/read/times'

const props = defineProps<{
  asked: Partial<Record<keyof TimesQuery, string | number>>
  networks: readonly { id: string; name: string }[]
  countries: readonly { id: string; name: string }[]
  /** What the labels end with, where there are several of them on a page. */ of?: string
}>()
const emit = defineEmits<{ choose: [name: keyof TimesQuery, value: string] }>()
const { description } = useScope()
const USUAL = timesSchema.getDefault()
const valueOf = (name: keyof TimesQuery) => String(props.asked[name] || USUAL[name])
const zoneName = computed(() => description.data.value?.client.timeZone.split('/').at(-1)!.replace('_', ' ') ?? '')
/** Some counts, with the one that is chosen now among them. */
const counts = (name: 'wanted' | 'apart', all: readonly number[], words: (count: number) => string) =>
  [...new Set([...all, Number(valueOf(name))])]
    .filter(Number.isFinite)
    .sort((a, b) => a - b)
    .map((count) => ({ value: String(count), name: words(count) }))
const many = (count: number, word: string) => `${count} ${count === 1 ? word : `${word}s`}`
const CHOICES = computed<{ name: keyof TimesQuery; label: string; options: { value: string; name: string }[] }[]>(
  () => [
    {
      name: 'response',
      label: 'By what',
      options: RESPONSES.map(({ id, name }) => ({ value: id, name: `by ${name}` })),
    },
    { name: 'base', label: 'For each of what', options: RESPONSE_BASES.map(({ id, name }) => ({ value: id, name })) },
    {
      name: 'weeks',
      label: 'Over how many weeks',
      options: TIME_WEEKS.map((weeks) => ({ value: String(weeks), name: `over ${weeks} weeks` })),
    },
    {
      name: 'network',
      label: 'On which networks',
      options: [
        { value: 'all', name: 'on all networks' },
        ...props.networks.map(({ id, name }) => ({ value: id, name: `on ${name}` })),
      ],
    },
    {
      name: 'zone',
      label: 'In whose time',
      options: [
        { value: 'all', name: `in ${zoneName.value} time` },
        ...props.countries.map(({ id, name }) => ({ value: id, name: `in the time of ${name}` })),
      ],
    },
    {
      name: 'wanted',
      label: 'How many slots a week',
      options: counts('wanted', [1, 2, 3, 5, 7, 10, 14], (count) => `${many(count, 'slot')} a week`),
    },
    {
      name: 'apart',
      label: 'How far apart',
      options: counts('apart', [1, 3, 6, 12, 24, 48], (count) => `${many(count, 'hour')} apart`),
    },
  ],
)
</script>

<template>
  <Select
    v-for="choice in CHOICES"
    :key="choice.name"
    :model-value="valueOf(choice.name) || 'all'"
    :options="choice.options"
    option-label="name"
    option-value="value"
    size="small"
    :aria-label="of ? `${choice.label}, ${of}` : choice.label"
    @update:model-value="(value: string) => emit('choose', choice.name, value === 'all' ? '' : value)"
  />
</template>
