<script setup lang="ts">
import { formatCount } from '~~/core/format/numbers'
import type { ProfileSearch, SeenProfile } from '~~/shared/gather/find'

defineProps<{ found: ProfileSearch; isPlain?: boolean }>()
defineEmits<{ add: [profile: SeenProfile] }>()
const session = useSession()
const locale = useLocale()
const followers = (count: number | null) =>
  count === null ? 'followers not shown' : `${formatCount(count, locale)} followers`
</script>

<template>
  <div>
    <section
      v-for="part in [
        { title: 'Linked from the page', list: found.linked, empty: 'The page links to no profile that exists.' },
        {
          title: 'There, but not linked',
          list: found.unlinked,
          empty: 'Under the client’s handles there is no other profile.',
        },
      ]"
      :key="part.title"
    >
      <h3>{{ part.title }}</h3>
      <p v-if="part.list.length === 0" class="quiet">{{ part.empty }}</p>
      <table v-else class="plain-table">
        <thead>
          <tr>
            <th scope="col">Network</th>
            <th scope="col" class="words">Handle</th>
            <th scope="col" class="words">Name there</th>
            <th scope="col">Followers</th>
            <th scope="col" class="words">In the list</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="profile in part.list" :key="`${profile.network} ${profile.handle}`">
            <td>{{ profile.networkName }}</td>
            <td class="words">{{ profile.handle }}</td>
            <td class="words">{{ profile.name }}</td>
            <td>{{ profile.followers === null ? '—' : formatCount(profile.followers, locale) }}</td>
            <td class="words">
              <template v-if="profile.listed !== 'no'">{{
                profile.listed === 'own' ? 'yes' : 'yes, as a rival'
              }}</template
              ><Button
                v-else-if="session.mayWrite && !isPlain"
                label="Add it"
                text
                size="small"
                :aria-label="`Add ${profile.name} on ${profile.networkName}, ${followers(profile.followers)}`"
                @click="$emit('add', profile)"
              /><template v-else>no</template>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <p v-if="found.unlinked.some(({ listed }) => listed === 'no')" class="quiet">
      The same handle does not mean the same owner: look at the name before adding it.
    </p>
    <p v-if="found.broken.length" class="worse">
      Linked, but not there: {{ found.broken.map((one) => `${one.handle} on ${one.networkName}`).join(', ') }}. The link
      on the page leads nowhere.
    </p>
    <section>
      <h3>The handle “{{ found.handle }}”</h3>
      <p>
        {{ found.free.length ? `Free on ${found.free.join(', ')}.` : 'Free on none of the networks.' }}
        {{
          found.taken.length
            ? `Taken on ${found.taken.map((one) => `${one.networkName} (${one.isOwn ? 'by the client itself' : one.name})`).join(', ')}.`
            : ''
        }}
      </p>
    </section>
  </div>
</template>

<style scoped>
section {
  margin-top: 12px;
}
td .p-button {
  padding: 1px 6px;
  margin-left: -6px;
}
h3 {
  font: 600 var(--text-heading)/1.2 var(--serif);
}
</style>
