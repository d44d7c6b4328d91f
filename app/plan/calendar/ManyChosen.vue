<script setup lang="ts">
/** What can be done with many planned posts at once: moved by days, put at another time, removed. */
const props = defineProps<{ ids: readonly number[]; isBusy: boolean }>()
const emit = defineEmits<{ move: [days: number, time: string]; remove: []; place: []; none: [] }>()
const days = ref('0')
const time = ref('')
const problem = ref('')
function move() {
  const many = Number(days.value.trim().replace('−', '-') || '0')
  problem.value = ''
  if (!Number.isInteger(many) || Math.abs(many) > 366) problem.value = 'Write whole days, from −366 to 366.'
  else if (many === 0 && time.value === '') problem.value = 'Say by how many days, or to which time.'
  else emit('move', many, time.value)
}
</script>

<template>
  <form class="row no-print" aria-label="With those that are chosen" novalidate @submit.prevent="move">
    <b role="status">{{ props.ids.length }} chosen</b>
    <label for="many-days">Move by days</label>
    <InputText id="many-days" v-model="days" size="small" inputmode="numeric" class="short" :invalid="!!problem" />
    <label for="many-time">to the time</label>
    <InputText id="many-time" v-model="time" type="time" size="small" />
    <Button type="submit" label="Move them" size="small" :disabled="isBusy" />
    <Button
      type="button"
      label="Place on free slots"
      size="small"
      outlined
      aria-haspopup="dialog"
      :disabled="isBusy"
      @click="emit('place')"
    />
    <Button type="button" label="Remove them" size="small" outlined :disabled="isBusy" @click="emit('remove')" />
    <Button type="button" label="Choose none" size="small" text @click="emit('none')" />
    <span v-if="problem" class="field-error" role="alert">{{ problem }}</span>
  </form>
</template>

<style scoped>
form {
  background: var(--band);
  padding: 6px 10px;
  margin: 8px 0;
}
.short {
  width: 4rem;
}
</style>
