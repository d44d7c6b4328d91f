<script setup lang="ts">
/** In the margin: how a figure of a post came about, what it is compared with, and the notes of its days. */
import type { Rounding } from '~~/core/format/formatter'
import { oneDecimal } from '~~/core/format/numbers'
import { describePeriodShort } from '~~/core/periods/describePeriod'
import { postFigureById } from '~~/core/posts/postFigures'
import type { PostFigureView } from '~~/shared/read/post'
import type { Note } from '~~/shared/figures/notes'
import { sayPostValue } from './postFigureText'

const props = defineProps<{
  figure?: PostFigureView
  /** At which age it is compared, in words. */ age: string
  format: string
  profile: string
  notes: readonly Note[]
}>()
const locale = useLocale()
const kind = computed(() => props.figure && postFigureById(props.figure.id))
const say = (value: number, rounding?: Rounding) => sayPostValue(props.figure!.id, value, locale, rounding)
</script>

<template>
  <section aria-live="polite">
    <template v-if="figure && kind">
      <h2>Workings: {{ kind.name }}</h2>
      <p>{{ kind.definition }}</p>
      <p v-if="figure.low !== undefined && figure.high !== undefined">
        Between {{ say(figure.low, 'down') }} and {{ say(figure.high, 'up') }} with 95 %, of its {{ kind.base!.words }}.
      </p>
      <dl v-if="figure.usual">
        <dt>{{ kind.name }} {{ age }}</dt>
        <dd>{{ say(figure.usual.own) }}</dd>
        <dt>Median of {{ figure.usual.posts }} others, {{ age }} each</dt>
        <dd>{{ say(figure.usual.value) }}</dd>
        <template v-if="figure.usual.value > 0"
          ><dt><b>Times usual</b></dt>
          <dd>
            <b>{{ oneDecimal(figure.usual.own / figure.usual.value, locale) }}</b>
          </dd></template
        >
      </dl>
      <p v-if="figure.usual" class="quiet">
        Others are posts of {{ profile }} of the same format ({{ format }}) within a year of it. They are compared at
        the same age: a younger post is set against the others at its age. Posts with paid impressions are left out.
      </p>
      <p v-else class="quiet">
        Fewer than five other posts of its profile and format are known at its age, so nothing is said of what is usual.
      </p>
    </template>
    <p v-else class="quiet">Select a figure to see how it came about.</p>
    <h2>Notes of its days</h2>
    <ul v-if="notes.length">
      <li v-for="note in notes" :key="note.id">
        <b>{{ note.title }}</b> {{ describePeriodShort(note) }}. {{ note.body }}
      </li>
    </ul>
    <p v-else class="quiet">No note touches the day it was published or the week after.</p>
  </section>
</template>

<style scoped>
p,
dl {
  margin-bottom: 6px;
}
dl {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 3px 10px;
  border-block: 1px solid var(--rule);
  padding: 4px 0;
}
ul {
  list-style: none;
}
</style>
