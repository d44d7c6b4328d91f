<script setup lang="ts">
/** When the client’s weekly slots are free next, to be taken for a post. */
import type { WeeklySlots } from '~~/shared/plan/weeklySlots'

const emit = defineEmits<{ take: [at: string] }>()
const { slug, base } = useClient()
const { data, error } = useQuery({
  key: () => ['plan', slug.value, 'slots'],
  query: () => api<WeeklySlots>(`${base.value}/plan/slots`),
})
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
    <SlotLinks
      v-else-if="data"
      :slots="data.free.map((at, index) => ({ at, ...(index === 0 && { lead: 'Next free:' }) }))"
      @take="(at) => emit('take', at)"
    />
  </section>
</template>
