<script setup lang="ts">
import { describeDay, describePeriodShort } from '~~/core/periods/describePeriod'
import { lengthOf } from '~~/core/periods/period'
import { formatCount } from '~~/core/format/numbers'
import type { Restatement } from '~~/server/db/questions/profiles'
import type { ProfileState } from '~~/server/work/profilesPage'

const session = useSession()
const say = useSay()
const cache = useQueryCache()
const { slug, base } = useClient()
const { data, error, refetch } = useQuery({ key: () => ['profiles', slug.value], query: () => api<ProfileState[]>(`${base.value}/profiles`) })
const link = ref<{ name: string; address: string }>()
const isBusy = computed(() => data.value?.some(({ job }) => job?.state === 'queued' || job?.state === 'running') ?? false)
useIntervalFn(() => isBusy.value && void refetch(), 1000)
useHead({ title: 'Profiles · Zaffer' })

const restated = ref<{ name: string; list: Restatement[] }>()
const locale = useLocale()

function stateOf({ job, is_active: isActive, consent, sync_error: trouble, synced_to: syncedTo }: ProfileState): string {
  if (!isActive) return 'Switched off: not fetched, and no part of any figure. Its past is kept.'
  if (job?.state === 'running') return `Fetching: ${job.message || 'begun'}`
  if (job?.state === 'queued') return job.message ? `Waiting: ${job.message}` : 'Waiting for its turn'
  if (consent === 'none') return 'No consent from the owner yet; nothing can be fetched'
  if (trouble) return trouble
  return syncedTo ? `Figures up to ${describeDay(syncedTo)}` : 'Nothing fetched yet'
}
const coverage = ({ strip, missing }: ProfileState) => {
  const days = lengthOf(strip)
  const absent = missing.reduce((sum, gap) => sum + lengthOf(gap), 0)
  return `${days - absent} of the last ${days} days have figures${absent > 0 && absent < days ? `; missing: ${missing.map(describePeriodShort).join(', ')}` : ''}`
}

async function fetchNow(profile: ProfileState) {
  try {
    await api(`${base.value}/profiles/${profile.profile_id}/sync`, { method: 'POST' })
    await refetch()
  } catch (problem) {
    say.problem(problem)
  }
}
async function ask(profile: ProfileState) {
  try {
    const { path } = await api<{ path: string }>(`${base.value}/profiles/${profile.profile_id}/consent`, { method: 'POST' })
    link.value = { name: profile.name, address: `${location.origin}${path}` }
  } catch (problem) {
    say.problem(problem)
  }
}
async function turn(profile: ProfileState) {
  const isOn = profile.is_active === 1
  try {
    await api(`${base.value}/profiles/${profile.profile_id}`, { method: 'PUT', body: { isActive: !isOn } })
    await Promise.all([refetch(), ...['scope', 'overview', 'why', 'unusual', 'posts'].map((name) => cache.invalidateQueries({ key: [name] }))])
    say.done(isOn ? `${profile.name} is switched off; its past is kept.` : `${profile.name} is switched on again.`, isOn ? () => turn({ ...profile, is_active: 0 }) : undefined)
  } catch (problem) {
    say.problem(problem)
  }
}
async function showRestated(profile: ProfileState) {
  try {
    restated.value = { name: profile.name, list: await api<Restatement[]>(`${base.value}/profiles/${profile.profile_id}/restatements`) }
  } catch (problem) {
    say.problem(problem)
  }
}
async function copy() {
  await navigator.clipboard.writeText(link.value!.address)
  say.done('The link is on the clipboard.')
}
</script>

<template>
  <div>
    <PageHead title="Where do the figures come from?" />
    <p v-if="error" role="alert">{{ error.message }}</p>
    <table v-if="data" class="plain-table">
      <thead><tr><th scope="col">Profile</th><th scope="col" class="words">State</th><th scope="col" class="words">Last eight weeks</th><th scope="col">Figures since</th><th scope="col">Days restated</th><th scope="col"><span class="hidden-but-read">What can be done</span></th></tr></thead>
      <tbody>
        <tr v-for="profile in data" :key="profile.profile_id">
          <td><b>{{ profile.name }}</b> <span class="quiet">{{ profile.networkName }}</span><br><span class="quiet">remembers {{ profile.historyDays }} days · id {{ profile.remote_id }}</span></td>
          <td class="words state">
            {{ stateOf(profile) }}
            <ProgressBar v-if="profile.job?.state === 'running' && profile.job.total" :value="Math.round((100 * profile.job.progress) / profile.job.total)" :show-value="false" :aria-label="`Progress of ${profile.name}`" />
          </td>
          <td class="words"><span v-if="!profile.oldest" class="quiet">no figures yet</span><CoverageStrip v-else :strip="profile.strip" :missing="profile.missing" :label="coverage(profile)" /></td>
          <td>{{ profile.oldest ? describeDay(profile.oldest) : '—' }}</td>
          <td><button v-if="profile.restatements > 0" type="button" class="bare link-like" :aria-label="`Restated figures of ${profile.name}`" @click="showRestated(profile)">{{ profile.restatements }}</button><template v-else>0</template></td>
          <td>
            <template v-if="session.mayWrite">
              <Button v-if="profile.is_active && profile.consent === 'given'" label="Fetch now" outlined size="small" :disabled="profile.job?.state === 'running'" :aria-label="`Fetch ${profile.name} now`" @click="fetchNow(profile)" />
              <Button v-else-if="profile.is_active" label="Consent link" outlined size="small" :aria-label="`Consent link for ${profile.name}`" @click="ask(profile)" />
              <Button :label="profile.is_active ? 'Off' : 'On'" text size="small" :aria-label="`Switch ${profile.name} on ${profile.networkName} ${profile.is_active ? 'off' : 'on'}`" @click="turn(profile)" />
            </template>
          </td>
        </tr>
      </tbody>
    </table>
    <Dialog :visible="!!restated" modal :header="`Restated by the network: ${restated?.name}`" :style="{ width: '38rem' }" @update:visible="restated = undefined">
      <p>Networks count again for some days. The new figure replaces the old one; the change is kept here.</p>
      <table class="plain-table">
        <thead><tr><th scope="col">Day</th><th scope="col" class="words">Figure</th><th scope="col">Was</th><th scope="col">Is</th></tr></thead>
        <tbody><tr v-for="change in restated?.list ?? []" :key="`${change.day} ${change.metric} ${change.seenAt}`"><td>{{ describeDay(change.day) }}</td><td class="words">{{ change.metric.replaceAll('_', ' ') }}</td><td>{{ change.oldValue === null ? '—' : formatCount(change.oldValue, locale) }}</td><td>{{ change.newValue === null ? '—' : formatCount(change.newValue, locale) }}</td></tr></tbody>
      </table>
    </Dialog>
    <p v-if="data?.length === 0">No profile yet. What is added will be listed here with its state.</p>
    <Dialog :visible="!!link" modal :header="`Consent for ${link?.name}`" :style="{ width: '34rem' }" @update:visible="link = undefined">
      <p>Send this link to the owner of the profile. It leads to the network, where the owner allows reading; no password is shared. It works once, for two weeks.</p>
      <div class="row link"><InputText :model-value="link?.address" readonly fluid aria-label="Consent link" /><Button label="Copy" @click="copy" /></div>
    </Dialog>
  </div>
</template>

<style scoped>
.link-like { text-decoration: underline; color: var(--zaffer); padding: 3px; }
.state { max-width: 18rem; }
.link { margin-top: 10px; flex-wrap: nowrap; }
</style>
