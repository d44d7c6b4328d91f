<script setup lang="ts">
/** With whom a client is compared, and on which networks, as the address has it. */
import type { Field } from '~~/shared/compare/field'
import { useFieldAddress } from './useFieldAddress'

const props = defineProps<{
  networks: Field['networks']
  members: readonly { id: number; name: string; isOwn: boolean }[]
  hidden: Field['hidden']
}>()
const { shown, hidden: left, show } = useFieldAddress()
const choices = computed(() => [
  { value: 'all', name: 'all networks' },
  ...props.networks.map(({ id, name }) => ({ value: id, name })),
])
/** Every rival that there is, shown or not. */
const rivals = computed(() =>
  [...props.members.filter(({ isOwn }) => !isOwn), ...props.hidden]
    .map(({ id, name }) => ({ id, name }))
    .sort((a, b) => a.name.localeCompare(b.name)),
)
const count = computed(() => props.members.filter(({ isOwn }) => !isOwn).length)
const isShown = (id: number) => !left.value.includes(String(id))
const toggle = (id: number) =>
  show({
    hide: (isShown(id) ? [...left.value, String(id)] : left.value.filter((each) => each !== String(id))).join(','),
  })
</script>

<template>
  <div class="row choose no-print">
    <span class="quiet">beside {{ count }} {{ count === 1 ? 'rival' : 'rivals' }} on</span>
    <Select
      :model-value="shown.network || 'all'"
      :options="choices"
      option-label="name"
      option-value="value"
      size="small"
      aria-label="On which networks"
      @update:model-value="(network) => show({ network: network === 'all' ? '' : network })"
    />
    <label class="check"
      ><Checkbox
        :model-value="shown.own !== 'out'"
        binary
        input-id="own-in"
        @update:model-value="(isIn) => show({ own: isIn ? '' : 'out' })"
      />
      the client itself</label
    >
    <label v-for="rival in rivals" :key="rival.id" class="check"
      ><Checkbox
        :model-value="isShown(rival.id)"
        binary
        :input-id="`rival-${rival.id}`"
        @update:model-value="toggle(rival.id)"
      />
      {{ rival.name }}</label
    >
    <span class="right"><slot /></span>
  </div>
</template>

<style scoped>
.choose {
  flex-wrap: wrap;
  gap: 6px 14px;
  margin: 8px 0;
}
.check {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
.right {
  margin-left: auto;
}
</style>
