<script setup lang="ts">
import { describeDay, describePeriodShort } from '~~/core/periods/describePeriod'
import { lengthOf } from '~~/core/periods/period'
import { metricById } from '~~/core/metrics/catalogue'
import { stateOf } from '~~/shared/gather/profileState'
import type { OrderedColumn } from '~/platform/useTableOrder'
import type { ProfileState } from '~~/shared/gather/profiles'

const props = defineProps<{
  profiles: ProfileState[]
  metric: string
  label: string
  /** The part of the address that keeps the order of this list. */ orderName: string
}>()
const emit = defineEmits<{
  fetch: [profile: ProfileState]
  ask: [profile: ProfileState]
  turn: [profile: ProfileState]
  restated: [profile: ProfileState]
  rename: [profile: ProfileState]
}>()
const session = useSession()
/** The days of the strip without the chosen metric, or undefined where it is not given. */
const missingOf = (profile: ProfileState) =>
  props.metric === 'any' ? profile.missing : profile.missingOf[props.metric]
function coverage(profile: ProfileState) {
  const missing = missingOf(profile) ?? []
  const days = lengthOf(profile.strip)
  const absent = missing.reduce((sum, gap) => sum + lengthOf(gap), 0)
  const what = props.metric === 'any' ? 'figures' : metricById(props.metric).name.toLowerCase()
  return (
    `${days - absent} of the last ${days} days have ` +
    `${what}${absent > 0 && absent < days ? `; missing: ${missing.map(describePeriodShort).join(', ')}` : ''}`
  )
}
/** What the last sync brought beside the figures: gaps, days that came twice, restatements. */
const outcome = ({ job, isSynced }: ProfileState) =>
  job?.state === 'done' && isSynced ? job.message.split('; ').slice(1).join('; ') : ''
/** How many days of the strip have the metric that is looked at. */
const daysWith = (profile: ProfileState) =>
  profile.oldest && missingOf(profile)
    ? lengthOf(profile.strip) - missingOf(profile)!.reduce((sum, gap) => sum + lengthOf(gap), 0)
    : -1
const COLUMNS: (OrderedColumn<ProfileState> & { label: string; isWords?: boolean })[] = [
  { key: 'name', label: 'Profile', valueOf: ({ name, networkName }) => `${name} ${networkName}`.toLowerCase() },
  { key: 'state', label: 'State', isWords: true, valueOf: (profile) => stateOf(profile) },
  { key: 'days', label: 'Last eight weeks', isWords: true, isFigure: true, valueOf: daysWith },
  { key: 'since', label: 'Figures since', valueOf: ({ oldest }) => oldest ?? '9999' },
  { key: 'restated', label: 'Restated', isFigure: true, valueOf: ({ restatements }) => restatements },
]
const { ordered, select, orderOf } = useTableOrder(
  props.orderName,
  () => COLUMNS,
  () => props.profiles,
)
</script>

<template>
  <table class="plain-table" :aria-label="label">
    <thead>
      <tr>
        <OrderHeading
          v-for="column in COLUMNS"
          :key="column.key"
          :label="column.label"
          :is-words="column.isWords"
          :order="orderOf(column.key)"
          @select="select(column)"
        />
        <th scope="col"><span class="hidden-but-read">What can be done</span></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="profile in ordered" :key="profile.id">
        <td>
          <b>{{ profile.name }}</b> <span class="quiet">{{ profile.networkName }}</span
          ><template v-if="profile.isRival"
            ><span class="quiet"> of {{ profile.rival ?? profile.name }}</span
            ><button
              v-if="session.mayWrite"
              type="button"
              class="bare link-like"
              aria-haspopup="dialog"
              :aria-label="`Say whose ${profile.name} on ${profile.networkName} is`"
              @click="emit('rename', profile)"
            >
              change
            </button></template
          ><br /><span class="quiet">remembers {{ profile.historyDays }} days · id {{ profile.remoteId }}</span
          ><template v-if="profile.former && profile.renamedOn"
            ><br /><span class="quiet"
              >{{ profile.former }} until it was renamed, seen {{ describeDay(profile.renamedOn) }}</span
            ></template
          >
        </td>
        <td class="words state">
          {{ stateOf(profile) }}
          <span v-if="outcome(profile)" class="quiet outcome">{{ outcome(profile) }}</span>
          <ProgressBar
            v-if="profile.job?.state === 'running' && profile.job.total"
            :value="Math.round((100 * profile.job.progress) / profile.job.total)"
            :show-value="false"
            :aria-label="`Progress of ${profile.name}`"
          />
        </td>
        <td class="words">
          <span v-if="!profile.oldest" class="quiet">no figures yet</span
          ><span v-else-if="!missingOf(profile)" class="quiet">not given</span
          ><CoverageStrip v-else :strip="profile.strip" :missing="missingOf(profile)!" :label="coverage(profile)" />
        </td>
        <td class="when">{{ profile.oldest ? describeDay(profile.oldest) : '—' }}</td>
        <td>
          <button
            v-if="profile.restatements > 0"
            type="button"
            class="bare link-like"
            aria-haspopup="dialog"
            :aria-label="`Restated figures of ${profile.name}`"
            @click="emit('restated', profile)"
          >
            {{ profile.restatements }}</button
          ><template v-else>0</template>
        </td>
        <td class="do">
          <template v-if="session.mayWrite">
            <Button
              v-if="profile.isActive && profile.consent !== 'withdrawn'"
              label="Fetch now"
              outlined
              size="small"
              :disabled="profile.job?.state === 'running'"
              :aria-label="`Fetch ${profile.name} now`"
              @click="emit('fetch', profile)"
            />
            <Button
              v-if="profile.isActive && !profile.isRival && profile.consent !== 'given'"
              label="Consent link"
              aria-haspopup="dialog"
              outlined
              size="small"
              :aria-label="`Consent link for ${profile.name}`"
              @click="emit('ask', profile)"
            />
            <Button
              :label="profile.isActive ? 'Switch off' : 'Switch on'"
              text
              size="small"
              :aria-label="`Switch ${profile.name} on ${profile.networkName} ${profile.isActive ? 'off' : 'on'}`"
              @click="emit('turn', profile)"
            />
          </template>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.link-like {
  text-decoration: underline;
  color: var(--zaffer);
  padding: 3px;
}
.state {
  max-width: 17rem;
}
.outcome {
  display: block;
  font-size: var(--text-small);
}
.when {
  white-space: nowrap;
}
.do {
  min-width: 9rem;
}
.do .p-button {
  margin: 0 0 4px 6px;
}
</style>
