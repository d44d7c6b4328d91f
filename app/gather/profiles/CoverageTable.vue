<script setup lang="ts">
import { describeDay } from '~~/core/periods/describePeriod'
import { lengthOf } from '~~/core/periods/period'
import type { ProfileRowOf } from '~~/shared/gather/profilesBlock'

defineProps<{ rows: ProfileRowOf[] }>()
const present = ({ strip, missing }: ProfileRowOf) => {
  const days = lengthOf(strip)
  return `${days - missing.reduce((sum, gap) => sum + lengthOf(gap), 0)} of ${days} days have figures`
}
</script>

<template>
  <table class="plain-table">
    <thead>
      <tr>
        <th scope="col">Profile</th>
        <th scope="col" class="words">State</th>
        <th scope="col" class="words">Last eight weeks</th>
        <th scope="col">Figures since</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.remoteId">
        <td>
          <b>{{ row.name }}</b> <span class="quiet">{{ row.networkName }}</span>
        </td>
        <td class="words">{{ row.state }}</td>
        <td class="words">
          <CoverageStrip v-if="row.oldest" :strip="row.strip" :missing="row.missing" :label="present(row)" /><span
            v-else
            class="quiet"
            >no figures yet</span
          >
        </td>
        <td>{{ row.oldest ? describeDay(row.oldest) : '—' }}</td>
      </tr>
    </tbody>
  </table>
</template>
