<script setup lang="ts">
import type { ScopeQuery } from '~~/shared/scope'

const props = defineProps<{ profiles: { id: number; name: string; networkName: string }[]; sets: { id: number; name: string; profiles: number[] }[]; chosen: Pick<ScopeQuery, 'who' | 'sets'> }>()
const emit = defineEmits<{ choose: [who: Pick<ScopeQuery, 'who' | 'sets'>] }>()
const all = props.profiles.map(({ id }) => id)
/** With sets chosen, their profiles are ticked; changing a tick leaves the sets behind. */
const ofSets = props.sets.filter(({ id }) => props.chosen.sets.includes(id)).flatMap(({ profiles }) => profiles)
const ticked = ref<number[]>(props.chosen.who.length + props.chosen.sets.length > 0 ? [...new Set([...props.chosen.who, ...ofSets])] : [...all])

function apply() {
  emit('choose', { sets: [], who: ticked.value.length === props.profiles.length ? [] : [...ticked.value].sort((a, b) => a - b) })
}
</script>

<template>
  <form @submit.prevent="apply">
    <div v-if="sets.length" class="sets">
      <span class="field-label">Sets</span>
      <button v-for="set in sets" :key="set.id" type="button" class="bare link" :aria-current="chosen.sets.includes(set.id)" @click="emit('choose', { who: [], sets: [set.id] })">{{ set.name }} <span class="quiet">{{ set.profiles.length }}</span></button>
    </div>
    <div class="row all">
      <span class="field-label">Profiles</span>
      <button type="button" class="bare link" @click="ticked = [...all]">All</button>
      <button type="button" class="bare link" @click="ticked = []">None</button>
    </div>
    <ul>
      <li v-for="profile in profiles" :key="profile.id">
        <Checkbox v-model="ticked" :input-id="`who-${profile.id}`" :value="profile.id" />
        <label :for="`who-${profile.id}`">{{ profile.name }} <span class="quiet">{{ profile.networkName }}</span></label>
      </li>
    </ul>
    <Button type="submit" label="Show these" :disabled="ticked.length === 0" />
  </form>
</template>

<style scoped>
.sets { display: flex; gap: 4px 12px; flex-wrap: wrap; margin-bottom: 8px; max-width: 22rem; align-items: baseline; }
[aria-current='true'] { font-weight: 650; }
ul { list-style: none; display: grid; gap: 7px; margin: 8px 0 12px; max-height: 50vh; overflow-y: auto; padding: 2px; }
li { display: flex; gap: 8px; align-items: center; }
.link { padding: 3px 0; text-decoration: underline; color: var(--zaffer); }
.link .quiet { text-decoration: none; }
</style>
