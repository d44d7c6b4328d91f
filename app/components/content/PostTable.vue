<script setup lang="ts">
import { DateTime } from 'luxon'
import { formatCount, formatShare } from '~~/core/format/numbers'
import type { ListedPost } from '~~/server/work/content'

const props = defineProps<{ posts: ListedPost[]; timeZone: string }>()
const locale = useLocale()
const when = (post: ListedPost) => DateTime.fromISO(String(post.publishedAt), { zone: props.timeZone }).toFormat('d MMM yyyy, HH:mm')
const count = (value: number | null) => (value === null ? '—' : formatCount(value, locale))
</script>

<template>
  <table class="plain-table">
    <thead><tr><th scope="col">Published</th><th scope="col" class="words">Profile</th><th scope="col" class="words">Post</th><th scope="col">Impressions</th><th scope="col">Interactions</th><th scope="col">Interactions for each impression</th></tr></thead>
    <tbody>
      <tr v-for="post in posts" :key="post.id">
        <td class="when">{{ when(post) }}</td><td class="words"><b>{{ post.name }}</b> <span class="quiet">{{ post.networkName }}</span></td><td class="words"><span class="quiet">{{ post.format }}</span> {{ post.text }}</td>
        <td>{{ count(post.impressions) }}</td><td>{{ count(post.interactions) }}</td>
        <td><template v-if="post.rate">{{ formatShare(post.rate.value, locale) }} <span class="quiet">{{ formatShare(post.rate.low, locale) }} to {{ formatShare(post.rate.high, locale) }}</span></template><template v-else>—</template></td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.when { white-space: nowrap; }
</style>
