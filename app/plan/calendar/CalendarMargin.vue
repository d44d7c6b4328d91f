<script setup lang="ts">
/** What stands in the margin of the calendar: the entry that is chosen, and the suggested slots to come. */
import { formatSignedShare } from '~~/core/format/numbers'
import { describeDay } from '~~/core/periods/describePeriod'
import { PLAN_STATE_NAMES } from '~~/core/plan/postStates'
import { hourName } from '~~/core/times/slots'
import type { PlannedHead } from '~~/shared/plan/plannedPosts'
import type { CalendarSlot } from '~~/shared/plan/postCalendar'
import { clockOf } from './calendarWords'
import { isMovable, type ShownEntry } from './shownEntries'

defineProps<{
  entry?: ShownEntry
  /** The plan that a published entry came from. */
  fromPlan?: PlannedHead
  slots: readonly CalendarSlot[]
  picked: readonly number[]
}>()
const emit = defineEmits<{ pick: [id: number] }>()
const locale = useLocale()
const { slug } = useClient()
</script>

<template>
  <div>
    <section v-if="entry" aria-live="polite">
      <h2>{{ describeDay(entry.day) }}, {{ clockOf(entry.minutes) }}</h2>
      <template v-if="entry.plan">
        <p>
          <b>{{ PLAN_STATE_NAMES[entry.plan.state] }}</b
          >, by {{ entry.plan.writtenName }}
        </p>
        <p v-for="each in entry.plan.postings" :key="each.profile">
          {{ each.profileName }}, {{ each.networkName
          }}<span v-if="each.refusal" class="field-error">: {{ each.refusal }}</span>
        </p>
      </template>
      <p v-else>{{ entry.profileName }} on {{ entry.networkName }}{{ entry.format ? `, ${entry.format}` : '' }}</p>
      <p>{{ entry.text }}</p>
      <template v-if="entry.plan">
        <p><NuxtLink :to="`/${slug}/calendar/${entry.plan.id}`">Open the post</NuxtLink></p>
        <label v-if="isMovable(entry)" class="row"
          ><Checkbox
            binary
            :model-value="picked.includes(entry.plan.id)"
            input-id="entry-picked"
            @update:model-value="emit('pick', entry!.plan!.id)"
          />choose it for many</label
        >
      </template>
      <p v-else-if="entry.state === 'published'">
        <NuxtLink :to="`/${slug}/content/${entry.profile}/${entry.id}`">What it has brought</NuxtLink>
      </p>
      <p v-else><NuxtLink :to="`/${slug}/times`">All tries</NuxtLink></p>
      <p v-if="fromPlan">
        <NuxtLink :to="`/${slug}/calendar/${fromPlan.id}`">How it was planned, and how it came out</NuxtLink>
      </p>
    </section>
    <section v-if="slots.length">
      <h2>Suggested slots to come</h2>
      <p v-for="slot in slots" :key="`${slot.day} ${slot.number}`">
        {{ slot.number }}. {{ describeDay(slot.day) }}, {{ hourName(slot.hour) }}:
        <template v-if="slot.by === 'posts' && slot.lift"
          >{{ formatSignedShare(slot.lift.value, locale) }}, between
          {{ formatSignedShare(slot.lift.low, locale, 'down') }} and
          {{ formatSignedShare(slot.lift.high, locale, 'up') }}</template
        ><template v-else>the audience is there</template>
      </p>
      <p><NuxtLink :to="`/${slug}/times`">Why these</NuxtLink></p>
    </section>
  </div>
</template>
