<script setup lang="ts">
import { describePeriodShort, shortDay } from '~~/core/periods/describePeriod'
import type { Note } from '~~/shared/figures/notes'

const shell = useShell()
const session = useSession()
const { slug, base } = useClient()
const { address } = useScope()
const { data: notes } = useQuery({
  key: () => ['notes', slug.value, address.value],
  query: () => api<Note[]>(`${base.value}/notes`, { query: address.value }),
})
const days = ({ from, to }: Note) =>
  from.slice(0, 4) === to.slice(0, 4)
    ? from === to
      ? shortDay(from)
      : `${shortDay(from)} – ${shortDay(to)}`
    : describePeriodShort({ from, to })
</script>

<template>
  <section>
    <h2>Notes</h2>
    <ol>
      <li v-for="(note, index) in notes ?? []" :key="note.id">
        <b>{{ index + 1 }}</b>
        <span
          ><button
            v-if="session.mayWrite"
            type="button"
            class="bare title"
            aria-haspopup="dialog"
            @click="shell.note = note"
          >
            {{ note.title }}</button
          ><span v-else class="title">{{ note.title }}</span> {{ days(note) }}. {{ note.body }}</span
        >
      </li>
    </ol>
    <p v-if="notes?.length === 0" class="quiet">
      No note touches these days.
      <button v-if="session.mayWrite" type="button" class="bare link" aria-haspopup="dialog" @click="shell.note = {}">
        Write the first
      </button>
    </p>
  </section>
</template>

<style scoped>
h2 {
  font: italic 600 15px var(--serif);
  border-bottom: 1px solid var(--rule);
  padding-bottom: 6px;
  margin-bottom: 8px;
}
ol {
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: 22px 1fr;
  font-size: 0.964rem;
  margin-bottom: 10px;
  color: var(--ink2);
}
b {
  color: var(--zaffer);
}
.title {
  font-weight: 650;
  color: var(--ink);
}
button.title:hover,
.link {
  text-decoration: underline;
}
</style>
