<script setup lang="ts">
/** On which profiles a post goes out, and where a person publishes it by hand. */
import { MOST_POSTINGS, type PlannedInput, type PlanTarget } from '~~/shared/plan/plannedPosts'

defineProps<{ targets: readonly PlanTarget[] }>()
const postings = defineModel<PlannedInput['postings']>({ required: true })
const of = (id: number) => postings.value.find(({ profile }) => profile === id)
function toggle({ id, takesPosts }: PlanTarget) {
  postings.value = of(id)
    ? postings.value.filter(({ profile }) => profile !== id)
    : [...postings.value, { profile: id, text: null, isByHand: !takesPosts }].slice(0, MOST_POSTINGS)
}
const setByHand = (id: number, isByHand: boolean) =>
  (postings.value = postings.value.map((each) => (each.profile === id ? { ...each, isByHand } : each)))
</script>

<template>
  <fieldset>
    <legend class="field-label">On which profiles</legend>
    <ul>
      <li v-for="target in targets" :key="target.id" class="row">
        <label class="row who"
          ><Checkbox
            binary
            :model-value="!!of(target.id)"
            :input-id="`post-on-${target.id}`"
            @update:model-value="toggle(target)"
          />{{ target.name }}, {{ target.networkName }}</label
        >
        <template v-if="of(target.id)">
          <label v-if="target.takesPosts" class="row quiet"
            ><Checkbox
              binary
              :model-value="of(target.id)!.isByHand"
              :aria-label="`${target.name}, ${target.networkName}: published by hand`"
              @update:model-value="(isByHand: boolean) => setByHand(target.id, isByHand)"
            />by hand</label
          >
          <span v-else class="quiet">by hand: its owner has not allowed publishing from here</span>
        </template>
      </li>
    </ul>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  margin: 0 0 12px;
  padding: 0;
  min-width: 0;
}
ul {
  list-style: none;
  columns: 2;
}
li {
  break-inside: avoid;
  min-height: 26px;
}
.row {
  gap: 6px;
}
.who {
  flex-wrap: nowrap;
}
</style>
