<script setup lang="ts">
import { orderPosts, POST_ORDERS } from '~~/shared/read/postOrder'
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
    <PostTable
      v-else
      :posts="shown"
      :order="order"
      @order="(value) => set({ order: value === 'newest' ? undefined : value })"
      :time-zone="description.data.value?.client.timeZone ?? 'UTC'"
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
.right {
  margin-left: auto;
}
</style>
