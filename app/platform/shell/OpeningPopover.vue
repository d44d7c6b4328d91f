<script setup lang="ts">
import type Popover from 'primevue/popover'

defineProps<{ label: string }>()
const emit = defineEmits<{ hide: [] }>()
const isWanted = ref(false)
const isOpen = ref(false)
const popover = ref<InstanceType<typeof Popover>>()
const inside = ref<HTMLElement>()
let opener: HTMLElement | undefined
/** What is inside, also while it is going away. */
let place: HTMLElement | undefined
useOpening(isOpen)

/** How many frames what is inside may take to appear: it can be loaded when it is first asked for. */
const MOST_FRAMES = 300

/** Opens at the place of a button, or closes; it is fetched, and what is inside is made, the first time. */
async function toggle(event: Event, target?: HTMLElement) {
  opener = target ?? (event.currentTarget as HTMLElement)
  if (isOpen.value) return hide()
  isWanted.value = true
  isOpen.value = true
  const made = await until(popover).toBeTruthy()
  if (isOpen.value) made?.show({ currentTarget: opener } as unknown as Event, opener)
}
const hide = () => (popover.value ? popover.value.hide() : leave())

/** What the library does about scrolling, which it does not tell in its types. */
interface Floating {
  unbindScrollListener: () => void
  alignOverlay: () => void
}
const floating = () => popover.value as unknown as Floating
/** The library closes when anything scrolls, also by itself while a page comes; here what is open goes along. */
useEventListener('scroll', () => isOpen.value && inside.value && floating().alignOverlay(), {
  capture: true,
  passive: true,
})

/** The focus goes into what opened, as soon as there is something that takes it. */
async function enter() {
  floating().unbindScrollListener()
  place = inside.value
  for (let frame = 0; frame < MOST_FRAMES && isOpen.value; frame++) {
    const first = inside.value && firstFocusable(inside.value)
    if (first) return first.focus()
    await nextFrames()
  }
}
/** And back to where it came from, unless somebody has gone on to another place. */
function leave() {
  isOpen.value = false
  emit('hide')
  const at = document.activeElement
  if (!at || at === document.body || place?.contains(at)) opener?.focus()
}
defineExpose({ toggle, hide })
</script>

<template>
  <LazyPopover v-if="isWanted" ref="popover" :aria-label="label" @show="enter" @hide="leave"
    ><div ref="inside" @keydown.esc.stop="hide"><slot /></div
  ></LazyPopover>
</template>
