<script setup lang="ts">
/** The answers of a poll: share of those who answered, with the interval that holds all shares together. */
import type { Rounding } from '~~/core/format/formatter'
import { formatCount, formatShare } from '~~/core/format/numbers'
import { describePeriod } from '~~/core/periods/describePeriod'
import type { PollView } from '~~/shared/read/polls'

const props = defineProps<{ poll: PollView }>()
const locale = useLocale()
const say = (share: number, rounding?: Rounding) => formatShare(share, locale, rounding)
const ordered = computed(() => [...props.poll.answers].sort((a, b) => b.count - a.count))
const SMALL = 30
</script>

<template>
  <div>
    <p class="quiet">
      {{ formatCount(poll.people, locale) }} {{ poll.people === 1 ? 'person' : 'people' }} answered{{
        poll.isMultiple ? ', with as many answers as they liked' : ''
      }}; {{ describePeriod(poll) }}. {{ poll.asked }}
    </p>
    <ul>
      <li v-for="answer in ordered" :key="answer.text">
        <span class="name">{{ answer.text }}</span>
        <span class="bar" aria-hidden="true"
          ><i class="share" :style="{ width: `${100 * answer.share}%` }" /><i
            class="range"
            :style="{ left: `${100 * answer.low}%`, width: `${100 * (answer.high - answer.low)}%` }"
        /></span>
        <span
          ><b>{{ say(answer.share) }}</b>
          <span class="quiet">{{ say(answer.low, 'down') }} to {{ say(answer.high, 'up') }}</span
          >{{ ' ' }}<span class="quiet">({{ formatCount(answer.count, locale) }})</span></span
        >
      </li>
    </ul>
    <p class="quiet small">
      Shares are of those who answered. The lines hold all shares together with 95 %, as far as chance goes{{
        poll.isLeadSure ? '; the first answer is ahead beyond chance' : '; which answer is first may be chance'
      }}.
    </p>
    <p v-if="poll.chosen === 'themselves'">
      <b>These people chose themselves.</b> Nobody knows how those who did not answer think, and no interval says: do
      not take this for all followers or all customers.
    </p>
    <p v-if="poll.people < SMALL">Fewer than {{ SMALL }} people answered: too few to tell answers apart.</p>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  display: grid;
  gap: 5px;
  margin: 6px 0;
}
li {
  display: grid;
  grid-template-columns: minmax(7rem, 14rem) minmax(100px, 20rem) 1fr;
  gap: 12px;
  align-items: center;
}
.name {
  text-align: right;
  overflow-wrap: anywhere;
}
.bar {
  position: relative;
  height: 18px;
  border: 1px solid var(--rule2);
}
.bar i {
  position: absolute;
  top: 0;
  left: 0;
}
.share {
  height: 16px;
  background: var(--range);
}
.range {
  height: 0;
  margin-top: 7px;
  border-top: 3px solid var(--zaffer);
}
.small {
  font-size: var(--text-small);
}
</style>
