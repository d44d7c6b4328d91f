<script setup lang="ts">
import { DateTime } from 'luxon'
import { postFigureById } from '~~/core/posts/postFigures'
import type { ListedPost } from '~~/shared/read/content'
import { USUAL_POST_COLUMNS } from '~~/shared/read/postList'
import { readPostOrder, writePostOrder } from '~~/shared/read/postOrder'
import { postKey } from './postKey'
import { postFigureText } from './postFigureText'

const props = defineProps<{
  posts: ListedPost[]
  timeZone: string
  /** The order that the posts are in, where headings can change it. */ order?: string
  /** Which figures stand in columns. */ columns?: string[]
  /** Where the page of a post is, and its picture; absent where there is no way to it. */ slug?: string
  /** The names of tags, where they are shown. */ tags?: ReadonlyMap<number, { name: string; colour: number }>
  /** Which posts are chosen, where they can be. */ chosen?: ReadonlySet<string>
}>()
const emit = defineEmits<{ order: [order: string]; choose: [post: ListedPost, isRange: boolean]; all: [] }>()
const locale = useLocale()
const shownColumns = computed(() => props.columns ?? [...USUAL_POST_COLUMNS])
const nameOf = (id: string) => (id === 'times' ? 'Times usual' : postFigureById(id).name)
/** What a heading orders by: the largest first, and selected again the smallest; a share by its near end. */
function orderBy(column: string, isRising: boolean): string {
  if (column === 'published') return isRising ? 'oldest' : 'newest'
  if (column === 'times') return writePostOrder({ by: 'times', figure: '', isRising })
  const { unit, base } = postFigureById(column)
  return writePostOrder({ by: base && unit === 'share' ? 'sure' : 'figure', figure: column, isRising })
}
const orderOf = (column: string) =>
  props.order === orderBy(column, false)
    ? 'descending'
    : props.order === orderBy(column, true)
      ? 'ascending'
      : undefined
const select = (column: string) =>
  emit('order', orderBy(column, readPostOrder(props.order ?? '') !== undefined && orderOf(column) === 'descending'))
const when = (post: ListedPost) =>
  DateTime.fromJSDate(post.publishedAt, { zone: props.timeZone }).toFormat('d MMM yyyy, HH:mm')
const isAll = computed(() => props.posts.length > 0 && props.posts.every((post) => props.chosen?.has(postKey(post))))
</script>

<template>
  <table class="plain-table">
    <thead>
      <tr>
        <th v-if="chosen" scope="col" class="tick no-print">
          <input type="checkbox" :checked="isAll" aria-label="Choose all that are shown" @change="emit('all')" />
        </th>
        <OrderHeading v-if="order" label="Published" :order="orderOf('published')" @select="select('published')" />
        <th v-else scope="col">Published</th>
        <th scope="col" class="words">Profile</th>
        <th scope="col" class="words">Post</th>
        <template v-for="column in shownColumns" :key="column">
          <OrderHeading v-if="order" :label="nameOf(column)" :order="orderOf(column)" @select="select(column)" />
          <th v-else scope="col">{{ nameOf(column) }}</th>
        </template>
      </tr>
    </thead>
    <tbody>
      <tr v-for="post in posts" :key="postKey(post)" :class="{ chosen: chosen?.has(postKey(post)) }">
        <td v-if="chosen" class="tick no-print">
          <input
            type="checkbox"
            :checked="chosen.has(postKey(post))"
            :aria-label="`Choose the post of ${when(post)}`"
            @click="emit('choose', post, $event.shiftKey)"
            @keydown.shift.space.prevent="emit('choose', post, true)"
          />
        </td>
        <td class="when">{{ when(post) }}</td>
        <td class="words">
          <b>{{ post.name }}</b> <span class="quiet">{{ post.networkName }}</span>
        </td>
        <td class="words">
          <span :class="{ post: slug }">
            <PostPicture v-if="slug && post.hasPicture" :slug="slug" :post="post" :size="40" />
            <span>
              <span class="quiet">{{ post.format }}</span
              >{{ ' ' }}
              <NuxtLink v-if="slug" :to="`/${slug}/content/${post.profile}/${post.id}`">{{ post.text }}</NuxtLink
              ><template v-else>{{ post.text }}</template>
              <span v-if="tags && post.tags?.length" class="tags"
                ><template v-for="tag in post.tags" :key="tag"
                  ><TagName
                    v-if="tags.get(tag)"
                    :name="tags.get(tag)!.name"
                    :colour="tags.get(tag)!.colour" /></template
              ></span>
            </span>
          </span>
        </td>
        <td v-for="column in shownColumns" :key="column">
          {{ postFigureText(post, column, locale).value }}
          <span class="quiet">{{ postFigureText(post, column, locale).range }}</span>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.when {
  white-space: nowrap;
}
.tick {
  width: 26px;
}
.tick input {
  width: 16px;
  height: 16px;
  accent-color: var(--zaffer);
}
.post {
  display: flex;
  gap: 8px;
  align-items: flex-start;
}
.post a {
  color: inherit;
  text-decoration-color: var(--rule2);
}
.tags {
  display: inline-flex;
  gap: 8px;
  margin-left: 6px;
  font-size: var(--text-small);
  color: var(--ink2);
}
tr.chosen td {
  background: var(--wash);
}
</style>
