<script setup lang="ts">
import { CATALOGUE } from '~~/core/metrics/catalogue'
import type { ReportHead } from '~~/shared/report/reports'
import { stagesFor } from '~/stages'

interface Found {
  name: string
  kind: string
  path: string
  query?: Record<string, string>
}

const shell = useShell()
const session = useSession()
const route = useRoute()
const { slug, base } = useClient()
const { description } = useScope()
const words = ref('')
const chosen = ref(0)
const reports = useQuery({
  key: () => ['reports', slug.value],
  query: () => api<ReportHead[]>(`${base.value}/reports`),
  enabled: () => session.may(slug.value, 'reports'),
})

const all = computed<Found[]>(() => [
  ...stagesFor((needs) => session.may(slug.value, needs)).flatMap(({ name, pages }) =>
    pages.map((page) => ({
      name: page.name,
      kind: `page, ${name}`,
      path: `/${slug.value}/${page.path}`,
      query: scopeOf(route.query),
    })),
  ),
  ...(session.session?.clients ?? []).map((client) => ({
    name: client.name,
    kind: 'client',
    path: session.homeOf(client.slug),
  })),
  ...(description.data.value?.profiles ?? []).map((profile) => ({
    name: profile.name,
    kind: `profile, ${profile.networkName}`,
    path: session.homeOf(slug.value),
    query: { ...scopeOf(route.query), who: String(profile.id) },
  })),
  ...(description.data.value?.sets ?? []).map((set) => ({
    name: set.name,
    kind: 'set',
    path: session.homeOf(slug.value),
    query: { ...scopeOf(route.query), who: `s${set.id}` },
  })),
  ...(description.data.value?.saved ?? []).map(({ name, parts }) => ({
    name,
    kind: 'kept scope',
    path: session.homeOf(slug.value),
    query: { ...scopeOf(route.query), ...parts } as Record<string, string>,
  })),
  ...(reports.data.value ?? []).map((report) => ({
    name: report.title,
    kind: 'report',
    path: `/${slug.value}/reports/${report.id}`,
  })),
  ...(session.may(slug.value, 'figures') ? CATALOGUE : []).map((metric) => ({
    name: metric.name,
    kind: 'metric, as a line',
    path: `/${slug.value}/overview`,
    query: { ...scopeOf(route.query), metric: metric.id },
  })),
])
const found = computed(() => {
  const parts = words.value.toLowerCase().split(/\s+/).filter(Boolean)
  return all.value
    .filter(({ name, kind }) => parts.every((part) => `${name} ${kind}`.toLowerCase().includes(part)))
    .slice(0, 12)
})
watch(words, () => (chosen.value = 0))

async function go(target: Found | undefined) {
  if (!target) return
  shell.isFindOpen = false
  await navigateTo({ path: target.path, query: target.query })
}
</script>

<template>
  <OpeningDialog label="Find anything" width="32rem" position="top" @close="shell.isFindOpen = false">
    <InputText
      v-model="words"
      autofocus
      fluid
      aria-label="Name of a page, client, profile, report or metric"
      role="combobox"
      aria-expanded="true"
      aria-controls="found"
      :aria-activedescendant="`found-${chosen}`"
      @keydown.down.prevent="chosen = Math.min(chosen + 1, found.length - 1)"
      @keydown.up.prevent="chosen = Math.max(chosen - 1, 0)"
      @keydown.enter.prevent="go(found[chosen])"
    />
    <ul id="found" role="listbox" aria-label="Found">
      <li
        v-for="(target, index) in found"
        :id="`found-${index}`"
        :key="target.kind + target.name"
        role="option"
        :aria-selected="index === chosen"
        :class="{ chosen: index === chosen }"
        @click="go(target)"
      >
        {{ target.name }} <span class="quiet">{{ target.kind }}</span>
      </li>
    </ul>
    <p v-if="found.length === 0" class="quiet">Nothing is called that.</p>
  </OpeningDialog>
</template>

<style scoped>
ul {
  list-style: none;
  margin-top: 8px;
}
li {
  padding: 4px 8px;
  cursor: pointer;
  display: flex;
  justify-content: space-between;
}
.chosen {
  background: var(--wash);
}
</style>
