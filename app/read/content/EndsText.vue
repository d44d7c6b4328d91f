<script setup lang="ts">
/** The best and the worst posts beside each other: all of them on one strip, both ends by name below it. */
import { DateTime } from 'luxon'
import { figureOfPost, type RankedPost } from '~~/core/posts/bestAndWorst'
import { formatCount, formatShare, oneDecimal } from '~~/core/format/numbers'
import type { ListedPost } from '~~/shared/read/content'
import { RANKINGS, type Ends } from '~~/shared/read/endsBlock'
import { sayPostFigure } from './sayPostFigure'

const props = defineProps<{ ends: Ends; timeZone: string }>()
const locale = useLocale()
const words = computed(() => RANKINGS[props.ends.by])
const say = (value: number) => sayPostFigure(props.ends.by, value, locale)
const figure = (post: RankedPost<ListedPost>) => figureOfPost(post, props.ends.by)!
const when = (post: ListedPost) =>
  DateTime.fromJSDate(post.publishedAt, { zone: props.timeZone }).toFormat('d MMM yyyy, HH:mm')
/** What stands beside its figure, so that it can be judged. */
function beside(post: RankedPost<ListedPost>): string {
  if (props.ends.by === 'rate') {
    const { low, high } = post.rate!
    return (
      `${formatShare(low, locale, 'down')} to ${formatShare(high, locale, 'up')}, ` +
      `of ${formatCount(post.impressions!, locale)} impressions`
    )
  }
  if (props.ends.by === 'times')
    return `${formatCount(post.interactions!, locale)} interactions, usually ${oneDecimal(post.usual!, locale)}`
  return post.times === undefined
    ? 'its profile has too few posts to say what is usual'
    : `${oneDecimal(post.times, locale)} × its profile’s usual interactions`
}
const sides = computed(() => [
  { name: words.value.best, posts: props.ends.best, isBest: true },
  { name: words.value.worst, posts: props.ends.worst, isBest: false },
])
</script>

<template>
  <p v-if="ends.ranked === 0" class="quiet">
    No post of this period has {{ words.figure }}{{ ends.unranked ? `; ${ends.unranked} are without.` : '.' }}
  </p>
  <div v-else>
    <EndsStrip :ends="ends" :say="say" />
    <div class="sides">
      <section v-for="side in sides" :key="side.name" :aria-label="side.name">
        <h3>{{ side.name }}</h3>
        <ol>
          <li v-for="(post, index) in side.posts" :key="`${post.profile} ${post.id}`">
            <span class="mark" :class="{ best: side.isBest }">{{ index + 1 }}</span>
            <p>
              <b class="figure">{{ say(figure(post)) }}</b> <span class="quiet">{{ beside(post) }}</span>
            </p>
            <p class="post">“{{ post.text }}”</p>
            <p class="quiet">{{ post.format }}, {{ post.name }} on {{ post.networkName }}, {{ when(post) }}</p>
          </li>
        </ol>
        <p v-if="side.posts.length === 0" class="quiet">Too few posts to have another end.</p>
      </section>
    </div>
    <p class="quiet small">
      {{ ends.ranked }} {{ ends.ranked === 1 ? 'post' : 'posts' }} ranked{{
        ends.unranked ? `, ${ends.unranked} without ${words.figure} left out` : ''
      }}.
      {{
        ends.by === 'rate'
          ? 'The best are ranked by the lower end of their 95 % interval, the worst by the upper one: few impressions prove nothing.'
          : 'Usual is the median of the profile’s other posts of ninety days, of at least five.'
      }}
      What they have brought until now; a young post is still gathering. On the strip, twice as far is four times as
      much.
    </p>
  </div>
</template>

<style scoped>
.sides {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(20rem, 100%), 1fr));
  gap: 8px 28px;
}
h3 {
  font: italic 600 15px var(--serif);
  color: var(--ink2);
  border-bottom: 1px solid var(--rule);
  padding-bottom: 3px;
}
ol {
  list-style: none;
}
li {
  position: relative;
  padding: 7px 0 7px 32px;
  border-bottom: 1px solid var(--rule);
  break-inside: avoid;
}
.mark {
  position: absolute;
  left: 0;
  top: 9px;
  width: 21px;
  text-align: center;
  font-size: var(--text-small);
  font-weight: 600;
  border: 1.5px solid var(--ink3);
  border-radius: 50%;
}
.mark.best {
  background: var(--zaffer);
  border-color: var(--zaffer);
  color: var(--paper);
}
.figure {
  font: 600 var(--text-heading) var(--serif);
}
.post {
  display: -webkit-box;
  -webkit-line-clamp: 2;
  -webkit-box-orient: vertical;
  overflow: hidden;
}
.small {
  font-size: var(--text-small);
  margin-top: 6px;
}
</style>
