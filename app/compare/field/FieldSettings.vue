<script setup lang="ts">
/** With whom a block compares, and on which network. */
import type { FieldChoices } from '~~/shared/compare/field'
import type OpeningPopover from '~/platform/shell/OpeningPopover.vue'
import type { Block } from '~~/shared/report/blocks'

const props = defineProps<{ block: Block; number: number }>()
const emit = defineEmits<{ edit: [part: Partial<Block>] }>()
const { slug, base } = useClient()
const { data } = useQuery({
  key: () => ['field', slug.value, 'members'],
  query: () => api<FieldChoices>(`${base.value}/field/members`),
})
const networks = computed(() => [
  { id: 'all', name: 'all networks' },
  ...(data.value?.networks ?? []).map(({ id, name }) => ({ id, name })),
])
const popover = ref<InstanceType<typeof OpeningPopover>>()
const left = computed(() => (props.block.hide ?? '').split(',').filter(Boolean))
/** The client and its rivals; the client stands as 0. */
const members = computed(() =>
  [{ id: 0, name: 'the client itself' }, ...(data.value?.rivals ?? [])].map(({ id, name }) => ({
    id,
    name,
    isIn: id === 0 ? props.block.own !== 'out' : !left.value.includes(String(id)),
  })),
)
const text = computed(() =>
  data.value ? `${members.value.filter(({ isIn }) => isIn).length} of ${members.value.length} members` : 'members',
)
const choose = (id: number, isIn: boolean) =>
  emit(
    'edit',
    id === 0
      ? { own: isIn ? '' : 'out' }
      : { hide: (isIn ? left.value.filter((each) => each !== String(id)) : [...left.value, String(id)]).join(',') },
  )
</script>

<template>
  <Select
    :model-value="block.network || 'all'"
    :options="networks"
    option-label="name"
    option-value="id"
    size="small"
    :aria-label="`Network of block ${number}`"
    @update:model-value="(network: string) => emit('edit', { network: network === 'all' ? '' : network })"
  />
  <Button
    :label="text"
    outlined
    size="small"
    :aria-label="`Members of block ${number}: ${text}`"
    aria-haspopup="dialog"
    @click="popover?.toggle($event)"
  />
  <OpeningPopover ref="popover" :label="`Members of block ${number}`">
    <ul>
      <li v-for="{ id, name, isIn } in members" :key="id">
        <Checkbox
          :model-value="isIn"
          binary
          :input-id="`member-${number}-${id}`"
          @update:model-value="(is: boolean) => choose(id, is)"
        />
        <label :for="`member-${number}-${id}`">{{ name }}</label>
      </li>
    </ul>
  </OpeningPopover>
</template>

<style scoped>
ul {
  list-style: none;
  display: grid;
  gap: 6px;
  max-height: 45vh;
  overflow-y: auto;
  padding: 2px;
}
li {
  display: flex;
  gap: 6px;
  align-items: center;
}
</style>
