<script setup lang="ts">
/** Which tag posts have, whether they were paid for, and from where they were published. */
import type { Block } from '~~/shared/report/blocks'

type Key = 'tags' | 'paid' | 'published'

const props = defineProps<{
  chosen: { [key in Key]?: string | undefined }
  /** What stands behind the name of each choice, where there are several of them on a page. */
  of?: string
}>()
const emit = defineEmits<{ choose: [part: Partial<Pick<Block, Key>>] }>()
const { tags } = useTags()
/** Of nothing chosen a list needs a value too. */
const ANY = 'any'
const choices = computed(
  () =>
    [
      {
        key: 'tags',
        label: 'Tag',
        options: [
          { value: ANY, name: 'with any tags' },
          ...tags.value.map(({ id, name }) => ({ value: String(id), name: `tagged ${name}` })),
          { value: 'none', name: 'without a tag' },
        ],
      },
      {
        key: 'paid',
        label: 'Organic or paid',
        options: [
          { value: ANY, name: 'organic and paid' },
          { value: 'organic', name: 'organic alone' },
          { value: 'paid', name: 'paid alone' },
        ],
      },
      {
        key: 'published',
        label: 'Published from here or elsewhere',
        options: [
          { value: ANY, name: 'wherever published' },
          { value: 'here', name: 'published from here' },
          { value: 'elsewhere', name: 'published elsewhere' },
        ],
      },
    ] as const,
)
/** What an address says that no list has counts as nothing chosen. */
const valueOf = ({ key, options }: (typeof choices.value)[number]) =>
  options.some(({ value }) => value === props.chosen[key]) ? props.chosen[key] : ANY
</script>

<template>
  <Select
    v-for="choice in choices"
    :key="choice.key"
    :model-value="valueOf(choice)"
    :options="[...choice.options]"
    option-label="name"
    option-value="value"
    v-bind="of ? { size: 'small' } : {}"
    :aria-label="of ? `${choice.label} ${of}` : choice.label"
    @update:model-value="(value) => emit('choose', { [choice.key]: value === ANY ? '' : value })"
  />
</template>
