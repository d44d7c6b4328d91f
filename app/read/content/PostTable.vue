<script setup lang="ts">
import { DateTime } from 'luxon'
import { formatCount, formatShare } from '~~/core/format/numbers'
import type { ListedPost } from '~~/shared/read/content'

const props = defineProps<{
  posts: ListedPost[]
  timeZone: string
  /** The order that the posts are in, where headings can change it. */ order?: string
}>()
const emit = defineEmits<{ order: [order: string] }>()
/** What a heading orders by: the largest first, and selected again the smallest. */
const ORDERS: [heading: string, down: string, up: string][] = [
  ['Published', 'newest', 'oldest'],
  ['Impressions', 'impressions', 'fewest_impressions'],
  ['Interactions', 'interactions', 'fewest_interactions'],
  ['Interactions for each impression', 'sure', 'lowest'],
]
const orderOf = ([, down, up]: (typeof ORDERS)[number]) =>
  props.order === down ? 'descending' : props.order === up ? 'ascending' : undefined
const select = ([, down, up]: (typeof ORDERS)[number]) => emit('order', props.order === down ? up : down)
const locale = useLocale()
const when = (post: ListedPost) =>
  DateTime.fromJSDate(post.publishedAt, { zone: props.timeZone }).toFormat('d MMM yyyy, HH:mm')
const count = (value: number | null) => (value === null ? '—' : formatCount(value, locale))
</script>

<template>
  <table class="plain-table">
    <thead>
      <tr v-if="order">
        <template v-for="(each, index) in ORDERS" :key="each[0]"
          ><OrderHeading :label="each[0]" :order="orderOf(each)" @select="select(each)" /><template v-if="index === 0"
            ><th scope="col" class="words">Profile</th>
            <th scope="col" class="words">Post</th></template
          ></template
        >
      </tr>
      <tr v-else>
        <th scope="col">Published</th>
        <th scope="col" class="words">Profile</th>
        <th scope="col" class="words">Post</th>
        <th scope="col">Impressions</th>
        <th scope="col">Interactions</th>
        <th scope="col">Interactions for each impression</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="post in posts" :key="post.id">
        <td class="when">{{ when(post) }}</td>
        <td class="words">
          <b>{{ post.name }}</b> <span class="quiet">{{ post.networkName }}</span>
        </td>
        <td class="words">
          <span class="quiet">{{ post.format }}</span> {{ post.text }}
        </td>
        <td>{{ count(post.impressions) }}</td>
        <td>{{ count(post.interactions) }}</td>
        <td>
          <template v-if="post.rate"
            >{{ formatShare(post.rate.value, locale) }}
            <span class="quiet"
              >{{ formatShare(post.rate.low, locale) }} to {{ formatShare(post.rate.high, locale) }}</span
            ></template
          ><template v-else>—</template>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.when {
  white-space: nowrap;
}
</style>
