<script setup lang="ts">
import { DateTime } from 'luxon'
import { formatCount, formatShare } from '~~/core/format/numbers'
import type { ListedPost } from '~~/server/work/content'

definePageMeta({ margin: true, scope: true })
useHead({ title: 'Content · Zaffer' })
const route = useRoute()
const router = useRouter()
const { slug, base } = useClient()
const { address, description } = useScope()
const locale = useLocale()
const { data, error, isLoading } = useQuery({ key: () => ['posts', slug.value, address.value], query: () => api<ListedPost[]>(`${base.value}/posts`, { query: address.value }) })
const ORDERS = [
  { value: 'newest', name: 'Newest first' }, { value: 'interactions', name: 'Most interactions' }, { value: 'impressions', name: 'Most impressions' }, { value: 'rate', name: 'Highest rate' },
  { value: 'sure', name: 'Highest rate that is sure' }, { value: 'lowest', name: 'Lowest rate that is sure' },
]
const format = computed(() => String(route.query.format ?? 'all'))
const order = computed(() => (ORDERS.some(({ value }) => value === route.query.order) ? String(route.query.order) : 'newest'))
const formats = computed(() => [{ value: 'all', name: 'every format' }, ...[...new Set([...(data.value ?? []).map((post) => post.format), ...(format.value === 'all' ? [] : [format.value])])].sort().map((value) => ({ value, name: value }))])
const set = (part: Record<string, string | undefined>) => router.push({ query: { ...route.query, ...part } })
const zone = computed(() => description.data.value?.client.timeZone ?? 'UTC')
const when = (post: ListedPost) => DateTime.fromISO(String(post.publishedAt), { zone: zone.value }).toFormat('d MMM yyyy, HH:mm')
const count = (value: number | null) => (value === null ? '—' : formatCount(value, locale))

/** What a post is ordered by; one without it comes last. */
const KEYS: Record<string, (post: ListedPost) => number | undefined> = {
  newest: (post) => Date.parse(String(post.publishedAt)), interactions: (post) => post.interactions ?? undefined, impressions: (post) => post.impressions ?? undefined,
  rate: (post) => post.rate?.value, sure: (post) => post.rate?.low, lowest: (post) => (post.rate ? -post.rate.high : undefined),
}
const shown = computed(() => {
  const key = KEYS[order.value]!
  return (data.value ?? []).filter((post) => format.value === 'all' || post.format === format.value).sort((a, b) => (key(b) ?? -Infinity) - (key(a) ?? -Infinity))
})
</script>

<template>
  <div>
    <h1 class="hidden-but-read">Which posts brought what in?</h1>
    <ScopeSentence />
    <div class="row choose no-print">
      <label for="content-format">Of</label><Select :model-value="format" input-id="content-format" :options="formats" option-label="name" option-value="value" aria-label="Format" @update:model-value="(value) => set({ format: value === 'all' ? undefined : value })" />
      <label for="content-order">in order of</label><Select :model-value="order" input-id="content-order" :options="ORDERS" option-label="name" option-value="value" aria-label="Order" @update:model-value="(value) => set({ order: value === 'newest' ? undefined : value })" />
      <span class="quiet">{{ shown.length }} {{ shown.length === 1 ? 'post' : 'posts' }}</span>
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading && !data" class="quiet">Fetching the posts …</p>
    <p v-else-if="shown.length === 0" class="quiet">Nothing was published here in this period. Choose other days or profiles above.</p>
    <table v-else class="plain-table">
      <thead><tr><th scope="col">Published</th><th scope="col" class="words">Profile</th><th scope="col" class="words">Post</th><th scope="col">Impressions</th><th scope="col">Interactions</th><th scope="col">Interactions for each impression</th></tr></thead>
      <tbody>
        <tr v-for="post in shown" :key="post.id">
          <td class="when">{{ when(post) }}</td><td class="words"><b>{{ post.name }}</b> <span class="quiet">{{ post.networkName }}</span></td><td class="words"><span class="quiet">{{ post.format }}</span> {{ post.text }}</td>
          <td>{{ count(post.impressions) }}</td><td>{{ count(post.interactions) }}</td>
          <td><template v-if="post.rate">{{ formatShare(post.rate.value, locale) }} <span class="quiet">{{ formatShare(post.rate.low, locale) }} to {{ formatShare(post.rate.high, locale) }}</span></template><template v-else>—</template></td>
        </tr>
      </tbody>
    </table>
    <p class="quiet">Beside each rate stands its 95 % interval. “That is sure” orders by the near end of it, so that a post with few impressions does not win by luck.</p>
  </div>
</template>

<style scoped>
.choose { margin: 10px 0; }
.when { white-space: nowrap; }
</style>
