<script setup lang="ts">
import { POST_ORDERS } from '~~/shared/read/postOrder'
import type { PostFigure } from '~~/core/posts/bestAndWorst'
import { RANKINGS, USUAL_ENDS, type Ends } from '~~/shared/read/endsBlock'
import type { Formats } from '~~/shared/read/formatsBlock'
import { usePostList } from '~/read/content/usePostList'

definePageMeta({ margin: true, scope: true })
useHead({ title: 'Content · Zaffer' })
const route = useRoute()
const router = useRouter()
const { slug, base } = useClient()
const { address, description } = useScope()
const locale = useLocale()
const isLooking = computed(() => format.value !== 'all' || Object.values(looked.value).some(Boolean))
const EACH = [1, 3, 5, 10]
const RANKING_CHOICES = Object.entries(RANKINGS).map(([value, { name }]) => ({ value, name: `by ${name}` }))
const timeZone = computed(() => description.data.value?.client.timeZone ?? 'UTC')
const format = computed(() => String(route.query.format ?? 'all'))
const order = computed(() =>
  POST_ORDERS.some(({ value }) => value === route.query.order) ? String(route.query.order) : 'newest',
)
const textOf = (name: string) => (typeof route.query[name] === 'string' ? route.query[name] : '')
const looked = computed(() => ({ any: textOf('any'), all: textOf('all'), none: textOf('none') }))
const askedWords = computed(() => Object.fromEntries(Object.entries(looked.value).filter(([, words]) => words)))
const askedList = computed(
  (): Record<string, string> => ({
    ...address.value,
    order: order.value,
    ...(format.value !== 'all' && { only: format.value }),
    ...askedWords.value,
  }),
)
const { posts, total, formats: known, hasMore, isGoingOn, goOn, error, isLoading } = usePostList(() => askedList.value)
const formats = computed(() => [
  { value: 'all', name: 'every format' },
  ...[...new Set([...known.value, ...(format.value === 'all' ? [] : [format.value])])]
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
  ...askedWords.value,
}))
const bothEnds = useQuery({
  key: () => ['ends', slug.value, askedEnds.value],
  query: () => api<Ends>(`${base.value}/posts/ends`, { query: askedEnds.value }),
  placeholderData: (previous) => previous,
})
const formatsBy = computed(() =>
  String(route.query.formats) in RANKINGS ? (String(route.query.formats) as PostFigure) : 'interactions',
)
const askedFormats = computed(() => ({ ...address.value, by: formatsBy.value, ...askedWords.value }))
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
const table = computed(() => `${base.value}/posts/table?${new URLSearchParams(askedList.value)}`)
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
      <PostWords
        :looked="looked"
        label="Words of the posts"
        @look="({ any, all, none }) => set({ any: any || undefined, all: all || undefined, none: none || undefined })"
      />
      <span class="quiet">{{ total.toLocaleString(locale) }} {{ total === 1 ? 'post' : 'posts' }}</span>
      <DownloadMenu v-if="total" class="right" :path="table" block="posts" what="The posts" />
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading" class="quiet">Fetching the posts …</p>
    <p v-else-if="total === 0 && isLooking" class="quiet">
      No post of this period is like that.
      <Button
        label="Show every post"
        text
        @click="set({ format: undefined, any: undefined, all: undefined, none: undefined })"
      />
    </p>
    <p v-else-if="total === 0" class="quiet">
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
    <section v-if="total && byFormat.data.value" aria-labelledby="formats-heading" class="ends">
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
    <h2 v-if="total" class="heading all">All of them</h2>
    <PostTable
      v-if="total"
      :posts="posts"
      :order="order"
      @order="(value) => set({ order: value === 'newest' ? undefined : value })"
      :time-zone="timeZone"
    />
    <p v-if="hasMore" class="row more no-print">
      <Button
        :label="`Show the next ${Math.min(50, total - posts.length)}`"
        outlined
        :loading="isGoingOn"
        @click="goOn"
      />
      <span class="quiet">{{ posts.length.toLocaleString(locale) }} of {{ total.toLocaleString(locale) }}</span>
    </p>
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
.more {
  margin: 10px 0;
}
.right {
  margin-left: auto;
}
</style>
