<script setup lang="ts">
import type OpeningPopover from '../platform/shell/OpeningPopover.vue'
import { SelectOnUse } from '~/platform/selectOnUse'

const props = defineProps<{
  metrics: { id: string; name: string }[]
  chosen: string[]
  onlyOne?: boolean
  most?: number
  label: string
  /** What stands on the button; else what is chosen. */ words?: string
}>()
const emit = defineEmits<{ choose: [ids: string[]] }>()
const popover = ref<InstanceType<typeof OpeningPopover>>()
const ticked = computed({
  get: () => props.chosen,
  set: (ids) => emit('choose', ids),
})
const text = computed(
  () =>
    props.words ??
    (props.chosen.length === 1
      ? props.metrics.find(({ id }) => id === props.chosen[0])?.name
      : `${props.chosen.length} metrics`),
)
</script>

<template>
  <SelectOnUse
    v-if="onlyOne"
    :model-value="chosen[0]"
    :options="metrics"
    option-label="name"
    option-value="id"
    size="small"
    :aria-label="label"
    @update:model-value="(id) => emit('choose', [id])"
  />
  <template v-else>
    <Button
      :label="text"
      outlined
      size="small"
      :aria-label="`${label}: ${text}`"
      aria-haspopup="dialog"
      @click="popover?.toggle($event)"
    />
    <OpeningPopover ref="popover" :label="label">
      <ul>
        <li v-for="metric in metrics" :key="metric.id">
          <LazyCheckbox
            v-model="ticked"
            :input-id="`${label}-${metric.id}`"
            :value="metric.id"
            :disabled="!chosen.includes(metric.id) && chosen.length >= (most ?? 12)"
          />{{ ' ' }}
          <label :for="`${label}-${metric.id}`">{{ metric.name }}</label>
        </li>
      </ul>
    </OpeningPopover>
  </template>
</template>

<style scoped>
ul {
  list-style: none;
  display: grid;
  gap: 5px;
  max-height: 50vh;
  overflow-y: auto;
  padding: 2px;
}
</style>
