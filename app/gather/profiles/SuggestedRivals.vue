<script setup lang="ts">
/** Whom those also follow who follow the client: who might be a rival, asked of the networks when somebody wants it. */
import { formatCount } from '~~/core/format/numbers'
import { describeDay } from '~~/core/periods/describePeriod'
import type { Suggested, Suggestions } from '~~/shared/gather/suggestions'

const props = defineProps<{ isAsked: boolean }>()
const emit = defineEmits<{ ask: []; add: [profile: Suggested, organisation: string] }>()
const locale = useLocale()
const { slug, base } = useClient()
const { data, error, isLoading } = useQuery({
  key: () => ['profiles', slug.value, 'suggested'],
  query: () => api<Suggestions>(`${base.value}/profiles/suggested`),
  enabled: () => props.isAsked,
})
const seen = ({ followers, lastPost }: Suggested) =>
  [
    followers === null ? 'followers not shown' : `${formatCount(followers, locale)} followers`,
    lastPost ? `last posted ${describeDay(lastPost)}` : 'no post in four weeks',
  ].join(' · ')
const shared = ({ of }: Suggested) =>
  of.map(({ profile, share }) => `${formatCount(100 * share, locale)} % of those who follow ${profile}`).join(', ')
</script>

<template>
  <section aria-labelledby="suggested-heading">
    <div class="row">
      <h2 id="suggested-heading" class="heading">Whom the audience also follows</h2>
      <Button v-if="!isAsked" label="Ask the networks" outlined size="small" @click="emit('ask')" />
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isAsked && isLoading" class="quiet" role="status">Asking the networks …</p>
    <p v-else-if="!isAsked" class="quiet">Some networks tell it to everybody: who might be a rival.</p>
    <template v-else-if="data">
      <p v-if="data.asked.length === 0" class="quiet">
        No own profile is on a network that tells whom its followers also follow.
      </p>
      <p v-else-if="data.organisations.length === 0" class="quiet">
        Those who follow {{ data.asked.join(', ') }} follow nobody else who is not in the list already.
      </p>
      <ul aria-label="Also followed">
        <li v-for="{ name, profiles } in data.organisations" :key="profiles[0]!.remoteId">
          <div v-for="profile in profiles" :key="profile.network" class="row one">
            <div class="grow">
              <b>{{ profile.name }}</b> <span class="quiet">{{ profile.networkName }}, {{ profile.handle }}</span
              ><br />by {{ shared(profile) }}<br /><span class="quiet">{{ seen(profile) }}</span>
            </div>
            <Button
              label="Look whether it is a rival"
              aria-haspopup="dialog"
              :aria-label="`Look whether ${profile.name} on ${profile.networkName} is a rival`"
              outlined
              size="small"
              @click="emit('add', profile, name)"
            />
          </div>
        </li>
      </ul>
      <p v-if="data.asked.length" class="quiet">
        <template v-if="data.untold"
          >Of {{ data.untold }} own {{ data.untold === 1 ? 'profile' : 'profiles' }} it is not known: those networks do
          not tell it.
        </template>
        <template v-if="data.beyond"
          >{{ data.beyond }} own {{ data.beyond === 1 ? 'profile was' : 'profiles were' }} too many to be asked at once.
        </template>
        That two profiles belong together is taken from their names and handles alone.
      </p>
    </template>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  columns: 2;
  column-gap: 32px;
}
li {
  border-top: 1px solid var(--rule);
  break-inside: avoid;
}
.one {
  flex-wrap: nowrap;
  padding: 8px 0;
}
.grow {
  flex: 1;
}
.one :deep(.p-button) {
  flex: none;
}
@media (max-width: 1000px) {
  ul {
    columns: 1;
  }
}
</style>
