<script setup lang="ts">
import { formatCount } from '~~/core/format/numbers'
import { LINKS_AT_ONCE, type LinkList, type LinkView } from '~~/shared/read/links'

definePageMeta({ margin: true, scope: true })
useHead({ title: 'Links · Zaffer' })
const { query, push, replace } = usePageAddress()
const session = useSession()
const shell = useShell()
const say = useSay()
const locale = useLocale()
const { slug, base } = useClient()
const { address } = useScope()
const refreshAll = useRefresh()
const rows = computed(() => (/^\d{1,4}$/.test(String(query.value.rows)) ? Number(query.value.rows) : LINKS_AT_ONCE))
const { data, error, isLoading } = useQuery({
  key: () => ['links', slug.value, address.value, rows.value],
  query: () => api<LinkList>(`${base.value}/links`, { query: { ...address.value, rows: rows.value } }),
  placeholderData: (previous) => previous,
})
const origin = computed(() => (import.meta.client ? window.location.origin : ''))
const edited = ref<LinkView | 'new'>()
const refresh = () => refreshAll('links')
const remove = useRemoval(refresh)
const chosen = computed(() => data.value?.links.find(({ id }) => String(id) === query.value.link))
const { copy } = useClipboard({ legacy: true })
function select({ id }: LinkView) {
  shell.isMarginOpen = true
  void replace({ link: String(id) })
}
async function copyAddress({ code, name }: LinkView) {
  await copy(`${origin.value}/l/${code}`)
  say.done(`The address of “${name}” is copied.`)
}
async function end(link: LinkView, isEnded: boolean) {
  try {
    await api(`${base.value}/links/${link.id}/ended`, { method: 'PUT', body: { isEnded } })
    await refresh()
    say.done(isEnded ? `“${link.name}” has ended: it leads nowhere now.` : `“${link.name}” goes on.`, () =>
      end(link, !isEnded),
    )
  } catch (problem) {
    say.problem(problem)
  }
}
function saved() {
  edited.value = undefined
  void refresh()
}
const count = (value: number) => formatCount(value, locale)
</script>

<template>
  <div>
    <h1 class="hidden-but-read">Which links were followed, and from where?</h1>
    <ScopeSentence of="All tracked links" />
    <section aria-labelledby="links-heading" class="part">
      <div class="row head">
        <h2 id="links-heading" class="heading">Tracked links</h2>
        <span class="row no-print">
          <Button
            v-if="session.mayWrite"
            label="New link"
            size="small"
            aria-haspopup="dialog"
            @click="edited = 'new'"
          />
          <DownloadMenu v-if="data?.all" kind="links" what="The tracked links" />
        </span>
      </div>
      <p v-if="error" role="alert">{{ error.message }}</p>
      <p v-else-if="isLoading && !data" class="quiet">Fetching the links …</p>
      <p v-else-if="data?.all === 0" class="quiet">
        No link yet. A tracked link is a short address that leads on to a page of the client’s and counts who follows
        it.
      </p>
      <template v-else-if="data">
        <p class="sum">
          <b>{{ count(data.clicks.people) }}</b> clicks in all
          <CountChangeText v-if="data.change" :change="data.change" />
          <span v-if="data.change && data.ofYounger" class="quiet"
            >{{ ' ' }}{{ count(data.ofYounger) }} of them on links that were made since the comparison began</span
          >
        </p>
        <WideContent label="Tracked links"
          ><LinksText :list="data" :chosen="chosen?.id" :origin="origin" @select="select">
            <template v-if="session.mayWrite" #end="{ row }">
              <td class="no-print acts">
                <Button
                  label="Copy"
                  text
                  size="small"
                  :aria-label="`Copy the address of ${row.name}`"
                  @click="copyAddress(row)"
                />
                <Button
                  label="Mend"
                  text
                  size="small"
                  aria-haspopup="dialog"
                  :aria-label="`Mend ${row.name}`"
                  @click="edited = row"
                />
                <Button
                  :label="row.endedAt ? 'Go on' : 'End'"
                  text
                  size="small"
                  :aria-label="row.endedAt ? `Let ${row.name} go on` : `End ${row.name}`"
                  @click="end(row, !row.endedAt)"
                />
                <Button
                  label="Remove"
                  text
                  size="small"
                  :aria-label="`Remove ${row.name}`"
                  @click="remove(`${base}/links/${row.id}`, `“${row.name}” was removed.`)"
                />
              </td>
            </template> </LinksText
        ></WideContent>
        <Button
          v-if="data.links.length < data.all"
          :label="`Show more of the ${count(data.all)}`"
          text
          @click="push({ rows: String(rows + LINKS_AT_ONCE) })"
        />
      </template>
    </section>
    <LinkPages class="part" :links="data?.links ?? []" :origin="origin" />
    <Teleport v-if="shell.marginPlace && chosen" :to="shell.marginPlace"><VisitWorkings :link="chosen" /></Teleport>
    <LinkDialog
      v-if="edited"
      :link="edited === 'new' ? undefined : edited"
      @close="edited = undefined"
      @saved="saved"
    />
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
.sum {
  margin-bottom: 6px;
}
.sum b {
  font: 600 var(--text-heading) var(--serif);
}
.acts {
  white-space: nowrap;
}
</style>
