<script setup lang="ts">
/** Which words the posts have to have: a phrase that opens what can be looked for. */
import { readWords } from '~~/core/posts/filterPosts'

export interface Looked {
  any: string
  all: string
  none: string
}
const props = defineProps<{ looked: Looked; label: string }>()
const emit = defineEmits<{ look: [looked: Looked] }>()
const FIELDS = [
  { key: 'any', label: 'Any of these words' },
  { key: 'all', label: 'All of these words' },
  { key: 'none', label: 'None of these words' },
] as const
const id = useId()
const form = reactive<Looked>({ any: '', all: '', none: '' })
const problem = ref('')
const popover = ref<{ toggle: (event: Event) => void; hide: () => void }>()
const list = (text: string, between: string) => {
  try {
    return readWords(text)
      .map((word) => `“${word}”`)
      .join(between)
  } catch {
    // an address can hold anything; the answer says what is wrong with it
    return '…'
  }
}
const words = computed(() => {
  const { any, all, none } = props.looked
  const parts = [
    ...(any ? [`with ${list(any, ' or ')}`] : []),
    ...(all ? [`with ${list(all, ' and ')}`] : []),
    ...(none ? [`without ${list(none, ' or ')}`] : []),
  ]
  return parts.length === 0 ? 'with any words' : parts.join(', ')
})
function open(event: Event) {
  Object.assign(form, props.looked)
  problem.value = ''
  popover.value?.toggle(event)
}
function look() {
  try {
    FIELDS.forEach(({ key }) => readWords(form[key]))
  } catch (error) {
    return void (problem.value = (error as Error).message)
  }
  emit('look', { ...form })
  popover.value?.hide()
}
function clear() {
  emit('look', { any: '', all: '', none: '' })
  popover.value?.hide()
}
</script>

<template>
  <button type="button" class="phrase" aria-haspopup="dialog" @click="open">{{ words }}</button>
  <OpeningPopover ref="popover" :label="label">
    <form class="words" @submit.prevent="look">
      <div v-for="field in FIELDS" :key="field.key" class="field">
        <label :for="`${id}-${field.key}`">{{ field.label }}</label
        ><InputText :id="`${id}-${field.key}`" v-model="form[field.key]" fluid :maxlength="1000" />
      </div>
      <p class="quiet">Apart by blanks or commas; “between quotation marks” several are one. Hashtags are words too.</p>
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      <div class="row"><Button type="submit" label="Look" /><Button label="Any words" text @click="clear" /></div>
    </form>
  </OpeningPopover>
</template>

<style scoped>
.words {
  display: grid;
  gap: 4px;
  width: 20rem;
}
.phrase {
  padding: 4px 0;
  border: 0;
  background: none;
  font: inherit;
  cursor: pointer;
  color: var(--zaffer);
  text-decoration: underline;
  text-underline-offset: 3px;
  max-width: 26rem;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
