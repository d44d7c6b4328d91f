<script setup lang="ts">
import { describeDay } from '~~/core/periods/describePeriod'
import { PLAN_STATE_NAMES } from '~~/core/plan/postStates'
import type { ApprovalView } from '~~/shared/plan/plannedPosts'

definePageMeta({ shell: 'plain' })
useHead({ title: 'A post to approve' })
const address = `/api/approve/${String(useRoute().params.token)}`
const { data, error, refetch } = useQuery({ key: () => ['approval', address], query: () => api<ApprovalView>(address) })
const remark = ref('')
const problem = ref('')
const said = ref('')
const isBusy = ref(false)
async function answer(isApproved: boolean) {
  problem.value = ''
  if (!isApproved && remark.value.trim() === '') {
    problem.value = 'Say what should be changed.'
    return
  }
  isBusy.value = true
  try {
    await api(address, { method: 'POST', body: { isApproved, version: data.value!.version, remark: remark.value } })
    said.value = isApproved ? 'Thank you. The post is approved.' : 'Thank you. The agency has your remark.'
  } catch (fault) {
    problem.value = (fault as Error).message
  }
  await refetch()
  isBusy.value = false
}
</script>

<template>
  <div class="page">
    <h1 v-if="error" class="heading">This page is not there</h1>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <template v-if="data">
      <h1 class="heading">A post of {{ data.client }}, for {{ data.reader }} to approve</h1>
      <p>
        <template v-if="data.at"
          >It goes out on {{ describeDay(data.at.slice(0, 10)) }} at {{ data.at.slice(11) }}
          <span class="quiet">({{ data.timeZone }})</span>.</template
        ><template v-else>When it goes out is not set yet.</template>
      </p>
      <p v-if="data.content.heading">
        <b>{{ data.content.heading }}</b>
      </p>
      <section v-for="(posting, index) in data.postings" :key="index" :aria-label="posting.networkName">
        <h2>{{ posting.profileName }} on {{ posting.networkName }}</h2>
        <p class="text">{{ posting.text || 'Without a text' }}</p>
      </section>
      <p v-if="data.content.link" class="text">It leads to {{ data.content.link }}</p>
      <template v-for="shown in data.media" :key="shown.index">
        <video v-if="shown.type.startsWith('video/')" :src="`${address}/pictures/${shown.index}`" controls />
        <img v-else :src="`${address}/pictures/${shown.index}`" :alt="shown.alt" />
      </template>
      <p v-if="said" role="status">{{ said }}</p>
      <form v-else-if="data.state === 'waiting'" novalidate @submit.prevent="answer(true)">
        <div class="field">
          <label for="reader-remark">Remark</label>
          <Textarea id="reader-remark" v-model="remark" rows="3" auto-resize fluid :maxlength="2000" />
        </div>
        <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
        <div class="row">
          <Button type="submit" label="Approve" :disabled="isBusy" />
          <Button type="button" label="Ask for changes" outlined :disabled="isBusy" @click="answer(false)" />
        </div>
      </form>
      <p v-else>It does not wait for approval just now: it is {{ PLAN_STATE_NAMES[data.state] }}.</p>
    </template>
  </div>
</template>

<style scoped>
.page {
  max-width: 40rem;
  margin: 0 auto;
  padding: 16px;
}
section {
  border: 1px solid var(--rule2);
  background: var(--paper);
  padding: 10px 12px;
  margin: 12px 0;
}
h2 {
  font: 600 var(--text-label) var(--sans);
}
.text {
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
img,
video {
  max-width: 100%;
}
</style>
