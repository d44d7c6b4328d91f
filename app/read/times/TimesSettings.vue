<script setup lang="ts">
/** By what the times of a block are told. */
import { networkById } from '~~/core/networks/networks'
import type { Block } from '~~/shared/report/blocks'
import { timesSchema } from '~~/shared/read/times'

const props = defineProps<{ block: Block; number: number }>()
const emit = defineEmits<{ edit: [part: Partial<Block>] }>()
const { description } = useScope()
const networks = computed(() =>
  [...new Set(description.data.value?.profiles.map(({ network }) => network) ?? [])]
    .sort()
    .map((id) => ({ id, name: networkById(id).name })),
)
const asked = computed(() => timesSchema.cast(props.block, { stripUnknown: true }))
/** The country that was chosen on the page, if any. */
const countries = computed(() =>
  asked.value.zone
    ? [{ id: asked.value.zone, name: new Intl.DisplayNames(['en'], { type: 'region' }).of(asked.value.zone) ?? '' }]
    : [],
)
</script>

<template>
  <div class="row">
    <TimesChoice
      :asked="asked"
      :networks="networks"
      :countries="countries"
      :of="`block ${number}`"
      @choose="(name, value) => emit('edit', { [name]: timesSchema.cast({ [name]: value || undefined })[name] })"
    />
  </div>
</template>

<style scoped>
.row {
  flex-wrap: wrap;
  gap: 6px 8px;
}
</style>
