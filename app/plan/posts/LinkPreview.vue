<script setup lang="ts">
/** What stands for the page that a post links to: read from it, written otherwise, with another picture or none. */
import { MOST_FILE_BYTES, previewSchema, type LinkPreview } from '~~/shared/plan/plannedPosts'
import type { PlanFileView } from '~~/shared/plan/planFiles'

const props = defineProps<{ link: string; base: string }>()
const preview = defineModel<LinkPreview | null>({ required: true })
const files = defineModel<PlanFileView[]>('files', { required: true })
const { problem, isBusy, attempt } = useAttempt()
const remark = ref('')
const chooser = useTemplateRef<HTMLInputElement>('chooser')
const hold = (file: PlanFileView | undefined) => {
  if (file && !files.value.some(({ id }) => id === file.id)) files.value = [...files.value, file]
}
const read = () =>
  attempt(async () => {
    remark.value = ''
    const answer = await api<{ preview: LinkPreview; file?: PlanFileView; remark: string }>(
      `${props.base}/plan/link-preview`,
      { method: 'POST', body: { address: props.link } },
    )
    hold(answer.file)
    preview.value = answer.preview
    remark.value = answer.remark
  })
const write = () => (preview.value = { ...previewSchema.getDefault(), address: props.link })
const take = (event: Event) =>
  attempt(async () => {
    const input = event.target as HTMLInputElement
    const [file] = input.files ?? []
    input.value = ''
    if (!file) return
    if (file.size > MOST_FILE_BYTES)
      throw new Error(`“${file.name}” is larger than ${MOST_FILE_BYTES / 1_000_000} MB. Make it smaller first.`)
    const sent = `${props.base}/plan/files?name=${encodeURIComponent(file.name)}`
    const taken = await sendFile<PlanFileView>(sent, file, () => undefined)
    hold(taken)
    preview.value!.picture = taken.id
  })
</script>

<template>
  <section aria-labelledby="preview-of-link">
    <h2 id="preview-of-link" class="field-label">What stands for the page</h2>
    <template v-if="preview">
      <div class="row parts">
        <img v-if="preview.picture" :src="`${base}/plan/files/${preview.picture}`" alt="The picture of the page" />
        <div class="words">
          <InputText
            v-model="preview.title"
            size="small"
            fluid
            :maxlength="200"
            aria-label="Title of the page"
            placeholder="Title"
          />
          <Textarea
            v-model="preview.description"
            rows="2"
            auto-resize
            fluid
            :maxlength="500"
            aria-label="Description of the page"
            placeholder="Description"
          />
        </div>
      </div>
      <p v-if="preview.address !== link" class="field-error">
        It was read from another address. Read it again, or write what fits.
      </p>
      <p v-if="remark" class="quiet" role="status">{{ remark }}</p>
    </template>
    <p v-else class="quiet">The network chooses itself what it shows of the page.</p>
    <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
    <div class="row">
      <Button
        type="button"
        :label="preview ? 'Read it again' : 'Read it from the page'"
        outlined
        size="small"
        :loading="isBusy"
        @click="read"
      />
      <template v-if="preview">
        <input
          ref="chooser"
          type="file"
          class="hidden-but-read"
          aria-label="Choose a picture for the page"
          tabindex="-1"
          accept="image/jpeg,image/png,image/webp"
          @change="take"
        />
        <Button type="button" label="Another picture" text size="small" @click="chooser?.click()" />
        <Button
          v-if="preview.picture"
          type="button"
          label="Without a picture"
          text
          size="small"
          @click="preview.picture = null"
        />
        <Button type="button" label="Leave it to the network" text size="small" @click="preview = null" />
      </template>
      <Button v-else type="button" label="Write it" text size="small" @click="write" />
    </div>
  </section>
</template>

<style scoped>
section {
  margin-bottom: 12px;
}
h2 {
  margin: 0 0 3px;
}
img {
  width: 120px;
  height: 72px;
  object-fit: cover;
  border: 1px solid var(--rule2);
}
.parts {
  margin-bottom: 6px;
  align-items: flex-start;
  justify-content: flex-start;
}
.words {
  flex: 1;
  display: grid;
  gap: 4px;
}
</style>
