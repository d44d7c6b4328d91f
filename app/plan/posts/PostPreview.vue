<script setup lang="ts">
/** How a post will read on one network, in our own look: wide or as narrow as on a telephone. */
import { textWithLink, type PlanContent } from '~~/core/plan/networkRules'
import { NETWORK_RULES } from '~~/core/plan/networkRules'
import type { PlanTarget } from '~~/shared/plan/plannedPosts'

const props = defineProps<{
  target: PlanTarget
  content: PlanContent
  action: string
  pictures: readonly string[]
  /** What stands for the page that it links to. */ page?: { title: string; description: string; picture?: string }
  isNarrow?: boolean
}>()
const rules = computed(() => NETWORK_RULES[props.target.network]!)
const text = computed(() => (rules.value.takesLink ? textWithLink(props.content) : props.content.text))
const host = computed(() => (URL.canParse(props.content.link) ? new URL(props.content.link).host : ''))
</script>

<template>
  <article :class="{ narrow: isNarrow }" :aria-label="`How it reads on ${target.networkName}`">
    <header class="quiet">{{ target.name }} on {{ target.networkName }}</header>
    <h4 v-if="rules.heading && content.heading">{{ content.heading }}</h4>
    <p class="text">{{ text }}</p>
    <div v-if="pictures.length" class="pictures" :class="{ several: pictures.length > 1 }">
      <img
        v-for="(picture, index) in pictures.slice(0, 4)"
        :key="picture"
        :src="picture"
        :alt="content.media[index]?.alt ?? ''"
      />
    </div>
    <div v-if="page && rules.takesLink" class="page">
      <img v-if="page.picture" :src="page.picture" alt="" />
      <p>
        <b>{{ page.title }}</b
        ><br v-if="page.description" />{{ page.description }}
      </p>
    </div>
    <p v-if="rules.takesLink && host" class="quiet small">
      leads to {{ host }}{{ action && rules.kinds ? `: ${action}` : '' }}
    </p>
    <p v-if="rules.kinds && content.kind" class="quiet small">
      {{ content.kind }}{{ content.startsOn ? `, ${content.startsOn} to ${content.endsOn}` : '' }}
    </p>
    <p v-if="rules.needsCollection && content.collection" class="quiet small">pinned to {{ content.collection }}</p>
  </article>
</template>

<style scoped>
article {
  border: 1px solid var(--rule2);
  background: var(--paper);
  padding: 10px 12px;
  max-width: 34rem;
}
.narrow {
  max-width: 20rem;
}
h4 {
  margin: 4px 0;
  font: 600 1rem var(--serif);
}
.text {
  white-space: pre-wrap;
  overflow-wrap: anywhere;
  margin: 4px 0;
}
.pictures {
  display: grid;
  gap: 2px;
}
.several {
  grid-template-columns: 1fr 1fr;
}
img {
  width: 100%;
  max-height: 240px;
  object-fit: cover;
}
.page {
  border: 1px solid var(--rule);
}
.page p {
  margin: 6px 10px;
  overflow-wrap: anywhere;
}
.small {
  font-size: var(--text-small);
}
</style>
