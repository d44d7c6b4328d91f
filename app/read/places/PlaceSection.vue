<script setup lang="ts">
/** A part of the page of a place, which can be taken away as a file and put into a report. */
import { PLACE_PARTS, type PlacePart } from '~~/shared/read/placeBlock'

const props = defineProps<{ part: PlacePart; place: string }>()
const { base } = useClient()
const { address } = useScope()
const title = computed(() => PLACE_PARTS.find(({ id }) => id === props.part)!.name)
const file = computed(() => {
  const query = new URLSearchParams({ ...address.value, place: props.place, shows: props.part } as Record<
    string,
    string
  >)
  return `${base.value}/downloads/place?${query}`
})
</script>

<template>
  <section :aria-labelledby="`${part}-heading`">
    <div class="row head">
      <h2 :id="`${part}-heading`" class="heading">{{ title }}</h2>
      <DownloadMenu kind="place" :path="file" :what="title" />
    </div>
    <slot />
  </section>
</template>

<style scoped>
.head {
  justify-content: space-between;
  align-items: baseline;
}
</style>
