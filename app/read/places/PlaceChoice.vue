<script setup lang="ts">
/** Which places are looked at: all, or those of a group, which can be made, changed and taken away here. */
import type { PlacesPage } from '~~/shared/read/places'

const props = defineProps<{ page: PlacesPage }>()
const emit = defineEmits<{ changed: [] }>()
const session = useSession()
const { query, push } = usePageAddress()
const { base } = useClient()
const edited = ref<'new' | 'this'>()
const group = computed(() => props.page.groups.find(({ id }) => String(id) === query.value.group))
const choices = computed(() => [
  { id: 0, name: 'all places' },
  ...props.page.groups.map(({ id, name, places }) => ({ id, name: `${name} (${places.length})` })),
])
const show = (id: number) => push({ group: id === 0 ? undefined : String(id) })
const members = computed(() => props.page.all.map(({ id, name, town }) => ({ id, name, remark: town })))
const takeAway = useRemoval(() => emit('changed'))
async function remove() {
  const { id, name } = group.value!
  await show(0)
  await takeAway(`${base.value}/places/groups/${id}`, `The group “${name}” was removed; its places stay.`)
}
async function saved(id: number) {
  edited.value = undefined
  emit('changed')
  await show(id)
}
</script>

<template>
  <span class="row choose">
    <Select
      :model-value="group?.id ?? 0"
      :options="choices"
      option-label="name"
      option-value="id"
      size="small"
      aria-label="Which places"
      @update:model-value="show"
    />
    <template v-if="session.mayWrite">
      <template v-if="group">
        <Button label="Change the group" text size="small" aria-haspopup="dialog" @click="edited = 'this'" />
        <Button label="Remove the group" text size="small" @click="remove" />
      </template>
      <Button label="Make a group" text size="small" aria-haspopup="dialog" @click="edited = 'new'" />
    </template>
    <GroupDialog
      v-if="edited"
      :group="edited === 'this' && group ? { ...group, members: group.places } : undefined"
      :choices="members"
      what="group"
      members="places"
      :path="`${base}/places/groups`"
      @close="edited = undefined"
      @saved="saved"
    />
  </span>
</template>

<style scoped>
.choose {
  margin-right: auto;
  gap: 4px;
}
</style>
