<script setup lang="ts">
import type { Preview } from '~~/shared/report/preview'
import type { SharedEdition } from '~~/shared/report/editions'

/** The next edition exactly as it would be issued, and what is missing in it; only what was seen here is issued. */
const props = defineProps<{ address: string; isIssuing: boolean }>()
const emit = defineEmits<{ close: []; issue: [sha256: string] }>()
const preview = ref<Preview>()
const problem = ref('')
const edition = computed<SharedEdition | undefined>(
  () =>
    preview.value && {
      number: preview.value.number,
      title: preview.value.content.title,
      issuedAt: new Date(),
      sha256: preview.value.sha256,
      isIntact: true,
      hasPdf: false,
      pdfSha256: null,
      content: preview.value.content,
      supersededBy: null,
      supersedes: [],
    },
)
const isBroken = computed(() => preview.value?.content.blocks.some(({ kind }) => kind === 'broken') ?? false)
onMounted(async () => {
  preview.value = await api<Preview>(`${props.address}/preview`).catch((error: Error) => {
    problem.value = error.message
    return undefined
  })
})
</script>

<template>
  <OpeningDialog label="The edition as it will be issued" width="min(64rem, 94vw)" @close="emit('close')">
    <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
    <p v-else-if="!preview" class="quiet" role="status">Working out the figures …</p>
    <template v-else>
      <div class="row top">
        <Button
          :label="`Issue edition ${preview.number}`"
          :loading="isIssuing"
          :disabled="isBroken"
          @click="emit('issue', preview.sha256)"
        />
        <Button label="Not yet" text @click="emit('close')" />
      </div>
      <section aria-labelledby="missing-heading">
        <h2 id="missing-heading" class="heading">
          {{ preview.missing.length === 0 ? 'Nothing is missing in it' : 'What is missing in it' }}
        </h2>
        <ul v-if="preview.missing.length">
          <li v-for="sentence in preview.missing" :key="sentence">{{ sentence }}</li>
        </ul>
        <p v-if="isBroken" class="field-error">A part cannot be filled. Mend or remove it, then issue.</p>
      </section>
      <div class="paper"><ReportView :edition="edition!" is-preview /></div>
    </template>
  </OpeningDialog>
</template>

<style scoped>
.top {
  justify-content: flex-start;
  margin-bottom: 10px;
}
ul {
  padding-left: 20px;
}
.paper {
  border: 1px solid var(--rule2);
  padding: 18px 22px;
  margin-top: 14px;
  background: var(--paper);
}
</style>
