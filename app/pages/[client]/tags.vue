<script setup lang="ts">
import type { ByTag } from '~~/shared/read/byTagBlock'
import { USUAL_WINDOW, type Occasions } from '~~/shared/read/occasionsBlock'

definePageMeta({ margin: true, scope: true })
useHead({ title: 'Tags · Zaffer' })
const { query, push: choose } = usePageAddress()
const { slug, base } = useClient()
const { address } = useScope()
const { data, error, isLoading } = useQuery({
  key: () => ['by-tag', slug.value, address.value],
  query: () => api<ByTag>(`${base.value}/tags/figures`, { query: address.value }),
  placeholderData: (previous) => previous,
})
const textOf = (name: string) => (typeof query.value[name] === 'string' ? query.value[name] : '')
const numberOf = (name: string, usual: number) => (/^\d{1,3}$/.test(textOf(name)) ? Number(textOf(name)) : usual)
const askedOccasions = computed(() => ({
  ...(/^\d{1,9}$/.test(textOf('tag')) && { tag: Number(textOf('tag')) }),
  on: textOf('on'),
  before: numberOf('before', USUAL_WINDOW.before),
  after: numberOf('after', USUAL_WINDOW.after),
}))
const occasions = useQuery({
  key: () => ['occasions', slug.value, address.value.who ?? 'all', askedOccasions.value],
  query: () => api<Occasions>(`${base.value}/tags/occasions`, { query: { ...address.value, ...askedOccasions.value } }),
  placeholderData: (previous) => previous,
})
const file = (kind: string, query: Record<string, unknown>) =>
  `${base.value}/downloads/${kind}?${new URLSearchParams(
    Object.entries(query).map(([name, value]) => [name, String(value)]),
  )}`
</script>

<template>
  <div>
    <h1 class="hidden-but-read">What did the posts of each tag bring?</h1>
    <ScopeSentence />
    <section aria-labelledby="by-tag-heading" class="part">
      <div class="row head">
        <h2 id="by-tag-heading" class="heading">Posts by tag</h2>
        <DownloadMenu :path="file('byTag', address)" block="byTag" what="Posts by tag" />
      </div>
      <p v-if="error" role="alert">{{ error.message }}</p>
      <p v-else-if="isLoading && !data" class="quiet">Adding up the posts …</p>
      <p v-else-if="data?.all.posts === 0" class="quiet">
        Nothing was published here in this period. Choose other days or profiles above.
      </p>
      <ByTagText v-else-if="data" :by-tag="data" />
    </section>
    <section aria-labelledby="occasions-heading" class="part">
      <div class="row head">
        <h2 id="occasions-heading" class="heading">An occasion over the years</h2>
        <DownloadMenu
          :path="file('occasions', { ...address, ...askedOccasions })"
          block="occasions"
          what="The occasions"
        />
      </div>
      <div class="row no-print">
        <OccasionsChoice :asked="askedOccasions" label="Occasions" @choose="choose" />
      </div>
      <p v-if="occasions.error.value" role="alert">{{ occasions.error.value.message }}</p>
      <OccasionsText v-else-if="occasions.data.value" :occasions="occasions.data.value" />
    </section>
    <TagList class="part" />
  </div>
</template>

<style scoped>
.part {
  margin: 12px 0 20px;
}
.head {
  justify-content: space-between;
  margin-bottom: 4px;
}
</style>
