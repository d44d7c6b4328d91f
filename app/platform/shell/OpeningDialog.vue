<script setup lang="ts">
defineProps<{ label: string; width: string; position?: 'top' }>()
const emit = defineEmits<{ close: [] }>()
const inside = ref<HTMLElement>()
/** What had the focus when it was opened gets it back, if it is still there. */
const opener = document.activeElement as HTMLElement | null
useOpening(() => true)

/** How many frames what is inside may take to appear. */
const MOST_FRAMES = 300
let isGone = false

/** The focus goes to the first field, or to whatever asks for it. */
async function enter() {
  for (let frame = 0; frame < MOST_FRAMES && !isGone; frame++) {
    const first = inside.value && firstFocusable(inside.value)
    if (first) return first.focus()
    await nextFrames()
  }
}
/** A field whose list is closed would keep Escape to itself. */
function leave(event: KeyboardEvent) {
  const field = (event.target as HTMLElement).closest('[role="combobox"]')
  if (!field || field.getAttribute('aria-expanded') === 'true') return
  event.stopPropagation()
  emit('close')
}
onBeforeUnmount(() => {
  isGone = true
  const at = document.activeElement
  if (opener?.isConnected && (!at || at === document.body || at.closest('[role="dialog"]')))
    void nextTick(() => opener.focus())
})
</script>

<template>
  <Dialog
    :visible="true"
    modal
    :header="label"
    :style="{ width }"
    :position="position"
    @show="enter"
    @update:visible="emit('close')"
    ><div ref="inside" @keydown.esc.capture="leave"><slot /></div
  ></Dialog>
</template>
