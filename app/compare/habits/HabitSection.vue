<script setup lang="ts">
/** A part of the page of habits: its heading, what can be chosen of it, its table as a file, and its place in a report. */
import { HABIT_PARTS, type HabitPart } from '~~/shared/compare/habits'

const props = defineProps<{
  part: HabitPart
  heading: string
  /** The downloads of the page as it is shown. */
  path: string
  /** Whether it stands inside another part. */
  isInner?: boolean
}>()
const name = computed(() => HABIT_PARTS.find(({ id }) => id === props.part)!.name)
</script>

<template>
  <section :aria-labelledby="`${part}-heading`">
    <div class="row head">
      <h3 v-if="isInner" :id="`${part}-heading`">{{ heading }}</h3>
      <h2 v-else :id="`${part}-heading`" class="heading">{{ heading }}</h2>
      <span class="row no-print">
        <slot name="choose" />
        <DownloadMenu :path="`${path}&part=${part}`" block="habits" :what="name" />
      </span>
    </div>
    <slot />
  </section>
</template>

<style scoped>
section {
  margin: 14px 0 18px;
}
h3 {
  margin: 10px 0 2px;
}
.head {
  justify-content: space-between;
}
</style>
