<script setup lang="ts">
import { linked, listed, wrapped, type Selected } from '~~/shared/report/richMarks'
import { hasMarks } from '~~/shared/report/richText'

/** A field for a text with bold, lists and links: it grows with what is typed, and shows below how it will stand. */
const props = defineProps<{ modelValue: string; label: string; rows: number; most: number; placeholder: string }>()
const emit = defineEmits<{ write: [text: string] }>()
const place = ref<HTMLElement>()

function mark(change: (selected: Selected) => Selected) {
  const field = place.value?.querySelector('textarea')
  if (!field) return
  const made = change({ text: field.value, from: field.selectionStart, to: field.selectionEnd })
  field.focus()
  // as if it were typed, so that the browser's own undo takes it back
  field.setSelectionRange(0, field.value.length)
  document.execCommand('insertText', false, made.text)
  field.setSelectionRange(made.from, made.to)
}
const MARKS = [
  { name: 'Bold', change: (selected: Selected) => wrapped(selected, '**') },
  { name: 'List', change: listed },
  { name: 'Link', change: linked },
]
function byKey(event: KeyboardEvent) {
  if (!(event.ctrlKey || event.metaKey) || event.altKey || event.key.toLowerCase() !== 'b') return
  event.preventDefault()
  mark(MARKS[0]!.change)
}
</script>

<template>
  <div ref="place" class="rich-field">
    <Textarea
      class="no-print"
      :model-value="props.modelValue"
      :rows="rows"
      auto-resize
      fluid
      :aria-label="label"
      :placeholder="placeholder"
      @input="emit('write', ($event.target as HTMLTextAreaElement).value)"
      @keydown="byKey"
    />
    <div class="marks no-print" role="group" aria-label="Marks">
      <button
        v-for="{ name, change } in MARKS"
        :key="name"
        type="button"
        class="bare"
        :class="name.toLowerCase()"
        @mousedown.prevent
        @click="mark(change)"
      >
        {{ name }}
      </button>
    </div>
    <LettersLeft :text="props.modelValue" :most="most" />
    <div v-if="props.modelValue" class="shown" :class="{ 'only-print': !hasMarks(props.modelValue) }">
      <RichText :text="props.modelValue" />
    </div>
  </div>
</template>

<style scoped>
.marks {
  display: none;
  gap: 14px;
  font-size: var(--text-small);
  color: var(--zaffer);
}
.rich-field:focus-within .marks {
  display: flex;
}
.marks button {
  padding: 3px 0;
  text-decoration: underline;
  text-underline-offset: 2px;
}
.marks .bold {
  font-weight: 650;
}
.shown {
  border-left: 2px solid var(--zaffer);
  padding: 2px 0 2px 12px;
  margin-top: 6px;
  font: 400 var(--text-heading)/1.45 var(--serif);
}
</style>
