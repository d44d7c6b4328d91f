<script setup lang="ts">
/** What separates the client from its rivals, a sentence or two of each: those first that grow fastest. */
import { describeDay } from '~~/core/periods/describePeriod'
import type { Field } from '~~/shared/compare/field'
import { goneWords } from '~~/shared/compare/goneWords'
import { formatWords, growthWords, meetingWords, medianWords, separationWords } from './fieldWords'

const props = defineProps<{ field: Field }>()
const locale = useLocale()
const median = computed(() => medianWords(props.field.tables, 0, locale))
const own = computed(() => props.field.members.find(({ isOwn }) => isOwn))
const ownGrowth = computed(() => (own.value ? growthWords(own.value, locale) : ''))
/** Where the client is left out, nothing parts it from anybody. */
const isOwnIn = computed(() => props.field.members.some(({ isOwn }) => isOwn))
const rivals = computed(() =>
  props.field.members
    .filter(({ isOwn }) => !isOwn)
    .sort((a, b) => (b.growth?.value ?? -1) - (a.growth?.value ?? -1))
    .map((member) => ({
      member,
      words: [
        meetingWords(member, props.field.lastDay, locale),
        growthWords(member, locale),
        ...(member.gone ?? []).map(goneWords),
        member.separation && `It ${separationWords(member.separation, locale)}`,
        member.formats && formatWords(member.formats, locale),
      ].filter(Boolean),
    })),
)
</script>

<template>
  <div>
    <p v-if="!isOwnIn">The client itself is left out, so nothing is set beside it.</p>
    <p v-else-if="median || ownGrowth">{{ [median, ownGrowth].filter(Boolean).join(' ') }}</p>
    <p v-for="{ member, words } in rivals" :key="member.id">
      <strong>{{ member.name }}</strong> {{ words.join(' ') || (isOwnIn ? 'has too few figures to say more.' : '') }}
      <span class="quiet"
        >On {{ member.networks.join(' and ')
        }}{{ member.lastPost ? `; last posted ${describeDay(member.lastPost)}` : '' }}.</span
      >
    </p>
  </div>
</template>

<style scoped>
p {
  margin-bottom: 8px;
}
</style>
