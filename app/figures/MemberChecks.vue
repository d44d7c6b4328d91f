<script setup lang="ts">
/** Things of which several are chosen, a box each. */
defineProps<{ choices: { id: number; name: string; remark: string }[]; name: string }>()
const chosen = defineModel<number[]>({ required: true })
</script>

<template>
  <ul>
    <li v-for="{ id, name: called, remark } in choices" :key="id">
      <Checkbox v-model="chosen" :input-id="`${name}-${id}`" :value="id" />{{ ' ' }}
      <label :for="`${name}-${id}`"
        >{{ called }} <span class="quiet">{{ remark }}</span></label
      >
    </li>
  </ul>
</template>

<style scoped>
ul {
  list-style: none;
  display: grid;
  gap: 5px;
  max-height: 45vh;
  overflow-y: auto;
  padding: 2px;
}
li label {
  font-weight: 400;
  color: var(--ink);
  font-size: 1rem;
}
</style>
