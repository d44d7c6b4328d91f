<script setup lang="ts">
import { FACETS } from '~~/core/breakdowns/audienceBreakdowns'
import type { AudiencePart, AudienceView } from '~~/shared/read/audience'

definePageMeta({ margin: true, scope: true })
useHead({ title: 'Audience · Zaffer' })
const { query, replace } = usePageAddress()
const shell = useShell()
const { slug, base } = useClient()
const { address } = useScope()
const { data, error, isLoading } = useQuery({
  key: () => ['audience', slug.value, address.value],
  query: () => api<AudienceView>(`${base.value}/audience`, { query: address.value }),
  placeholderData: (previous) => previous,
})
const told = computed(() => (data.value?.shown ?? []).filter(({ parts }) => parts.length > 0))
const silent = computed(() => (data.value?.shown ?? []).filter(({ parts }) => parts.length === 0))
const nameOf = (facet: string) => FACETS.find(({ id }) => id === facet)!.name
/** Which part's working is open: a facet and a part. */
const chosen = computed(() => {
  const [facet = '', ...rest] = String(query.value.part ?? '').split('.')
  const view = data.value?.shown.find((each) => each.facet === facet)
  const part = view?.parts.find((each) => each.part === rest.join('.'))
  return view && part ? { view, part } : undefined
})
function select(facet: string, { part }: AudiencePart) {
  shell.isMarginOpen = true
  void replace({ part: `${facet}.${part}` })
}
const file = (facet: string) =>
  `${base.value}/downloads/audience?${new URLSearchParams({ ...address.value, option: facet })}`
</script>

<template>
  <div>
    <h1 class="hidden-but-read">Who follows, who was reached, who responded?</h1>
    <ScopeSentence />
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading && !data" class="quiet">Fetching the audience …</p>
    <p v-else-if="data && data.facets.length === 0" class="quiet">
      No network of these profiles tells anything of its audience. Choose other profiles above.
    </p>
    <template v-if="data">
      <template v-for="(view, index) in told" :key="view.facet">
        <section :aria-labelledby="`facet-${view.facet}`" class="part">
          <div class="row head">
            <h2 :id="`facet-${view.facet}`" class="heading">{{ nameOf(view.facet) }}</h2>
            <DownloadMenu :path="file(view.facet)" block="audience" :what="nameOf(view.facet)" />
          </div>
          <AudienceText
            :view="view"
            :chosen="chosen?.view.facet === view.facet ? chosen.part.part : undefined"
            @select="(part) => select(view.facet, part)"
          />
        </section>
        <IntendedSection v-if="index === 0" class="part" :intended="data.intended" :facets="data.shown" />
      </template>
      <section v-if="silent.length" aria-labelledby="silent-heading" class="part">
        <h2 id="silent-heading" class="heading">What is not told of this week</h2>
        <ul class="quiet">
          <li v-for="view in silent" :key="view.facet">
            {{ nameOf(view.facet) }}:
            {{ view.gaps.map(({ names, reason }) => `${names.join(', ')}: ${reason}`).join('; ') }}.
          </li>
        </ul>
      </section>
      <PollSection class="part" />
      <Teleport v-if="shell.marginPlace && chosen" :to="shell.marginPlace">
        <AudienceWorkings :view="chosen.view" :part="chosen.part" />
      </Teleport>
    </template>
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
