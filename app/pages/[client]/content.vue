<script setup lang="ts">
import { orderPosts, POST_ORDERS } from '~~/shared/read/postOrder'
import type { PostFigure } from '~~/core/posts/bestAndWorst'
import { RANKINGS, USUAL_ENDS, type Ends } from '~~/shared/read/endsBlock'
import type { Formats } from '~~/shared/read/formatsBlock'
import type { ListedPost } from '~~/shared/read/content'

definePageMeta({ margin: true, scope: true })
useHead({ title: 'Content · Zaffer' })
const route = useRoute()
const router = useRouter()
const { slug, base } = useClient()
const { address, description } = useScope()
const { data, error, isLoading } = useQuery({
  key: () => ['posts', slug.value, address.value],
  query: () => api<ListedPost[]>(`${base.value}/posts`, { query: address.value }),
})
const EACH = [1, 3, 5, 10]
const RANKING_CHOICES = Object.entries(RANKINGS).map(([value, { name }]) => ({ value, name: `by ${name}` }))
const timeZone = computed(() => description.data.value?.client.timeZone ?? 'UTC')
const format = computed(() => String(route.query.format ?? 'all'))
const order = computed(() =>
  POST_ORDERS.some(({ value }) => value === route.query.order) ? String(route.query.order) : 'newest',
)
const formats = computed(() => [
  { value: 'all', name: 'every format' },
  ...[...new Set([...(data.value ?? []).map((post) => post.format), ...(format.value === 'all' ? [] : [format.value])])]
    .sort()
    .map((value) => ({ value, name: value })),
])
const ends = computed(() =>
  String(route.query.ends) in RANKINGS ? (String(route.query.ends) as PostFigure) : 'interactions',
)
const each = computed(() => (EACH.includes(Number(route.query.each)) ? Number(route.query.each) : USUAL_ENDS))
const askedEnds = computed(() => ({
  ...address.value,
  by: ends.value,
  rows: each.value,
  ...(format.value !== 'all' && { only: format.value }),
}))
const bothEnds = useQuery({
  key: () => ['ends', slug.value, askedEnds.value],
  query: () => api<Ends>(`${base.value}/posts/ends`, { query: askedEnds.value }),
  placeholderData: (previous) => previous,
})
const formatsBy = computed(() =>
  String(route.query.formats) in RANKINGS ? (String(route.query.formats) as PostFigure) : 'interactions',
)
const askedFormats = computed(() => ({ ...address.value, by: formatsBy.value }))
const byFormat = useQuery({
  key: () => ['formats', slug.value, askedFormats.value],
  query: () => api<Formats>(`${base.value}/posts/formats`, { query: askedFormats.value }),
  placeholderData: (previous) => previous,
})
const formatsTable = computed(() => {
  const { by, ...rest } = askedFormats.value
  return `${base.value}/downloads/formats?${new URLSearchParams({ ...rest, option: by })}`
})
const endsTable = computed(() => {
  const { by, rows, ...rest } = askedEnds.value
  return `${base.value}/downloads/ends?${new URLSearchParams({ ...rest, option: by, rows: String(rows) })}`
})
const set = (part: Record<string, string | undefined>) => router.push({ query: { ...route.query, ...part } })
const table = computed(() => {
  const only: Record<string, string> = format.value === 'all' ? {} : { only: format.value }
  return `${base.value}/posts/table?${new URLSearchParams({ ...address.value, order: order.value, ...only })}`
})
const shown = computed(() =>
  orderPosts(
    (data.value ?? []).filter((post) => format.value === 'all' || post.format === format.value),
    order.value,
  ),
)
</script>

<template>
  <div>
    <h1 class="hidden-but-read">Which posts brought what in?</h1>
    <ScopeSentence />
    <div class="row choose no-print">
      <label for="content-format">Of</label
      ><Select
        :model-value="format"
        input-id="content-format"
        :options="formats"
        option-label="name"
        option-value="value"
        aria-label="Format"
        @update:model-value="(value) => set({ format: value === 'all' ? undefined : value })"
      />
      <label for="content-order">in order of</label
      ><Select
        :model-value="order"
        input-id="content-order"
        :options="[...POST_ORDERS]"
        option-label="name"
        option-value="value"
        aria-label="Order"
        @update:model-value="(value) => set({ order: value === 'newest' ? undefined : value })"
      />
      <span class="quiet">{{ shown.length }} {{ shown.length === 1 ? 'post' : 'posts' }}</span>
      <DownloadMenu v-if="shown.length" class="right" :path="table" block="posts" what="The posts" />
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading && !data" class="quiet">Fetching the posts …</p>
    <p v-else-if="shown.length === 0" class="quiet">
      Nothing was published here in this period. Choose other days or profiles above.
    </p>
    <section v-else-if="bothEnds.data.value" aria-labelledby="ends-heading" class="ends">
      <div class="row head">
        <h2 id="ends-heading" class="heading">Best and worst beside each other</h2>
        <span class="row no-print">
          <Select
            :model-value="ends"
            :options="RANKING_CHOICES"
            option-label="name"
            option-value="value"
            aria-label="Ranked by"
            @update:model-value="(value) => set({ ends: value === 'interactions' ? undefined : value })"
          />
          <Select
            :model-value="each"
            :options="EACH"
            aria-label="How many at each end"
            @update:model-value="(value) => set({ each: value === USUAL_ENDS ? undefined : String(value) })"
          />
          <DownloadMenu :path="endsTable" block="ends" what="The best and the worst" />
        </span>
      </div>
      <EndsText :ends="bothEnds.data.value" :time-zone="timeZone" />
    </section>
    <p v-if="bothEnds.error.value" role="alert">{{ bothEnds.error.value.message }}</p>
    <section v-if="shown.length && byFormat.data.value" aria-labelledby="formats-heading" class="ends">
      <div class="row head">
        <h2 id="formats-heading" class="heading">Formats compared</h2>
        <span class="row no-print">
          <Select
            :model-value="formatsBy"
            :options="RANKING_CHOICES"
            option-label="name"
            option-value="value"
            aria-label="Compared by"
            @update:model-value="(value) => set({ formats: value === 'interactions' ? undefined : value })"
          />
          <DownloadMenu :path="formatsTable" block="formats" what="The formats" />
        </span>
      </div>
      <FormatsText :spread="byFormat.data.value" />
    </section>
    <p v-if="byFormat.error.value" role="alert">{{ byFormat.error.value.message }}</p>
    <h2 v-if="shown.length" class="heading all">All of them</h2>
    <PostTable
      v-if="shown.length"
      :posts="shown"
      :order="order"
      @order="(value) => set({ order: value === 'newest' ? undefined : value })"
      :time-zone="timeZone"
    />
    <p class="quiet">
      Beside each rate stands its 95 % interval. “That is sure” orders by the near end of it, so that a post with few
      impressions does not win by luck.
    </p>
  </div>
</template>

<style scoped>
.choose {
  margin: 10px 0;
}
.ends {
  margin: 14px 0 18px;
}
.head {
  justify-content: space-between;
  margin-bottom: 4px;
}
.all {
  margin: 6px 0 2px;
}
.right {
  margin-left: auto;
}
</style>
