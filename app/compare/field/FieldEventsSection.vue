<script setup lang="ts">
/** An event through the field: which one, and around which days, as the address has it. */
import { USUAL_WINDOW } from '~~/shared/read/occasionsBlock'
import type { FieldEvents } from '~~/shared/compare/fieldEvents'
import { useFieldAddress } from './useFieldAddress'

const route = useRoute()
const { slug, base } = useClient()
const { address } = useScope()
const { asked, show } = useFieldAddress()
const text = (name: string) => (typeof route.query[name] === 'string' ? String(route.query[name]) : '')
const chosen = computed(() => ({
  ...(/^\d{1,10}$/.test(text('tag')) && { tag: Number(text('tag')) }),
  on: text('on'),
  before: Number(text('before') || USUAL_WINDOW.before),
  after: Number(text('after') || USUAL_WINDOW.after),
}))
const query = computed(() => ({
  ...address.value,
  ...asked.value,
  ...Object.fromEntries(Object.entries(chosen.value).map(([name, value]) => [name, String(value)])),
}))
const { data, error } = useQuery({
  key: () => ['field-events', slug.value, query.value],
  query: () => api<FieldEvents>(`${base.value}/field/events`, { query: query.value }),
  placeholderData: (previous) => previous,
})
const choose = (part: Record<string, string | number | undefined>) =>
  show(Object.fromEntries(Object.entries(part).map(([name, value]) => [name, String(value ?? '')])))
const download = computed(() => `${base.value}/downloads/fieldEvents?${new URLSearchParams(query.value)}`)
</script>

<template>
  <section aria-labelledby="events-heading" class="part">
    <div class="row head">
      <h2 id="events-heading" class="heading">An event through the field</h2>
      <span class="row no-print">
        <OccasionsChoice :asked="chosen" label="The event" @choose="choose" />
        <DownloadMenu :path="download" block="fieldEvents" what="An event through the field" />
      </span>
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <FieldEventsTable v-else-if="data" :events="data" />
  </section>
</template>

<style scoped>
.part {
  margin-top: 16px;
}
.head {
  justify-content: space-between;
}
</style>
