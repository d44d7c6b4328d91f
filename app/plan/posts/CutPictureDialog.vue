<script setup lang="ts">
/** A picture is cut and turned, by pointer or by numbers; what comes of it is kept as a picture of its own. */
import Cropper from 'cropperjs'
import 'cropperjs/dist/cropper.css'
import type { PlanFileView } from '~~/shared/plan/planFiles'

const props = defineProps<{ file: PlanFileView; base: string }>()
const emit = defineEmits<{ close: []; cut: [file: PlanFileView] }>()
const picture = useTemplateRef<HTMLImageElement>('picture')
let cropper: Cropper | undefined
const RATIOS = [
  { value: 'free', name: 'as it comes', ratio: Number.NaN },
  { value: 'square', name: 'square', ratio: 1 },
  { value: 'upright', name: 'upright, 4 to 5', ratio: 4 / 5 },
  { value: 'wide', name: 'wide, 16 to 9', ratio: 16 / 9 },
  { value: 'tall', name: 'tall, 9 to 16', ratio: 9 / 16 },
]
const ratio = ref('free')
const box = reactive({ x: 0, y: 0, width: 0, height: 0 })
const FIELDS = [
  { key: 'x', label: 'From the left' },
  { key: 'y', label: 'From the top' },
  { key: 'width', label: 'Width' },
  { key: 'height', label: 'Height' },
] as const
const isReady = ref(false)
function begin() {
  cropper ??= new Cropper(picture.value!, {
    viewMode: 1,
    background: false,
    autoCropArea: 1,
    ready: () => (isReady.value = true),
    crop: ({ detail }) => {
      for (const { key } of FIELDS) box[key] = Math.round(detail[key])
    },
  })
}
onBeforeUnmount(() => cropper?.destroy())
function choose(value: string) {
  ratio.value = value
  cropper?.setAspectRatio(RATIOS.find((each) => each.value === value)!.ratio)
}
function setBox(key: (typeof FIELDS)[number]['key'], text: string) {
  const value = Number(text)
  if (Number.isFinite(value) && value >= 0) cropper?.setData({ ...cropper.getData(), [key]: value })
}
const { problem, isBusy, attempt } = useAttempt()
/** A photograph stays one; everything else keeps what can be seen through. */
const type = computed(() => (props.file.type === 'image/jpeg' ? 'image/jpeg' : 'image/png'))
const keep = () =>
  attempt(async () => {
    const canvas = cropper!.getCroppedCanvas({ maxWidth: 4096, maxHeight: 4096 })
    const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, type.value, 0.92))
    if (!blob) throw new Error('The browser could not make the picture. Choose a smaller part of it.')
    const name = props.file.name.replace(/\.\w+$/, '').replace(/( \(part\))?$/, ' (part)')
    const sent = `${props.base}/plan/files?name=${encodeURIComponent(`${name}.${type.value === 'image/jpeg' ? 'jpg' : 'png'}`)}`
    emit('cut', await sendFile<PlanFileView>(sent, new File([blob], name, { type: type.value }), () => undefined))
  })
</script>

<template>
  <OpeningDialog :label="`Cut or turn ${file.name}`" width="44rem" @close="emit('close')">
    <div class="stage">
      <img ref="picture" :src="`${base}/plan/files/${file.id}`" alt="The whole picture" @load="begin" />
    </div>
    <form novalidate @submit.prevent.stop="keep">
      <div class="row tools">
        <Select
          :model-value="ratio"
          :options="RATIOS"
          option-label="name"
          option-value="value"
          size="small"
          aria-label="Shape"
          @update:model-value="choose"
        />
        <Button
          type="button"
          label="Turn left"
          outlined
          size="small"
          :disabled="!isReady"
          @click="cropper?.rotate(-90)"
        />
        <Button
          type="button"
          label="Turn right"
          outlined
          size="small"
          :disabled="!isReady"
          @click="cropper?.rotate(90)"
        />
        <Button
          type="button"
          label="The whole again"
          text
          size="small"
          :disabled="!isReady"
          @click="cropper?.reset()"
        />
      </div>
      <div class="row tools">
        <div v-for="{ key, label } in FIELDS" :key="key" class="field">
          <label :for="`cut-${key}`">{{ label }}, pixels</label>
          <InputText
            :id="`cut-${key}`"
            :model-value="String(box[key])"
            size="small"
            inputmode="numeric"
            class="short"
            :disabled="!isReady"
            @change="setBox(key, ($event.target as HTMLInputElement).value)"
          />
        </div>
      </div>
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      <Button type="submit" label="Take this part" :loading="isBusy" :disabled="!isReady" />
    </form>
  </OpeningDialog>
</template>

<style scoped>
.stage {
  height: 340px;
  background: var(--band);
}
img {
  display: block;
  max-width: 100%;
  max-height: 340px;
}
:deep(.cropper-view-box) {
  outline-color: var(--zaffer);
}
:deep(.cropper-line),
:deep(.cropper-point) {
  background-color: var(--zaffer);
  opacity: 1;
}
:deep(.cropper-line) {
  opacity: 0.1;
}
:deep(.cropper-dashed),
:deep(.cropper-center) {
  display: none;
}
.tools {
  justify-content: flex-start;
  margin: 8px 0;
}
.short {
  width: 5.5rem;
}
</style>
