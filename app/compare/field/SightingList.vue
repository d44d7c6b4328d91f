<script setup lang="ts">
/** What rivals did that is not as usual, a dated entry each, which can be settled or turned into a note. */
import { describeDay } from '~~/core/periods/describePeriod'
import type { Sighting, SightingsView } from '~~/shared/compare/sightings'
import { sightingWords } from '~~/shared/compare/sightingWords'

defineProps<{ view: SightingsView; isPlain?: boolean }>()
const session = useSession()
const shell = useShell()
const say = useSay()
const locale = useLocale()
const refreshAll = useRefresh()
const { slug, base } = useClient()
const COLUMNS = computed(() => [
  {
    key: 'day',
    label: 'Day',
    isWords: true,
    valueOf: ({ day }: Sighting) => day,
    textOf: ({ day }: Sighting) => describeDay(day),
  },
  { key: 'rival', label: 'Rival', isWords: true, valueOf: ({ rival }: Sighting) => rival },
  {
    key: 'what',
    label: 'What it did',
    isWords: true,
    valueOf: ({ kind }: Sighting) => kind,
    textOf: (sighting: Sighting) => sightingWords(sighting, locale),
  },
])

const settle = async ({ id }: Sighting, isSettled: boolean) => {
  await api(`${base.value}/sightings/${id}`, { method: 'PUT', body: { isSettled } })
  await refreshAll('sightings')
}
async function change(sighting: Sighting) {
  try {
    await settle(sighting, !sighting.isSettled)
    say.done(sighting.isSettled ? 'The entry is open again.' : 'The entry is settled.', () =>
      settle(sighting, sighting.isSettled),
    )
  } catch (problem) {
    say.problem(problem)
  }
}
/** The note is written by whoever opens it; the entry is settled once that is kept. */
function turnIntoNote(sighting: Sighting) {
  const said = `${sighting.rival} ${sightingWords(sighting, locale)}`
  shell.note = { from: sighting.day, to: sighting.day, title: titleOf(sighting), body: said }
  shell.noteKept = () => settle(sighting, true)
}
const titleOf = ({ kind, rival, networkName, text }: Sighting) =>
  ({
    post: `${rival}: a post far above its usual`,
    silence: `${rival} is silent`,
    hashtag: `${rival} begins #${text}`,
    network: `${rival} on ${networkName}`,
    renamed: `${rival} has a new handle on ${networkName}`,
    gone: `${rival} is gone from ${networkName}`,
  })[kind].slice(0, 120)
const addLink = ({ rival, network, text }: Sighting) => ({
  path: `/${slug.value}/profiles`,
  query: { add: text, on: network, rival },
})
</script>

<template>
  <p v-if="view.sightings.length === 0" class="quiet">
    {{
      view.all === 0
        ? 'Nothing in these days. Posts far above usual, silences, new hashtags and new networks are entered by themselves.'
        : 'Nothing is open: all entries of these days are settled.'
    }}
  </p>
  <OrderedTable
    v-else
    name="seen"
    :columns="COLUMNS"
    :rows="view.sightings"
    :key-of="({ id }) => id"
    :is-plain="isPlain"
    :most="10"
    :end-label="!isPlain && session.mayWrite ? 'What to do' : undefined"
  >
    <template #rival="{ row }"
      ><strong>{{ row.rival }}</strong></template
    >
    <template #what="{ row }"
      >{{ sightingWords(row, locale) }}
      <NuxtLink
        v-if="row.kind === 'network' && !row.isSettled && !isPlain && session.mayWrite"
        class="no-print"
        :to="addLink(row)"
        >Look whether it is</NuxtLink
      ><span v-if="row.isSettled" class="quiet small">
        settled{{ row.settledBy ? ` by ${row.settledBy}` : ': the profile is in the list' }}</span
      ></template
    >
    <template #end="{ row }"
      ><span class="acts no-print"
        ><Button
          v-if="!row.isSettled"
          label="Make it a note"
          :aria-label="`Make a note of ${row.rival}, ${describeDay(row.day)}: ${row.kind}`"
          aria-haspopup="dialog"
          size="small"
          text
          @click="turnIntoNote(row)" /><Button
          v-if="!row.isSettled || row.settledBy"
          :label="row.isSettled ? 'Open again' : 'Settled'"
          :aria-label="`${row.isSettled ? 'Open again' : 'Settled'}: ${row.rival}, ${describeDay(row.day)}, ${row.kind}`"
          size="small"
          text
          @click="change(row)" /></span
    ></template>
  </OrderedTable>
</template>

<style scoped>
.acts {
  display: inline-flex;
  white-space: nowrap;
}
.small {
  font-size: var(--text-small);
}
</style>
