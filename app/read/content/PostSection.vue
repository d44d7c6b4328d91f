<script setup lang="ts">
/** All posts of the page: as rows or as cards, with the figures that somebody has chosen, some of them to be tagged. */
import { POST_FIGURE_KINDS } from '~~/core/posts/postFigures'
import { MOST_POST_COLUMNS, postColumnsOf, USUAL_POST_COLUMNS } from '~~/shared/read/postList'
import { useChosenPosts } from './useChosenPosts'
import type { usePostList } from './usePostList'

const props = defineProps<{
  /** What is asked of the list. */ asked: Record<string, string>
  list: ReturnType<typeof usePostList>
  timeZone: string
}>()
const { query, push: set } = usePageAddress()
const session = useSession()
const locale = useLocale()
const { slug } = useClient()
const { tags, byId: tagsById } = useTags()
const { posts, total, hasMore, isGoingOn, goOn } = props.list
const { chosen, choose, chooseShown, chooseEverything, chooseNone } = useChosenPosts(
  () => posts.value,
  () => props.asked,
)
const chosenKeys = computed(() => (session.mayWrite ? new Set(chosen.value.keys()) : undefined))
const isCards = computed(() => query.value.view === 'cards')
const columns = computed(() => postColumnsOf(props.asked.columns ?? ''))
const order = computed(() => props.asked.order ?? 'newest')
const COLUMNS = [...POST_FIGURE_KINDS.map(({ id, name }) => ({ id, name })), { id: 'times', name: 'Times usual' }]
const chooseColumns = (ids: string[]) =>
  set({ columns: ids.length === 0 || ids.join() === USUAL_POST_COLUMNS.join() ? undefined : ids.join(',') })
</script>

<template>
  <section aria-labelledby="posts-heading">
    <div class="row head">
      <h2 id="posts-heading" class="heading">All of them</h2>
      <span class="row no-print">
        <MetricPicker
          :metrics="COLUMNS"
          :chosen="columns"
          :most="MOST_POST_COLUMNS"
          label="Figures of the posts"
          words="Figures"
          @choose="chooseColumns"
        />
        <span class="row" role="group" aria-label="How posts are shown">
          <Button
            label="Rows"
            size="small"
            :outlined="isCards"
            :aria-pressed="!isCards"
            @click="set({ view: undefined })"
          /><Button
            label="Cards"
            size="small"
            :outlined="!isCards"
            :aria-pressed="isCards"
            @click="set({ view: 'cards' })"
          />
        </span>
      </span>
    </div>
    <TagBar
      v-if="chosen.size"
      :chosen="[...chosen.values()]"
      :total="total"
      :tags="tags"
      @none="chooseNone"
      @everything="chooseEverything"
    />
    <PostCards
      v-if="isCards"
      :posts="posts"
      :time-zone="timeZone"
      :columns="columns"
      :slug="slug"
      :tags="tagsById"
      :chosen="chosenKeys"
      @choose="choose"
    />
    <PostTable
      v-else
      :posts="posts"
      :order="order"
      :time-zone="timeZone"
      :columns="columns"
      :slug="slug"
      :tags="tagsById"
      :chosen="chosenKeys"
      @order="(value) => set({ order: value === 'newest' ? undefined : value })"
      @choose="choose"
      @all="chooseShown"
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
  </section>
</template>

<style scoped>
.head {
  justify-content: space-between;
  margin: 6px 0 2px;
}
.more {
  margin: 10px 0;
}
</style>
