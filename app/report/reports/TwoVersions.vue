<script setup lang="ts">
import type { DraftDifference } from '~~/core/reports/joinDrafts'

/** Two versions of a report side by side, and what to go on with. */
defineProps<{ differences: DraftDifference[] }>()
const emit = defineEmits<{ close: []; choose: [how: 'mine' | 'theirs' | 'join'] }>()
</script>

<template>
  <OpeningDialog label="Two versions of this report" width="56rem" @close="emit('close')">
    <p v-if="differences.length === 0">Both say the same. Go on with either.</p>
    <div v-else class="wide">
      <table class="plain-table">
        <thead>
          <tr>
            <th scope="col" class="words">Part</th>
            <th scope="col" class="words">Mine, on this page</th>
            <th scope="col" class="words">Theirs, on the server</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="each in differences" :key="each.what">
            <th scope="row" class="words">{{ each.what }}</th>
            <td class="words text">{{ each.mine || '—' }}</td>
            <td class="words text">{{ each.theirs || '—' }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="row choices">
      <Button label="Join both" @click="emit('choose', 'join')" /><Button
        label="Take mine"
        outlined
        @click="emit('choose', 'mine')"
      /><Button label="Take theirs" outlined @click="emit('choose', 'theirs')" />
    </p>
    <p class="quiet">
      Joined, each part is as the side has it that changed it; where both have written, both texts stand. Whatever you
      choose, Undo brings your own version back.
    </p>
  </OpeningDialog>
</template>

<style scoped>
.wide {
  max-height: 50vh;
  overflow: auto;
}
.text {
  white-space: pre-line;
  max-width: 20rem;
}
.choices {
  justify-content: flex-start;
  margin-top: 12px;
}
</style>
