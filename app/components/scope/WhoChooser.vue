<script setup lang="ts">
const props = defineProps<{ profiles: { id: number; name: string; networkName: string }[]; chosen: number[] }>()
const emit = defineEmits<{ choose: [ids: number[]] }>()
const ticked = ref<number[]>(props.chosen.length > 0 ? [...props.chosen] : props.profiles.map(({ id }) => id))

function apply() {
  emit('choose', ticked.value.length === props.profiles.length ? [] : [...ticked.value].sort((a, b) => a - b))
}
</script>

<template>
  <form @submit.prevent="apply">
    <div class="row all">
      <button type="button" class="bare link" @click="ticked = profiles.map(({ id }) => id)">All</button>
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
ul { list-style: none; display: grid; gap: 7px; margin: 8px 0 12px; max-height: 50vh; overflow-y: auto; padding: 2px; }
li { display: flex; gap: 8px; align-items: center; }
.link { padding: 3px 0; text-decoration: underline; color: var(--zaffer); }
</style>
