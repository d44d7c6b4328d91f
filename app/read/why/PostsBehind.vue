<script setup lang="ts">
import { describeInstant } from '~~/core/periods/describePeriod'
import { formatCount, oneDecimal } from '~~/core/format/numbers'
import type { PostBehind, PostsBehind } from '~~/shared/read/why'

/** Which posts did it: of both periods, each beside what its profile's posts usually bring. */
defineProps<{ posts: PostsBehind }>()
const locale = useLocale()
const day = ({ publishedAt }: PostBehind) => describeInstant(publishedAt)
const beside = ({ times, usual }: PostBehind) =>
  times !== undefined
    ? `${oneDecimal(times, locale)} × its profile’s usual of ${formatCount(usual!, locale)}`
    : usual === undefined
      ? 'its profile has too few posts to say what is usual'
      : 'its profile’s posts usually bring nothing'
const SIDES = [
  ['now', 'In the period'],
  ['then', 'In the comparison'],
] as const
const ENDS = [
  ['best', 'The best'],
  ['weakest', 'The weakest'],
] as const
</script>

<template>
  <div class="posts">
    <h3>Which posts did it</h3>
    <div class="sides">
      <div v-for="[side, name] in SIDES" :key="side">
        <p>
          <b>{{ name }}</b
          >: {{ formatCount(posts[side].count, locale) }} {{ posts[side].count === 1 ? 'post' : 'posts' }} with
          {{ formatCount(posts[side].total, locale) }} {{ posts.counted }} so far.
        </p>
        <template v-for="[end, label] in ENDS" :key="end">
          <p v-if="posts[side][end].length" class="quiet">{{ label }}</p>
          <ul>
            <li v-for="post in posts[side][end]" :key="post.id">
              <b>{{ formatCount(post.value, locale) }}</b> “{{ post.text }}”
              <span class="quiet"
                >{{ post.format }}, {{ post.name }} on {{ post.networkName }}, {{ day(post) }}; {{ beside(post) }}</span
              >
            </li>
          </ul>
        </template>
      </div>
    </div>
    <p class="quiet small">
      Of posts published then, with everything that they have brought since. Usual is the median of the profile’s other
      posts of ninety days, of at least five.
    </p>
  </div>
</template>

<style scoped>
h3 {
  font: italic 600 15px var(--serif);
  color: var(--ink2);
  margin-top: 8px;
}
.sides {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(18rem, 1fr));
  gap: 6px 24px;
}
ul {
  list-style: none;
  display: grid;
  gap: 5px;
  margin: 2px 0 8px;
}
.small {
  font-size: var(--text-small);
}
</style>
