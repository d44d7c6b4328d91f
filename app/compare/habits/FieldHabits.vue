<script setup lang="ts">
/** How often the members of a field post, on which days and in what formats; the rest of it stands under Habits. */
import type { HabitsView } from '~~/shared/compare/habits'
import { useFieldAddress } from '~/compare/field/useFieldAddress'

const { slug, base } = useClient()
const { address } = useScope()
const { asked } = useFieldAddress()
const query = computed(() => ({ ...address.value, ...asked.value }))
const { data, error } = useQuery({
  key: () => ['habits', slug.value, address.value, asked.value],
  query: () => api<HabitsView>(`${base.value}/habits`, { query: query.value }),
  placeholderData: (previous) => previous,
})
const path = computed(() => `${base.value}/downloads/habits?${new URLSearchParams(query.value)}`)
</script>

<template>
  <p v-if="error" role="alert">{{ error.message }}</p>
  <template v-else-if="data?.rhythm.length">
    <HabitSection part="rhythm" heading="How often and when" :path="path">
      <HabitRhythm :habits="data" />
    </HabitSection>
    <HabitSection v-if="data.formats.length" part="formats" heading="Formats" :path="path">
      <HabitFormats :habits="data" />
    </HabitSection>
    <p class="no-print">
      <NuxtLink :to="{ path: `/${slug}/habits`, query }">Hashtags, words and where rivals are quiet</NuxtLink>
    </p>
  </template>
</template>
