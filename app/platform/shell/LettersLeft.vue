<script setup lang="ts">
/** How much room a text has left, once there is little; and that it is too long, while it is being typed. */
const props = defineProps<{ text: string; most: number }>()
const locale = useLocale()
const left = computed(() => props.most - props.text.length)
const count = (letters: number) => `${letters.toLocaleString(locale)} ${letters === 1 ? 'letter' : 'letters'}`
</script>

<template>
  <small v-if="left < 0" class="field-error" role="alert"
    >{{ count(-left) }} too many. It is kept here, and saved once it is shorter.</small
  >
  <small v-else-if="left < most / 10" class="quiet">{{ count(left) }} left</small>
</template>
