<script setup lang="ts">
import type { Whom } from '~~/shared/figures/scope'

const props = defineProps<{
  profiles: { id: number; name: string; network: string; networkName: string }[]
  sets: { id: number; name: string; profiles: number[] }[]
  chosen: Whom
}>()
const emit = defineEmits<{ choose: [whom: Whom] }>()
const all = props.profiles.map(({ id }) => id)
/** The networks on which the client is, in the order of its profiles, with how many it has there. */
const networks = [...new Map(props.profiles.map(({ network, networkName }) => [network, networkName]))].map(
  ([id, name]) => ({ id, name, profiles: props.profiles.filter(({ network }) => network === id).length }),
)
const tickedNetworks = ref<string[]>([...(props.chosen.networks ?? [])])
/** With sets or networks chosen, their profiles are ticked; changing a tick leaves these behind. */
const named = props.sets
  .filter(({ id }) => props.chosen.sets.includes(id))
  .flatMap(({ profiles }) => profiles)
  .concat(props.profiles.filter(({ network }) => props.chosen.networks?.includes(network)).map(({ id }) => id))
const isEverybody = props.chosen.who.length + props.chosen.sets.length + (props.chosen.networks?.length ?? 0) === 0
const ticked = ref<number[]>(isEverybody ? [...all] : [...new Set([...props.chosen.who, ...named])])

const chooseNetworks = (ids: string[]) =>
  emit('choose', { who: [], sets: [], networks: networks.map(({ id }) => id).filter((id) => ids.includes(id)) })
function apply() {
  emit('choose', {
    sets: [],
    who: ticked.value.length === props.profiles.length ? [] : [...ticked.value].sort((a, b) => a - b),
  })
}
</script>

<template>
  <form @submit.prevent="apply">
    <div v-if="networks.length > 1" class="networks">
      <span class="field-label">Networks</span>
      <ul>
        <li v-for="network in networks" :key="network.id">
          <Checkbox
            v-model="tickedNetworks"
            :value="network.id"
            :aria-label="`${network.name}, together with others`"
          />
          <button
            type="button"
            class="bare link"
            :aria-current="chosen.networks?.length === 1 && chosen.networks[0] === network.id"
            @click="chooseNetworks([network.id])"
          >
            {{ network.name }}</button
          >{{ ' ' }}
          <span class="quiet">{{ network.profiles }}</span>
        </li>
      </ul>
      <Button
        v-if="tickedNetworks.length > 1"
        type="button"
        outlined
        size="small"
        :label="`Show ${networks
          .filter(({ id }) => tickedNetworks.includes(id))
          .map(({ name }) => name)
          .join(' and ')}`"
        @click="chooseNetworks(tickedNetworks)"
      />
    </div>
    <div v-if="sets.length" class="sets">
      <span class="field-label">Sets</span>
      <button
        v-for="set in sets"
        :key="set.id"
        type="button"
        class="bare link"
        :aria-current="chosen.sets.includes(set.id)"
        @click="emit('choose', { who: [], sets: [set.id] })"
      >
        {{ set.name }} <span class="quiet">{{ set.profiles.length }}</span>
      </button>
    </div>
    <div class="row all">
      <span class="field-label">Profiles</span>
      <button type="button" class="bare link" @click="ticked = [...all]">All</button>
      <button type="button" class="bare link" @click="ticked = []">None</button>
    </div>
    <ul class="profiles">
      <li v-for="profile in profiles" :key="profile.id">
        <Checkbox v-model="ticked" :input-id="`who-${profile.id}`" :value="profile.id" />
        <label :for="`who-${profile.id}`"
          >{{ profile.name }} <span class="quiet">{{ profile.networkName }}</span></label
        >
      </li>
    </ul>
    <Button type="submit" label="Show these" :disabled="ticked.length === 0" />
  </form>
</template>

<style scoped>
.networks {
  margin-bottom: 10px;
  max-width: 24rem;
}
.networks ul {
  display: grid;
  grid-template-columns: repeat(2, 1fr);
  gap: 4px 12px;
  margin: 6px 0;
}
.sets {
  display: flex;
  gap: 4px 12px;
  flex-wrap: wrap;
  margin-bottom: 8px;
  max-width: 22rem;
  align-items: baseline;
}
[aria-current='true'] {
  font-weight: 650;
}
ul {
  list-style: none;
}
.profiles {
  display: grid;
  gap: 7px;
  margin: 8px 0 12px;
  max-height: 40vh;
  overflow-y: auto;
  padding: 2px;
}
li {
  display: flex;
  gap: 8px;
  align-items: center;
}
.link {
  padding: 3px 0;
  text-decoration: underline;
  color: var(--zaffer);
}
.link .quiet {
  text-decoration: none;
}
</style>
