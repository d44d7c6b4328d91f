<script setup lang="ts">
/** Who is heard how much: each member's part of all interactions of the field, the largest first. */
import { formatShare, oneDecimal } from '~~/core/format/numbers'
import type { FieldMember } from '~~/shared/compare/field'

const props = defineProps<{ members: readonly FieldMember[] }>()
const locale = useLocale()
const voices = computed(() =>
  props.members
    .flatMap(({ id, name, isOwn, voice }) => (voice ? [{ id, name, isOwn, ...voice }] : []))
    .sort((a, b) => b.now - a.now),
)
const changeOf = ({ now, then }: { now: number; then?: number }) => {
  if (then === undefined) return ''
  const points = (now - then) * 100
  if (Math.abs(points) < 0.05) return 'as before'
  return `${points > 0 ? '+' : '−'}${oneDecimal(Math.abs(points), locale)} pt`
}
</script>

<template>
  <p v-if="voices.length === 0" class="quiet">Nobody in this field has had an interaction in these days.</p>
  <ul v-else>
    <li v-for="each in voices" :key="each.id">
      <span class="name" :class="{ own: each.isOwn }">{{ each.name }}</span>
      <span class="track" aria-hidden="true"
        ><i :class="{ own: each.isOwn }" :style="{ width: `${100 * each.now}%` }"
      /></span>
      <span class="amount">{{ formatShare(each.now, locale) }}</span>
      <span class="quiet change">{{ changeOf(each) }}</span>
    </li>
  </ul>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 4px 0 0;
}
li {
  display: grid;
  grid-template-columns: 10.5em 1fr 4em 4.5em;
  gap: 8px;
  align-items: center;
  padding: 2px 0;
}
.name {
  font-weight: 600;
}
.name.own {
  color: var(--zaffer);
}
.track {
  background: var(--band);
  height: 10px;
}
i {
  display: block;
  height: 10px;
  background: var(--series-3);
}
i.own {
  background: var(--series);
}
.amount,
.change {
  text-align: right;
  font-variant-numeric: tabular-nums;
}
</style>
