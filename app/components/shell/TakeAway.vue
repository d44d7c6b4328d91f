<script setup lang="ts">
const props = defineProps<{ kind?: string; metrics?: readonly string[]; option?: string; path?: string; what: string }>()
const { base } = useClient()
const { address } = useScope()
const link = (format: string) => {
  const query = new URLSearchParams(props.path ? { format } : { ...address.value, ...(props.metrics?.length && { metrics: props.metrics.join(',') }), ...(props.option && { option: props.option }), format })
  const path = props.path ?? `${base.value}/downloads/${props.kind}`
  return `${path}${path.includes('?') ? '&' : '?'}${query}`
}
</script>

<template>
  <span class="take no-print"><a v-for="format in ['csv', 'xlsx']" :key="format" :href="link(format)" download :aria-label="`${what} as ${format.toUpperCase()}`">{{ format.toUpperCase() }}</a></span>
</template>

<style scoped>
.take { display: inline-flex; gap: 8px; font-size: var(--text-small); white-space: nowrap; }
a { padding: 3px 0; text-underline-offset: 2px; }
</style>
