<script setup lang="ts">
import { slugOf } from '~~/core/format/slugOf'
import { CATALOGUE } from '~~/core/metrics/catalogue'
import { networksOf } from '~~/core/metrics/glossary'
import { KIND_WORDS, WORDS } from '~~/core/metrics/words'

useHead({ title: 'Glossary · Zaffer' })
</script>

<template>
  <div class="glossary">
    <h1>Glossary</h1>
    <h2 class="heading">Metrics</h2>
    <dl>
      <template v-for="metric in CATALOGUE" :key="metric.id">
        <dt :id="metric.id">{{ metric.name }}</dt>
        <dd>
          {{ metric.definition }}
          <span class="quiet"
            >{{ KIND_WORDS[metric.kind] }} {{ metric.isPublic ? 'Public.' : 'Needs the owner’s consent.' }} From
            {{ networksOf(metric.id).join(', ') }}.</span
          >
        </dd>
      </template>
    </dl>
    <h2 class="heading">Our words</h2>
    <dl>
      <template v-for="[word, meaning] in WORDS" :key="word"
        ><dt :id="`word-${slugOf(word)}`">{{ word }}</dt>
        <dd>{{ meaning }}</dd></template
      >
    </dl>
  </div>
</template>

<style scoped>
h1 {
  font: 600 var(--text-title)/1.2 var(--serif);
  border-bottom: 2px solid var(--ink);
  padding-bottom: 9px;
}
h2 {
  margin: 18px 0 8px;
}
dl {
  display: grid;
  grid-template-columns: 13rem minmax(0, 44rem);
  gap: 7px 20px;
}
dt {
  font-weight: 650;
  scroll-margin-top: 12px;
}
dt:target {
  color: var(--zaffer);
}
dd {
  color: var(--ink2);
}
</style>
