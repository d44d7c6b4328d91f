<script setup lang="ts">
import { DateTime } from 'luxon'
import { oneDecimal } from '~~/core/format/numbers'
import type { PostFigureView, PostView } from '~~/shared/read/post'

definePageMeta({ margin: true })
useHead({ title: 'Post · Zaffer' })
const route = useRoute()
const { query, replace } = usePageAddress()
const shell = useShell()
const session = useSession()
const locale = useLocale()
const { slug, base } = useClient()
const { description } = useScope()
const place = computed(() => `${String(route.params.profile)}/${encodeURIComponent(String(route.params.post))}`)
const { data, error, isLoading } = useQuery({
  key: () => ['post', slug.value, place.value],
  query: () => api<PostView>(`${base.value}/posts/${place.value}`),
})
const timeZone = computed(() => description.data.value?.client.timeZone ?? 'UTC')
const when = computed(() =>
  data.value
    ? DateTime.fromJSDate(data.value.post.publishedAt, { zone: timeZone.value }).toFormat('d MMMM yyyy, HH:mm')
    : '',
)
/** Which figure's working is open. */
const chosen = computed(() => {
  const wanted = String(query.value.figure ?? '')
  return data.value?.figures.find(({ id }) => id === wanted)
})
function select({ id }: PostFigureView) {
  shell.isMarginOpen = true
  void replace({ figure: id })
}
const LIVES = { interactions: 'Interactions', impressions: 'Impressions' } as const
const shownLife = computed(() => (query.value.life === 'impressions' ? 'impressions' : 'interactions'))
const showLife = (life: string) => replace({ life: life === 'interactions' ? undefined : life })
/** Those that are read first, before the line: one row of them. */
const FIRST = ['interactions', 'impressions', 'rate', 'reach', 'watch_average', 'pass_on', 'story_exits']
const first = computed(() =>
  FIRST.flatMap((id) => data.value?.figures.find((figure) => figure.id === id) ?? []).slice(0, 5),
)
const rest = computed(() => (data.value?.figures ?? []).filter((figure) => !first.value.includes(figure)))
const age = computed(() => {
  const hours = data.value?.ageHours ?? 0
  return hours >= 168
    ? 'after a week'
    : hours < 48
      ? `after ${oneDecimal(hours, locale)} hours`
      : `after ${oneDecimal(hours / 24, locale)} days`
})
</script>

<template>
  <div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading && !data" class="quiet">Fetching the post …</p>
    <template v-if="data">
      <header>
        <h1>
          How did “{{ data.post.text.length > 60 ? `${data.post.text.slice(0, 58)}…` : data.post.text }}” do? A
          {{ data.post.format }} of {{ data.profile.name }}, {{ data.profile.networkName }}, published {{ when }}
        </h1>
        <NuxtLink class="no-print back" :to="{ path: `/${slug}/content` }">All posts</NuxtLink>
      </header>
      <div class="said">
        <PostPicture v-if="data.post.hasPicture" :slug="slug" :post="data.post" :size="132" />
        <div>
          <p class="text">{{ data.post.text }}</p>
          <p v-if="data.isPaid" class="quiet">Part of its impressions was paid for.</p>
          <p v-for="link in data.links" :key="link.id">
            Leads by
            <NuxtLink :to="{ path: `/${slug}/links`, query: { link: String(link.id), period: 'last-365-days' } }"
              >“{{ link.name }}”</NuxtLink
            >
            <span class="quiet"
              >: {{ link.clicks.toLocaleString(locale) }} {{ link.clicks === 1 ? 'click' : 'clicks' }} of people so far,
              here and wherever else it stands.</span
            >
          </p>
          <ul v-if="data.tags.length" class="reasons" aria-label="Tags, and why it has them">
            <li v-for="reason in data.tags" :key="reason.tag">
              <TagName :name="reason.name" :colour="reason.colour" />
              <span class="quiet">
                <template v-if="reason.byHand">by hand{{ reason.byHand.by ? `, ${reason.byHand.by}` : '' }}</template
                ><template v-if="reason.byHand && reason.rules.length">; </template
                ><template v-for="rule in reason.rules" :key="rule.id">by rule: {{ rule.words }}</template></span
              >
            </li>
          </ul>
          <p v-else class="quiet">It has no tag. Tags are set on the page Content, or by a rule under Tags.</p>
          <p v-if="session.mayWrite" class="no-print">
            <NuxtLink :to="{ path: `/${slug}/calendar/new`, query: { like: place } }">Write a draft from this</NuxtLink>
          </p>
        </div>
      </div>
      <PostFigures
        :figures="first"
        :chosen="chosen?.id"
        :format="data.post.format"
        label="What it has brought"
        @select="select"
      />
      <p v-if="data.figures.length === 0" class="quiet">Its network tells no figure of it.</p>
      <section aria-labelledby="life-heading" class="life">
        <div class="row head">
          <h2 id="life-heading" class="heading">How its {{ LIVES[shownLife].toLowerCase() }} came</h2>
          <Select
            class="no-print"
            :model-value="shownLife"
            :options="Object.entries(LIVES).map(([value, name]) => ({ value, name }))"
            option-label="name"
            option-value="value"
            size="small"
            aria-label="Which figure over its life"
            @update:model-value="showLife"
          />
        </div>
        <PostLifeChart
          v-if="data.life[shownLife].points.length"
          :life="data.life[shownLife]"
          :name="LIVES[shownLife]"
          :kind="data.post.format"
        />
        <p v-else class="quiet">
          Nobody looked at it while it was young, so only what it has now is known. Every sync looks at young posts.
        </p>
      </section>
      <section v-if="data.retention" aria-labelledby="retention-heading" class="life">
        <h2 id="retention-heading" class="heading">How far it was watched</h2>
        <RetentionChart :retention="data.retention" :kind="data.post.format" />
      </section>
      <section v-if="rest.length" aria-labelledby="rest-heading" class="life">
        <h2 id="rest-heading" class="heading">What else is known of it</h2>
        <PostFigures
          :figures="rest"
          :chosen="chosen?.id"
          :format="data.post.format"
          label="What else is known of it"
          @select="select"
        />
      </section>
      <Teleport v-if="shell.marginPlace" :to="shell.marginPlace">
        <PostWorkings
          :figure="chosen"
          :age="age"
          :format="data.post.format"
          :profile="data.profile.name"
          :notes="data.notes"
        />
      </Teleport>
    </template>
  </div>
</template>

<style scoped>
header {
  display: flex;
  justify-content: space-between;
  align-items: flex-start;
  gap: 16px;
  border-bottom: 2px solid var(--ink);
  padding-bottom: 9px;
  margin-bottom: 12px;
}
h1 {
  font: 400 var(--text-scope)/1.35 var(--serif);
}
.back {
  white-space: nowrap;
}
.said {
  display: flex;
  gap: 14px;
  margin-bottom: 10px;
}
.text {
  font: 400 1.143rem/1.4 var(--serif);
  margin-bottom: 4px;
}
.reasons {
  list-style: none;
}
.life {
  margin-top: 14px;
}
.head {
  justify-content: space-between;
}
</style>
