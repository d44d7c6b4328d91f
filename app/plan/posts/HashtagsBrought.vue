<script setup lang="ts">
/** Hashtags of the client, with what posts with each brought so far, to be taken into the text. */
import type { Rounding } from '~~/core/format/formatter'
import { formatCount, formatSignedShare } from '~~/core/format/numbers'
import { hashtagsIn } from '~~/core/tags/tagRule'
import type { HashtagBrought } from '~~/shared/plan/hashtags'

const props = defineProps<{ text: string }>()
const emit = defineEmits<{ take: [tag: string] }>()
const locale = useLocale()
const { slug, base } = useClient()
const SHOWN = 10
const { data, error } = useQuery({
  key: () => ['plan', slug.value, 'hashtags'],
  query: () => api<HashtagBrought[]>(`${base.value}/plan/hashtags`),
})
const used = computed(() => new Set(hashtagsIn(props.text)))
const known = computed(() => new Map((data.value ?? []).map((each) => [each.tag, each])))
/** Those of the text first, as far as something is known of them; then the others. */
const shown = computed(() => {
  const all = data.value ?? []
  return [...all.filter(({ tag }) => used.value.has(tag)), ...all.filter(({ tag }) => !used.value.has(tag))].slice(
    0,
    SHOWN + used.value.size,
  )
})
const isNew = computed(() => [...used.value].filter((tag) => !known.value.has(tag)))
const posts = (many: number) => `${formatCount(many, locale)} ${many === 1 ? 'post' : 'posts'}`
/** How far from usual, as slots have it. */
const beside = (times: number, rounding?: Rounding) => formatSignedShare(times - 1, locale, rounding)
const words = ({ times, posts: many, stands }: HashtagBrought) =>
  times
    ? `${beside(times.value)}, between ${beside(times.low, 'down')} and ${beside(times.high, 'up')}, in ${posts(many)}` +
      (stands ? `: ${stands} usual by more than chance` : '')
    : `${posts(many)}, too few to judge`
</script>

<template>
  <section>
    <h2>Hashtags so far</h2>
    <p v-if="error" class="quiet">{{ error.message }}</p>
    <p v-else-if="data?.length === 0" class="quiet">No post of the last year has one.</p>
    <ul v-else-if="data">
      <li v-for="tag in isNew" :key="`new ${tag}`">
        #{{ tag }} <span class="quiet">in the text; not among those of the last year that are told</span>
      </li>
      <li v-for="each in shown" :key="each.tag">
        <b v-if="used.has(each.tag)">#{{ each.tag }}</b
        ><button v-else type="button" class="bare as-link" @click="emit('take', each.tag)">#{{ each.tag }}</button>
        <span class="quiet">{{ ` ${words(each)}` }}</span>
      </li>
    </ul>
    <p v-if="data?.length" class="quiet small">
      Interactions of posts with it in the last year, beside what is usual of their profile and format (95 %).
    </p>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
}
button {
  min-height: 24px;
}
.small {
  font-size: var(--text-small);
}
</style>
