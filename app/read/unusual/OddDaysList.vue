<script setup lang="ts">
import { formatValue } from '~~/core/format/formatValue'
import { metricById } from '~~/core/metrics/catalogue'
import { describePeriodShort } from '~~/core/periods/describePeriod'
import type { OddDays } from '~~/shared/read/unusual'

/** Unusual days over every metric: what stands out together, and one place to say why for many at once. */
const props = defineProps<{ causes: OddDays[] }>()
const session = useSession()
const shell = useShell()
const route = useRoute()
const { slug } = useClient()
const locale = useLocale()
const keyOf = ({ from, to, profiles }: OddDays) => `${from} ${to} ${profiles[0]!.profile}`
const chosen = ref<string[]>([])
const open = computed(() => props.causes.filter(({ explainedBy }) => !explainedBy))
const chosenCauses = computed(() => open.value.filter((cause) => chosen.value.includes(keyOf(cause))))
const MOST_METRICS = 3
const metrics = ({ findings }: OddDays) =>
  findings
    .slice(0, MOST_METRICS)
    .map(
      ({ metric, value, usual }) =>
        `${metricById(metric).name.toLowerCase()} ${formatValue(value, metricById(metric).unit, locale)}, ` +
        `usually ${formatValue(usual, metricById(metric).unit, locale)}`,
    )
    .join('; ')
const content = ({ profiles, from, to }: OddDays) => ({
  path: `/${slug.value}/content`,
  query: { ...scopeOf(route.query), who: profiles.map(({ profile }) => profile).join(','), period: `${from}..${to}` },
})
const nameOf = (cause: OddDays) =>
  `${describePeriodShort(cause)}, ${cause.profiles.length === 1 ? cause.profiles[0]!.name : `${cause.profiles.length} profiles`}`

function write() {
  const [first] = chosenCauses.value
  if (!first) return
  shell.note = { from: first.from, to: first.to }
  shell.noteDays = chosenCauses.value.map(({ from, to }) => ({ from, to }))
  chosen.value = []
}
</script>

<template>
  <div>
    <p v-if="causes.length === 0" class="quiet">No day was unusual in any metric. That is an answer too.</p>
    <p v-if="session.mayWrite && open.length > 0" class="row write">
      <Button label="Choose all without a reason" text size="small" @click="chosen = open.map(keyOf)" />
      <Button
        :label="chosenCauses.length < 2 ? 'Write the reason' : `Write one reason for ${chosenCauses.length}`"
        outlined
        size="small"
        aria-haspopup="dialog"
        :disabled="chosenCauses.length === 0"
        @click="write"
      />
    </p>
    <ul>
      <li v-for="cause in causes" :key="keyOf(cause)">
        <Checkbox
          v-if="session.mayWrite && !cause.explainedBy"
          v-model="chosen"
          :value="keyOf(cause)"
          :aria-label="`Choose ${nameOf(cause)}`"
        />
        <span
          ><b>{{ nameOf(cause) }}</b
          >: {{ metrics(cause)
          }}<template v-if="cause.findings.length > MOST_METRICS">
            and {{ cause.findings.length - MOST_METRICS }} more metrics</template
          >.
          <NuxtLink v-if="cause.posts.length" :to="content(cause)">{{
            cause.posts.length === 1 ? `One post: “${cause.posts[0]!.text}”` : `${cause.posts.length} posts then`
          }}</NuxtLink
          ><span v-else class="quiet">No post then.</span>
          <span v-if="cause.explainedBy" class="explained"
            >Explained by note {{ cause.explainedBy.number }}, “{{ cause.explainedBy.title }}”</span
          ></span
        >
      </li>
    </ul>
    <p class="quiet small">
      Days that overlap and share a profile are one cause, whichever way they went; what rests on a small base is left
      out.
    </p>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  display: grid;
  gap: 6px;
  margin: 6px 0;
}
li {
  display: flex;
  gap: 8px;
  align-items: flex-start;
}
.write {
  justify-content: flex-start;
}
.explained {
  color: var(--better);
}
.small {
  font-size: var(--text-small);
}
</style>
