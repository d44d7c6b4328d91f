<script setup lang="ts">
/** When the client’s weekly slots are free next, to be taken for a post. */
import { describeDay } from '~~/core/periods/describePeriod'
import type { WeeklySlots } from '~~/shared/plan/plannedPosts'

const emit = defineEmits<{ take: [at: string] }>()
const { slug, base } = useClient()
const { data, error } = useQuery({
  key: () => ['plan', slug.value, 'slots'],
  query: () => api<WeeklySlots>(`${base.value}/plan/slots`),
})
const when = (at: string) => `${describeDay(at.slice(0, 10))}, ${at.slice(11)}`
</script>

<template>
  <section>
    <h2>Weekly slots</h2>
    <p v-if="error" class="quiet">{{ error.message }}</p>
    <p v-else-if="data?.slots.length === 0" class="quiet">
      None yet:
      <NuxtLink :to="{ path: `/${slug}/calendar`, query: { weekly: 'yes' } }">say when posts go out</NuxtLink>.
    </p>
    <p v-else-if="data && data.free.length === 0" class="quiet">All of a year are taken.</p>
    <ul v-else-if="data">
      <li v-for="(at, index) in data.free" :key="at">
        <button type="button" class="bare link" @click="emit('take', at)">
          {{ index === 0 ? `Next free: ${when(at)}` : when(at) }}
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
}
.link {
  color: var(--zaffer);
  text-decoration: underline;
  min-height: 24px;
}
</style>
