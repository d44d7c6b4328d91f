<script setup lang="ts">
import { formatCount } from '~~/core/format/numbers'
import type { ProfileSearch, SeenProfile } from '~~/shared/gather/find'

defineProps<{ found: ProfileSearch; isPlain?: boolean }>()
defineEmits<{ add: [profile: SeenProfile] }>()
const session = useSession()
const locale = useLocale()
const followers = (count: number | null) =>
  count === null ? 'followers not shown' : `${formatCount(count, locale)} followers`
const COLUMNS = [
  { key: 'network', label: 'Network', valueOf: ({ networkName }: SeenProfile) => networkName },
  { key: 'handle', label: 'Handle', isWords: true, valueOf: ({ handle }: SeenProfile) => handle },
  { key: 'name', label: 'Name there', isWords: true, valueOf: ({ name }: SeenProfile) => name },
  {
    key: 'followers',
    label: 'Followers',
    isFigure: true,
    valueOf: ({ followers: count }: SeenProfile) => count ?? -1,
    textOf: ({ followers: count }: SeenProfile) => (count === null ? '—' : formatCount(count, locale)),
  },
  { key: 'listed', label: 'In the list', isWords: true, valueOf: ({ listed }: SeenProfile) => listed },
]
</script>

<template>
  <div>
    <section
      v-for="part in [
        {
          order: 'linked',
          title: 'Linked from the page',
          list: found.linked,
          empty: 'The page links to no profile that exists.',
        },
        {
          order: 'unlinked',
          title: 'There, but not linked',
          list: found.unlinked,
          empty: 'Under the client’s handles there is no other profile.',
        },
      ]"
      :key="part.title"
    >
      <h3>{{ part.title }}</h3>
      <p v-if="part.list.length === 0" class="quiet">{{ part.empty }}</p>
      <OrderedTable
        v-else
        :name="part.order"
        :columns="COLUMNS"
        :rows="part.list"
        :key-of="(profile) => `${profile.network} ${profile.handle}`"
        :is-plain="isPlain"
      >
        <template #listed="{ row }">
          <template v-if="row.listed !== 'no'">{{ row.listed === 'own' ? 'yes' : 'yes, as a rival' }}</template
          ><Button
            v-else-if="session.mayWrite && !isPlain"
            label="Add it"
            text
            size="small"
            :aria-label="`Add ${row.name} on ${row.networkName}, ${followers(row.followers)}`"
            @click="$emit('add', row)"
          /><template v-else>no</template>
        </template>
      </OrderedTable>
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
