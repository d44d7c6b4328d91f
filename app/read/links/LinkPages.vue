<script setup lang="ts">
/** The public pages of links: how often each was looked at, and what was followed on it. */
import { formatCount, formatShare } from '~~/core/format/numbers'
import type { LinkPages, LinkPageView, LinkView } from '~~/shared/read/links'

defineProps<{ links: LinkView[]; origin: string }>()
const session = useSession()
const locale = useLocale()
const { slug, base } = useClient()
const { address } = useScope()
const refreshAll = useRefresh()
const { data, error } = useQuery({
  key: () => ['link-pages', slug.value, address.value],
  query: () => api<LinkPages>(`${base.value}/link-pages`, { query: address.value }),
  placeholderData: (previous) => previous,
})
const edited = ref<LinkPageView | 'new'>()
const refresh = () => refreshAll('links')
const remove = useRemoval(refresh)
const count = (value: number) => formatCount(value, locale)
const clicksOf = (page: LinkPageView, link: number) => page.clicks.find((each) => each.link === link)?.visits ?? 0
const allOf = ({ clicks }: LinkPageView) => clicks.reduce((sum, { visits }) => sum + visits, 0)
function saved() {
  edited.value = undefined
  void refresh()
}
</script>

<template>
  <section aria-labelledby="pages-heading">
    <div class="row head">
      <h2 id="pages-heading" class="heading">Public pages of several links</h2>
      <Button
        v-if="session.mayWrite"
        class="no-print"
        label="New page"
        size="small"
        aria-haspopup="dialog"
        @click="edited = 'new'"
      />
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="data?.pages.length === 0" class="quiet">
      No page yet. A profile’s description has room for one address: a page there leads on to several.
    </p>
    <article v-for="page in data?.pages" :key="page.id" :aria-label="page.title">
      <div class="row">
        <h3>{{ page.title }}</h3>
        <a :href="`${origin}/p/${page.code}`" target="_blank" rel="noopener">{{ origin }}/p/{{ page.code }}</a>
        <span class="quiet"
          >{{ count(page.views.people) }} {{ page.views.people === 1 ? 'view' : 'views' }} by people,
          {{ count(allOf(page)) }} {{ allOf(page) === 1 ? 'click' : 'clicks' }}</span
        >
        <span v-if="session.mayWrite" class="row right no-print">
          <Button
            label="Change"
            text
            size="small"
            aria-haspopup="dialog"
            :aria-label="`Change ${page.title}`"
            @click="edited = page"
          />
          <Button
            label="Remove"
            text
            size="small"
            :aria-label="`Remove ${page.title}`"
            @click="remove(`${base}/link-pages/${page.id}`, `“${page.title}” is not public any more.`)"
          />
        </span>
      </div>
      <ul>
        <li v-for="(item, index) in page.items" :key="index">
          <i v-if="item.link === null">{{ item.text }}</i>
          <template v-else
            >{{ item.text }}
            <span class="quiet"
              >{{ count(clicksOf(page, item.link)) }} {{ clicksOf(page, item.link) === 1 ? 'click' : 'clicks'
              }}{{
                allOf(page) ? `, ${formatShare(clicksOf(page, item.link) / allOf(page), locale)} of those here` : ''
              }}</span
            ></template
          >
        </li>
      </ul>
    </article>
    <LinkPageDialog
      v-if="edited"
      :page="edited === 'new' ? undefined : edited"
      :links="links"
      :accent="data?.accent ?? '#23409A'"
      @close="edited = undefined"
      @saved="saved"
    />
  </section>
</template>

<style scoped>
.head {
  justify-content: space-between;
}
article {
  border-bottom: 1px solid var(--rule);
  padding: 4px 0 8px;
}
h3 {
  font-size: 1rem;
}
ul {
  padding-left: 14px;
  list-style: none;
}
.right {
  margin-left: auto;
}
</style>
