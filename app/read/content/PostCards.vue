<script setup lang="ts">
/** Posts as cards, each with its picture and the figures that were chosen. */
import { DateTime } from 'luxon'
import { postFigureById } from '~~/core/posts/postFigures'
import type { ListedPost } from '~~/shared/read/content'
import { postFigureText } from './postFigureText'
import { postKey } from './postKey'

const props = defineProps<{
  posts: ListedPost[]
  timeZone: string
  columns: string[]
  slug: string
  tags: ReadonlyMap<number, { name: string; colour: number }>
  chosen?: ReadonlySet<string>
}>()
const emit = defineEmits<{ choose: [post: ListedPost, isRange: boolean] }>()
const locale = useLocale()
const nameOf = (id: string) => (id === 'times' ? 'Times usual' : postFigureById(id).name)
const when = (post: ListedPost) =>
  DateTime.fromJSDate(post.publishedAt, { zone: props.timeZone }).toFormat('d MMM yyyy, HH:mm')
</script>

<template>
  <ul class="cards">
    <li v-for="post in posts" :key="postKey(post)" :class="{ chosen: chosen?.has(postKey(post)) }">
      <NuxtLink :to="`/${slug}/content/${post.profile}/${post.id}`" class="picture" tabindex="-1" aria-hidden="true">
        <PostPicture v-if="post.hasPicture" :slug="slug" :post="{ ...post, alt: '' }" :size="200" />
        <span v-else class="none">{{ post.format }}</span>
      </NuxtLink>
      <p class="quiet line">
        <input
          v-if="chosen"
          type="checkbox"
          class="no-print"
          :checked="chosen.has(postKey(post))"
          :aria-label="`Choose the post of ${when(post)}`"
          @click="emit('choose', post, $event.shiftKey)"
          @keydown.shift.space.prevent="emit('choose', post, true)"
        />{{ ' ' }}{{ when(post) }}
      </p>
      <p class="quiet">{{ post.format }}, {{ post.name }} on {{ post.networkName }}</p>
      <p class="text">
        <NuxtLink :to="`/${slug}/content/${post.profile}/${post.id}`">{{ post.text }}</NuxtLink>
      </p>
      <dl>
        <template v-for="column in columns" :key="column"
          ><dt>{{ nameOf(column) }}</dt>
          <dd>{{ postFigureText(post, column, locale).value }}</dd></template
        >
      </dl>
      <p v-if="post.tags?.length" class="tags">
        <template v-for="tag in post.tags" :key="tag"
          ><TagName v-if="tags.get(tag)" :name="tags.get(tag)!.name" :colour="tags.get(tag)!.colour"
        /></template>
      </p>
    </li>
  </ul>
</template>

<style scoped>
.cards {
  list-style: none;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
  gap: 20px 22px;
  margin-top: 8px;
}
li {
  border-top: 1.5px solid var(--rule2);
  padding-top: 8px;
  break-inside: avoid;
}
li.chosen {
  background: var(--wash);
  border-color: var(--zaffer);
}
.picture {
  display: block;
  text-decoration: none;
}
.picture :deep(img) {
  width: 100%;
  height: 150px;
}
.none {
  display: grid;
  place-items: center;
  height: 150px;
  background: var(--band);
  color: var(--ink2);
  font: italic 600 16px var(--serif);
}
.line {
  margin-top: 4px;
}
.text {
  display: -webkit-box;
  -webkit-line-clamp: 3;
  -webkit-box-orient: vertical;
  overflow: hidden;
  margin: 3px 0;
}
.text a {
  color: inherit;
  text-decoration-color: var(--rule2);
}
dl {
  display: grid;
  grid-template-columns: 1fr auto;
  border-top: 1px solid var(--rule);
  padding-top: 3px;
}
dt {
  color: var(--ink2);
}
dd {
  text-align: right;
  font-weight: 600;
}
.tags {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  font-size: var(--text-small);
}
</style>
