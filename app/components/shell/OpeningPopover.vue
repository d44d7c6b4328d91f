<script setup lang="ts">
import type Popover from 'primevue/popover'

defineProps<{ label: string }>()
const emit = defineEmits<{ hide: [] }>()
const isWanted = ref(false)
const popover = ref<InstanceType<typeof Popover>>()

/** Opens at the place of a button; what is inside is made the first time. */
async function show(event: Event, target?: HTMLElement) {
  const at = target ?? (event.currentTarget as HTMLElement)
  isWanted.value = true
  await nextTick()
  if (popover.value) popover.value.toggle({ currentTarget: at } as unknown as Event, at)
}
defineExpose({ toggle: show, hide: () => popover.value?.hide() })
</script>

<template>
  <Popover v-if="isWanted" ref="popover" :aria-label="label" @hide="emit('hide')"><slot /></Popover>
</template>
