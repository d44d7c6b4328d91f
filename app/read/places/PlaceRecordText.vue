<script setup lang="ts">
/** What is true about a place: its master record. */
import { spokenTimes } from '~~/core/places/localBusiness'
import { editableHours, readHours } from '~~/core/places/openingHours'
import { spokenPhone } from '~~/core/places/phone'
import type { Place } from '~~/shared/read/places'

const props = defineProps<{ place: Place }>()
const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']
const address = computed(() => {
  const { street, town, postcode, country } = props.place
  return [street, [postcode, town].filter(Boolean).join(' '), country].filter(Boolean).join(', ')
})
/** Hours a line each: days of the same times together, and those that are otherwise. */
const hours = computed(() => {
  if (props.place.hours === '') return []
  const plain = editableHours(readHours(props.place.hours))
  if (!plain) return props.place.hours.split(';').map((rule) => rule.trim())
  const lines: string[] = []
  for (let from = 0; from < DAYS.length; ) {
    let to = from
    while (to + 1 < DAYS.length && plain.week[to + 1] === plain.week[from]) to++
    lines.push(`${from === to ? DAYS[from] : `${DAYS[from]}–${DAYS[to]}`} ${spokenTimes(plain.week[from]!)}`)
    from = to + 1
  }
  return [
    ...lines,
    ...plain.exceptions.map(
      ({ from, to, times }) => `${from === to ? from : `${from} to ${to}`}: ${spokenTimes(times)}`,
    ),
  ]
})
</script>

<template>
  <dl class="record">
    <template v-if="place.categories.length"
      ><dt>Categories</dt>
      <dd>{{ place.categories.join(', ') }}</dd></template
    >
    <template v-if="address"
      ><dt>Address</dt>
      <dd>{{ address }}</dd></template
    >
    <template v-if="place.phone"
      ><dt>Telephone</dt>
      <dd>{{ spokenPhone(place.phone) }}</dd></template
    >
    <template v-if="place.web"
      ><dt>Web</dt>
      <dd>{{ place.web }}</dd></template
    >
    <template v-if="hours.length"
      ><dt>Open</dt>
      <dd>
        <span v-for="line in hours" :key="line" class="line">{{ line }}</span>
      </dd></template
    >
    <template v-if="place.attributes.length"
      ><dt>Has</dt>
      <dd>{{ place.attributes.join(', ') }}</dd></template
    >
    <template v-if="place.description"
      ><dt>Description</dt>
      <dd>{{ place.description }}</dd></template
    >
    <template v-if="place.pictures.length"
      ><dt>Pictures</dt>
      <dd>
        <a v-for="picture in place.pictures" :key="picture" :href="picture" class="line" rel="noopener noreferrer">{{
          picture
        }}</a>
      </dd></template
    >
    <dt>Listing</dt>
    <dd>{{ place.listing ? `${place.listing.name}, ${place.listing.networkName}` : 'none yet' }}</dd>
  </dl>
</template>

<style scoped>
.record {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 3px 14px;
}
dt {
  color: var(--ink2);
}
dd {
  margin: 0;
}
.line {
  display: block;
}
</style>
