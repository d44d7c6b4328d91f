<script setup lang="ts">
import { postColumnsOf } from '~~/shared/read/postList'
import { POST_ORDERS, readPostOrder } from '~~/shared/read/postOrder'
import type { PostFigure } from '~~/core/posts/bestAndWorst'
import { RANKINGS, USUAL_ENDS, type Ends } from '~~/shared/read/endsBlock'
import type { Formats } from '~~/shared/read/formatsBlock'
import { usePostList } from '~/read/content/usePostList'

definePageMeta({ margin: true, scope: true })
useHead({ title: 'Content · Zaffer' })
const { query, push: set } = usePageAddress()
const { slug, base } = useClient()
const { address, description } = useScope()
const locale = useLocale()
const isLooking = computed(() => format.value !== 'all' || Object.keys(askedFilter.value).length > 0)
const EACH = [1, 3, 5, 10]
const RANKING_CHOICES = Object.entries(RANKINGS).map(([value, { name }]) => ({ value, name: `by ${name}` }))
const timeZone = computed(() => description.data.value?.client.timeZone ?? 'UTC')
const format = computed(() => String(query.value.format ?? 'all'))
const order = computed(() => (readPostOrder(textOf('order')) ? textOf('order') : 'newest'))
const orders = computed(() =>
  POST_ORDERS.some(({ value }) => value === order.value)
    ? [...POST_ORDERS]
    : [...POST_ORDERS, { value: order.value, name: 'By a column' }],
)
const columns = computed(() => postColumnsOf(textOf('columns')))
const textOf = (name: string) => (typeof query.value[name] === 'string' ? query.value[name] : '')
const looked = computed(() => ({ any: textOf('any'), all: textOf('all'), none: textOf('none') }))
/** What the posts have to be, beside being of the scope and of a format. */
const askedFilter = computed(
  (): Record<string, string> => ({
    ...Object.fromEntries(Object.entries(looked.value).filter(([, words]) => words)),
    ...(textOf('tags') && { tags: textOf('tags') }),
    ...(textOf('paid') && { paid: textOf('paid') }),
    ...(textOf('published') && { published: textOf('published') }),
  }),
)
const NO_FILTER = {
  format: undefined,
  any: undefined,
  all: undefined,
  none: undefined,
  tags: undefined,
  paid: undefined,
  published: undefined,
}
const askedList = computed(
  (): Record<string, string> => ({
    ...address.value,
    order: order.value,
    ...(textOf('columns') && { columns: columns.value.join(',') }),
    ...(format.value !== 'all' && { only: format.value }),
    ...askedFilter.value,
  }),
)
const list = usePostList(() => askedList.value)
const { total, formats: known, error, isLoading } = list
const formats = computed(() => [
  { value: 'all', name: 'every format' },
  ...[...new Set([...known.value, ...(format.value === 'all' ? [] : [format.value])])]
    .sort()
    .map((value) => ({ value, name: value })),
])
const ends = computed(() =>
  String(query.value.ends) in RANKINGS ? (String(query.value.ends) as PostFigure) : 'interactions',
)
const each = computed(() => (EACH.includes(Number(query.value.each)) ? Number(query.value.each) : USUAL_ENDS))
const askedEnds = computed(() => ({
  ...address.value,
  by: ends.value,
  rows: each.value,
  ...(format.value !== 'all' && { only: format.value }),
  ...askedFilter.value,
}))
const bothEnds = useQuery({
  key: () => ['ends', slug.value, askedEnds.value],
  query: () => api<Ends>(`${base.value}/posts/ends`, { query: askedEnds.value }),
  placeholderData: (previous) => previous,
})
const formatsBy = computed(() =>
  String(query.value.formats) in RANKINGS ? (String(query.value.formats) as PostFigure) : 'interactions',
)
const askedFormats = computed(() => ({ ...address.value, by: formatsBy.value, ...askedFilter.value }))
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
        :options="orders"
        option-label="name"
        option-value="value"
        aria-label="Order"
        @update:model-value="(value) => set({ order: value === 'newest' ? undefined : value })"
      />
      <PostWords :looked="looked" label="Words of the posts" @look="({ any, all, none }) => set({ any, all, none })" />
      <PostChoices
        :chosen="{ tags: textOf('tags'), paid: textOf('paid'), published: textOf('published') }"
        @choose="set"
      />
      <span class="quiet">{{ total.toLocaleString(locale) }} {{ total === 1 ? 'post' : 'posts' }}</span>
      <DownloadMenu v-if="total" class="right" :path="table" block="posts" what="The posts" />
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading" class="quiet">Fetching the posts …</p>
    <p v-else-if="total === 0 && isLooking" class="quiet">
      No post of this period is like that.
      <Button label="Show every post" text @click="set(NO_FILTER)" />
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
            @update:model-value="(value) => set({ each: value === USUAL_ENDS ? undefined : value })"
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
    <PostSection v-if="total" :asked="askedList" :list="list" :time-zone="timeZone" />
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
