<script setup lang="ts">
import type Menu from 'primevue/menu'
import type { Block } from '~~/shared/report/blocks'

/**
 * What can be done with a part of a page: its table as a file, its picture where it has one, and its place in a report.
 */
const props = defineProps<{
  kind?: Block['kind']
  metrics?: readonly string[]
  option?: string
  path?: string
  what: string
  /** Whether there is a picture of it. */
  hasPicture?: boolean
  /** The kind of block that it is in a report, where that is not its kind here. */
  block?: Block['kind']
}>()
const emit = defineEmits<{ picture: [] }>()
const { base } = useClient()
const { address } = useScope()
const session = useSession()
const shell = useShell()
const menu = ref<InstanceType<typeof Menu>>()
const isWanted = ref(false)
const link = (format: string) => {
  const query = new URLSearchParams(
    props.path
      ? { format }
      : {
          ...address.value,
          ...(props.metrics?.length && { metrics: props.metrics.join(',') }),
          ...(props.option && { option: props.option }),
          format,
        },
  )
  const path = props.path ?? `${base.value}/downloads/${props.kind}`
  return `${path}${path.includes('?') ? '&' : '?'}${query}`
}
const items = computed(() => [
  { label: 'Table as CSV', url: link('csv') },
  { label: 'Workbook', url: link('xlsx') },
  ...(props.hasPicture ? [{ label: 'Picture', command: () => emit('picture') }] : []),
])
const part = computed(() => props.block ?? props.kind)

/** The menu is fetched and made when it is first asked for. */
async function open(event: Event) {
  const button = event.currentTarget
  isWanted.value = true
  const made = await until(menu).toBeTruthy()
  made?.toggle({ ...event, currentTarget: button } as Event)
}
</script>

<template>
  <span class="downloads no-print">
    <button type="button" class="bare" aria-haspopup="menu" :aria-label="`Download: ${what}`" @click="open">
      Download
    </button>
    <button
      v-if="part && session.mayWrite"
      type="button"
      class="bare"
      aria-haspopup="dialog"
      :aria-label="`To a report: ${what}`"
      @click="shell.addPart(part, what)"
    >
      To a report
    </button>
    <LazyMenu v-if="isWanted" ref="menu" :model="items" popup :aria-label="`Download: ${what}`" />
  </span>
</template>

<style scoped>
.downloads {
  display: inline-flex;
  gap: 10px;
  font-size: var(--text-small);
  white-space: nowrap;
}
button {
  padding: 3px 0;
  color: var(--zaffer);
  text-decoration: underline;
  text-underline-offset: 2px;
}
</style>
