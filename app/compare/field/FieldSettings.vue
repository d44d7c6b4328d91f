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
  [{ id: 0, name: 'the client itself' }, ...(data.value?.rivals ?? [])].map((each) => ({ ...each, remark: '' })),
)
const chosen = computed({
  get: () =>
    members.value
      .map(({ id }) => id)
      .filter((id) => (id === 0 ? props.block.own !== 'out' : !left.value.includes(String(id)))),
  // rivals that are in the list no more stay left out
  set: (ids) => {
    const known = members.value.map(({ id }) => String(id))
    const out = members.value.filter(({ id }) => id !== 0 && !ids.includes(id)).map(({ id }) => String(id))
    emit('edit', {
      own: ids.includes(0) ? '' : 'out',
      hide: [...left.value.filter((id) => !known.includes(id)), ...out].join(','),
    })
  },
})
const text = computed(() => (data.value ? `${chosen.value.length} of ${members.value.length} members` : 'members'))
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
    <MemberChecks v-model="chosen" :choices="members" :name="`member-${number}`" />
  </OpeningPopover>
</template>
