<script setup lang="ts">
/** The address under which a calendar program reads the calendar: made, made anew, ended. */
const emit = defineEmits<{ close: [] }>()
const say = useSay()
const { base } = useClient()
const address = ref('')
async function make() {
  try {
    const { path } = await api<{ path: string }>(`${base.value}/plan/feed`, { method: 'POST' })
    address.value = `${window.location.origin}${path}`
  } catch (problem) {
    say.problem(problem)
  }
}
async function end() {
  try {
    await api(`${base.value}/plan/feed`, { method: 'DELETE' })
    address.value = ''
    say.done('The address is ended. Whoever has it sees nothing any more.')
  } catch (problem) {
    say.problem(problem)
  }
}
</script>

<template>
  <OpeningDialog label="Subscribe to the calendar" width="34rem" @close="emit('close')">
    <p>
      A calendar program that has this address shows the last four weeks and the next two months, planned posts
      included. Whoever has the address can read it: it is shown once, and making it anew ends the one before.
    </p>
    <p v-if="address" class="address" role="status">{{ address }}</p>
    <div class="row">
      <Button :label="address ? 'Make it anew' : 'Make the address'" @click="make" />
      <Button label="End every address of mine" text size="small" @click="end" />
    </div>
  </OpeningDialog>
</template>

<style scoped>
.address {
  overflow-wrap: anywhere;
  background: var(--wash);
  padding: 6px 8px;
  margin: 8px 0;
}
</style>
