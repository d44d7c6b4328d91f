<script setup lang="ts">
/** Polls and surveys: what was asked, what was answered, and a new one. */
import type { PollView } from '~~/shared/read/polls'
import { usePolls } from './usePolls'

const session = useSession()
const { base } = useClient()
const refreshAll = useRefresh()
const { polls, error, isLoading } = usePolls()
const edited = ref<PollView | 'new'>()
const refresh = () => refreshAll('polls')
const remove = useRemoval(refresh)
function saved() {
  edited.value = undefined
  void refresh()
}
</script>

<template>
  <section aria-labelledby="polls-heading">
    <div class="row head">
      <h2 id="polls-heading" class="heading">Polls and surveys</h2>
      <Button
        v-if="session.mayWrite"
        class="no-print"
        label="Write one down"
        size="small"
        outlined
        aria-haspopup="dialog"
        @click="edited = 'new'"
      />
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading && polls.length === 0" class="quiet">Fetching the polls …</p>
    <p v-else-if="polls.length === 0" class="quiet">
      None yet. What people answered when they were asked stands here, with how far chance may carry it.
    </p>
    <article v-for="poll in polls" :key="poll.id" :aria-label="poll.question">
      <div class="row head">
        <h3>{{ poll.question }}</h3>
        <span class="row no-print">
          <template v-if="session.mayWrite">
            <Button
              label="Change"
              text
              size="small"
              aria-haspopup="dialog"
              :aria-label="`Change “${poll.question}”`"
              @click="edited = poll"
            />
            <Button
              label="Remove"
              text
              size="small"
              :aria-label="`Remove “${poll.question}”`"
              @click="remove(`${base}/polls/${poll.id}`, 'The poll was removed.')"
            />
          </template>
          <DownloadMenu :path="`${base}/downloads/poll?poll=${poll.id}`" block="poll" what="The poll" />
        </span>
      </div>
      <PollText :poll="poll" />
    </article>
    <PollDialog
      v-if="edited"
      :poll="edited === 'new' ? undefined : edited"
      @close="edited = undefined"
      @saved="saved"
    />
  </section>
</template>

<style scoped>
.head {
  justify-content: space-between;
}
article {
  border-top: 1px solid var(--rule);
  padding: 5px 0 10px;
}
h3 {
  font: 600 1.05rem/1.3 var(--serif);
}
</style>
