<script setup lang="ts">
/** A heading that orders its table when it is selected. */
defineProps<{ label: string; order?: 'ascending' | 'descending'; isWords?: boolean }>()
const emit = defineEmits<{ select: [] }>()
</script>

<template>
  <th scope="col" :class="{ words: isWords }" :aria-sort="order">
    <button type="button" class="bare" @click="emit('select')">
      {{ label
      }}<span class="order" aria-hidden="true">{{ order ? { descending: '▼', ascending: '▲' }[order] : '' }}</span>
    </button>
  </th>
</template>

<style scoped>
button {
  font-weight: 600;
  padding: 2px 0;
  text-align: inherit;
}
button:hover {
  color: var(--ink);
  text-decoration: underline dotted;
  text-underline-offset: 3px;
}
.order {
  font-size: 0.7em;
  margin-left: 4px;
}
</style>
