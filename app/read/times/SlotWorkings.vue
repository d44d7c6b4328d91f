<script setup lang="ts">
/** In the margin: what is known of one slot, how its lift comes about, and its posts. */
import type { Rounding } from '~~/core/format/formatter'
import { formatCount, formatShare, formatSignedShare, oneDecimal } from '~~/core/format/numbers'
import { slotName } from '~~/core/times/slots'
import type { TimesView } from '~~/shared/read/times'
import { slotMoment } from './slotMoment'

const props = defineProps<{ view: TimesView; chosen: number; what: string }>()
const locale = useLocale()
const { slug } = useClient()
const each = computed(() => props.view.lifts[props.chosen]!)
const there = computed(() => props.view.there?.slots[props.chosen] ?? undefined)
const number = computed(() => props.view.suggestions.findIndex(({ slot }) => slot === props.chosen) + 1)
const posts = computed(() => props.view.marks.filter(({ hours }) => Math.floor(hours) === props.chosen))
const signed = (share: number, rounding?: Rounding) => formatSignedShare(share, locale, rounding)
const drawn = computed(() =>
  each.value.raw === undefined || !each.value.lift ? undefined : each.value.lift.value - each.value.raw,
)
const dayOf = (at: number) => slotMoment(at, { zone: props.view.zone, locale })
</script>

<template>
  <section aria-live="polite">
    <h2>{{ number > 0 ? `Slot ${number}: ` : '' }}{{ slotName(chosen) }}</h2>
    <p v-if="each.lift">
      {{ each.posts }} posts went out in this hour. Beside what their profile and format usually bring, they brought
      {{ formatShare(Math.abs(each.lift.value), locale) }} {{ each.lift.value < 0 ? 'fewer' : 'more' }} {{ what }},
      between {{ signed(each.lift.low, 'down') }} and {{ signed(each.lift.high, 'up') }}.
    </p>
    <p v-else>
      {{ each.posts === 0 ? 'No post' : each.posts === 1 ? 'One post' : `${each.posts} posts` }} in this hour:
      {{ each.missing }} more and it has a lift.
    </p>
    <dl>
      <template v-if="each.raw !== undefined"
        ><dt>Its own posts beside usual</dt>
        <dd>{{ signed(each.raw) }}</dd></template
      >
      <template v-if="drawn !== undefined"
        ><dt>Drawn to its weekday, hour and neighbours</dt>
        <dd>{{ `${drawn > 0 ? '+' : drawn < 0 ? '−' : ''}${oneDecimal(Math.abs(drawn * 100), locale)} pt` }}</dd>
        <dt><b>Lift</b></dt>
        <dd>
          <b>{{ signed(each.lift!.value) }}</b>
        </dd></template
      >
      <template v-if="there"
        ><dt>Followers there</dt>
        <dd>{{ formatCount(Math.round(there.people), locale) }}</dd>
        <dt>Of all {{ formatCount(Math.round(there.people / there.ofAll), locale) }} followers</dt>
        <dd>{{ formatShare(there.ofAll, locale) }}</dd>
        <dt>Of the fullest hour</dt>
        <dd>{{ formatShare(there.ofFullest, locale) }}</dd></template
      >
      <template v-if="view.arrivals"
        ><dt>Of all interactions that arrive</dt>
        <dd>{{ formatShare(view.arrivals.slots[chosen]!, locale) }}</dd></template
      >
    </dl>
    <template v-if="posts.length">
      <h2>{{ posts.length < each.posts ? 'The newest of its posts' : 'Its posts' }}</h2>
      <ul>
        <li v-for="post in posts" :key="`${post.profile} ${post.id}`">
          <NuxtLink :to="`/${slug}/content/${post.profile}/${post.id}`">{{ dayOf(post.at) }}</NuxtLink
          >: {{ signed(post.beside) }}
          <span class="quiet">{{ post.text }}</span>
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
ul {
  padding-left: 0;
  list-style: none;
}
li {
  margin-bottom: 6px;
}
</style>
