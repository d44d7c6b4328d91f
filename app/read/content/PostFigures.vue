<script setup lang="ts">
/** Figures of a post, each with what is usual beside it; one that is selected shows its working. */
import { oneDecimal } from '~~/core/format/numbers'
import { postFigureById } from '~~/core/posts/postFigures'
import type { PostFigureView } from '~~/shared/read/post'
import { sayPostValue } from './postFigureText'

const props = defineProps<{ figures: PostFigureView[]; chosen?: string; format: string; label: string }>()
const emit = defineEmits<{ select: [figure: PostFigureView] }>()
const locale = useLocale()
const beside = ({ id, usual }: PostFigureView) => {
  if (!usual) return ''
  if (usual.value === 0) return `usually ${sayPostValue(id, 0, locale)}`
  return `${oneDecimal(usual.own / usual.value, locale)} × its median ${props.format}`
}
const range = ({ id, low, high }: PostFigureView) =>
  low === undefined || high === undefined ? '' : `${sayPostValue(id, low, locale)} to ${sayPostValue(id, high, locale)}`
</script>

<template>
  <ul class="figures" :aria-label="label">
    <li v-for="figure in figures" :key="figure.id" :class="{ on: chosen === figure.id }">
      <button type="button" class="bare" :aria-pressed="chosen === figure.id" @click="emit('select', figure)">
        <span class="label">{{ postFigureById(figure.id).name }}</span>
        <span class="value">{{ sayPostValue(figure.id, figure.value, locale) }}</span>
        <span class="quiet small">{{ [range(figure), beside(figure)].filter(Boolean).join(' · ') }}</span>
      </button>
    </li>
  </ul>
</template>

<style scoped>
.figures {
  list-style: none;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(158px, 1fr));
  border-top: 1px solid var(--rule2);
}
.figures li {
  border-bottom: 1px solid var(--rule2);
  border-right: 1px solid var(--rule);
}
.figures li.on {
  background: var(--wash);
  box-shadow: inset 0 2px 0 var(--zaffer);
}
.figures button {
  display: grid;
  align-content: start;
  text-align: left;
  width: 100%;
  height: 100%;
  padding: 7px 10px;
}
.label {
  color: var(--ink2);
}
.value {
  font: 600 1.43rem/1.25 var(--serif);
}
.small {
  font-size: var(--text-small);
}
</style>
