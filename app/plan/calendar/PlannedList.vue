<script setup lang="ts">
/** Planned posts as a list, each leading to its page. */
import { PLAN_STATE_NAMES } from '~~/core/plan/postStates'
import { describeDay } from '~~/core/periods/describePeriod'
import type { PlannedHead } from '~~/shared/plan/plannedPosts'
import { clockOf } from './calendarWords'

defineProps<{
  id: string
  title: string
  posts: readonly PlannedHead[]
  /** Whether all of them can be chosen. */
  isPickable?: boolean
}>()
const emit = defineEmits<{ pick: [ids: number[]] }>()
const { slug } = useClient()
const when = ({ day, minutes }: PlannedHead) =>
  day === undefined || minutes === undefined ? '' : `, ${describeDay(day)}, ${clockOf(minutes)}`
const what = ({ state, postings }: PlannedHead) =>
  postings.some((posting) => posting.state === 'to do') ? 'to be published by hand' : PLAN_STATE_NAMES[state]
</script>

<template>
  <section :id="id" :aria-labelledby="`${id}-heading`">
    <div class="row">
      <h2 :id="`${id}-heading`" class="heading">{{ title }}</h2>
      <Button
        v-if="isPickable"
        label="Choose all of these"
        text
        size="small"
        @click="
          emit(
            'pick',
            posts.map((post) => post.id),
          )
        "
      />
    </div>
    <ul>
      <li v-for="post in posts" :key="post.id">
        <NuxtLink :to="`/${slug}/calendar/${post.id}`">{{ post.heading || post.text || 'Without a text' }}</NuxtLink>
        <span class="quiet">{{ ` ${what(post)}, ${post.writtenName}${when(post)}` }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 6px 0 12px;
}
</style>
