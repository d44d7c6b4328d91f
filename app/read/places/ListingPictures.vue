<script setup lang="ts">
/** What a listing shows, and what was removed from it: by whom each picture came, when, and how often it was seen. */
import { formatCount } from '~~/core/format/numbers'
import { describeInstant } from '~~/core/periods/describePeriod'
import type { ListingPictures } from '~~/shared/read/places'

const props = defineProps<{
  shown: ListingPictures
  timeZone: string
  /** Whether it is read by whoever has the edition: pictures are shown to who has signed in alone. */ isPlain?: boolean
}>()
const locale = useLocale()
const { base } = useClient()
const words = computed(() => {
  const { shown, came, cameByOwner, went } = props.shown
  const count = (many: number) => formatCount(many, locale)
  return (
    `It shows ${shown === 0 ? 'none' : count(shown)}. In these days ${count(came)} came, ${count(cameByOwner)} of them ` +
    `from the owner, and ${count(went)} went.`
  )
})
const day = (at: Date) => describeInstant(at, props.timeZone)
</script>

<template>
  <p>{{ words }}</p>
  <ul class="pictures">
    <li v-for="each in shown.pictures" :key="each.id">
      <img
        v-if="each.hasFile && !isPlain"
        :src="`${base}/listings/${shown.profile}/pictures/${encodeURIComponent(each.id)}`"
        :alt="each.text"
        width="140"
        height="105"
        loading="lazy"
      />
      <span v-else class="quiet empty">{{ each.text || (isPlain ? 'No text' : 'Not kept here') }}</span>
      <span>{{ each.isOwner ? 'The owner' : each.by || 'Nobody named' }}, {{ day(each.addedAt) }}</span>
      <span v-if="each.removedAt" class="worse">removed {{ day(each.removedAt) }}</span>
      <span v-if="each.views !== undefined" class="quiet">{{ formatCount(each.views, locale) }} views so far</span>
    </li>
  </ul>
  <p v-if="shown.more" class="quiet">{{ formatCount(shown.more, locale) }} older ones are not drawn.</p>
</template>

<style scoped>
.pictures {
  list-style: none;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 12px;
}
li {
  display: flex;
  flex-direction: column;
  font-size: var(--text-small);
}
img,
.empty {
  width: 140px;
  height: 105px;
  object-fit: cover;
  background: var(--band);
}
</style>
