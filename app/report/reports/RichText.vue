<script setup lang="ts">
import { h, type VNodeChild } from 'vue'
import { richText, type RichNode } from '~~/shared/report/richText'

/** A text with its bold, its lists and its links, drawn as elements: what was typed is never read as markup. */
const props = defineProps<{ text: string }>()
const TAGS = { paragraph: 'p', bold: 'strong', italic: 'em', item: 'li', bullets: 'ul' } as const

function drawn(node: RichNode): VNodeChild {
  switch (node.kind) {
    case 'text':
      return node.text
    case 'break':
      return h('br')
    case 'link':
      return h('a', { href: node.to, target: '_blank', rel: 'noopener noreferrer nofollow' }, node.inside.map(drawn))
    case 'numbers':
      return h('ol', { start: node.first }, node.inside.map(drawn))
    default:
      return h(TAGS[node.kind], node.inside.map(drawn))
  }
}
const Drawn = () => richText(props.text).map(drawn)
</script>

<template>
  <div class="rich"><Drawn /></div>
</template>

<style scoped>
.rich {
  max-width: 44rem;
}
.rich :deep(p) {
  margin-bottom: 0.5em;
}
.rich :deep(:is(ul, ol)) {
  padding-left: 1.4em;
  margin-bottom: 0.5em;
}
.rich :deep(li p) {
  margin-bottom: 0.1em;
}
.rich :deep(a) {
  color: var(--zaffer);
  overflow-wrap: anywhere;
}
.rich > :deep(:last-child) {
  margin-bottom: 0;
}
</style>
