<script setup lang="ts">
import type { ProfileSet } from '~~/shared/figures/sets'
import type { ProfileState } from '~~/shared/gather/profiles'

const props = defineProps<{ sets: ProfileSet[]; profiles: ProfileState[] }>()
const emit = defineEmits<{ changed: [] }>()
const session = useSession()
const { slug, base } = useClient()
const edited = ref<ProfileSet | 'new'>()
const names = (set: ProfileSet) =>
  set.profiles
    .flatMap((id) => props.profiles.find(({ id: profile }) => profile === id) ?? [])
    .map(({ name, networkName }) => `${name}, ${networkName}`)
    .join('; ')

const choices = computed(() => props.profiles.map(({ id, name, networkName }) => ({ id, name, remark: networkName })))
const takeAway = useRemoval(() => emit('changed'))
const remove = ({ id, name }: ProfileSet) =>
  takeAway(`${base.value}/sets/${id}`, `The set “${name}” was removed; its profiles stay.`)

function saved() {
  edited.value = undefined
  emit('changed')
}
</script>

<template>
  <section aria-labelledby="sets-heading">
    <div class="row">
      <h2 id="sets-heading" class="heading">Sets</h2>
      <Button
        v-if="session.mayWrite"
        label="Make a set"
        aria-haspopup="dialog"
        outlined
        size="small"
        @click="edited = 'new'"
      />
    </div>
    <p v-if="sets.length === 0" class="quiet">
      No set yet. A set is a named group of profiles; a profile can be in many.
    </p>
    <ul>
      <li v-for="set in sets" :key="set.id">
        <NuxtLink :to="{ path: `/${slug}/overview`, query: { who: `s${set.id}` } }">{{ set.name }}</NuxtLink
        >{{ ' ' }}
        <span class="quiet">{{ names(set) }}</span>
        <template v-if="session.mayWrite"
          ><button
            type="button"
            class="bare as-link link"
            aria-haspopup="dialog"
            :aria-label="`Change the set ${set.name}`"
            @click="edited = set"
          >
            Change</button
          ><button
            type="button"
            class="bare as-link link"
            :aria-label="`Remove the set ${set.name}`"
            @click="remove(set)"
          >
            Remove
          </button></template
        >
      </li>
    </ul>
    <GroupDialog
      v-if="edited"
      :group="edited === 'new' ? undefined : { ...edited, members: edited.profiles }"
      :choices="choices"
      what="set"
      members="profiles"
      :path="`${base}/sets`"
      @close="edited = undefined"
      @saved="saved"
    />
  </section>
</template>

<style scoped>
section {
  margin-top: 22px;
}
ul {
  list-style: none;
  display: grid;
  gap: 5px;
  margin-top: 4px;
}
.link {
  margin-left: 10px;
  font-size: var(--text-small);
}
</style>
