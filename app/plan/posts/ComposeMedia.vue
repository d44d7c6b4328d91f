<script setup lang="ts">
/** Pictures and videos of a post: sent from here or taken from those that are there, each with what it shows. */
import { FILE_TYPES, MOST_FILE_BYTES, MOST_MEDIA, type PlannedInput } from '~~/shared/plan/plannedPosts'
import type { KeptFile, PlanFileView } from '~~/shared/plan/planFiles'

const props = defineProps<{ base: string }>()
const { slug } = useClient()
const media = defineModel<PlannedInput['media']>({ required: true })
const files = defineModel<PlanFileView[]>('files', { required: true })
const locale = useLocale()
const chooser = useTemplateRef<HTMLInputElement>('chooser')
const problem = ref('')
const percent = ref<number>()
const known = (id: number) => files.value.find((file) => file.id === id)
const address = (id: number) => `${props.base}/plan/files/${id}`
function add(file: PlanFileView) {
  if (!known(file.id)) files.value = [...files.value, file]
  if (!media.value.some((each) => each.file === file.id)) media.value = [...media.value, { file: file.id, alt: '' }]
}
async function take(event: Event) {
  const input = event.target as HTMLInputElement
  problem.value = ''
  for (const file of [...(input.files ?? [])].slice(0, MOST_MEDIA - media.value.length)) {
    if (file.size > MOST_FILE_BYTES) {
      problem.value = `“${file.name}” is larger than ${MOST_FILE_BYTES / 1_000_000} MB. Make it smaller first.`
      continue
    }
    percent.value = 0
    try {
      const sent = `${props.base}/plan/files?name=${encodeURIComponent(file.name)}`
      add(await sendFile<PlanFileView>(sent, file, (now) => (percent.value = now)))
    } catch (error) {
      problem.value = (error as Error).message
    }
    percent.value = undefined
  }
  input.value = ''
}
const isLibrary = ref(false)
const words = ref('')
const { data } = useQuery({
  key: () => ['plan-files', props.base, words.value],
  query: () => api<{ files: KeptFile[] }>(`${props.base}/plan/files`, { query: { words: words.value } }),
  enabled: () => isLibrary.value,
  placeholderData: (previous) => previous,
})
/** The picture that is cut or turned. */
const cut = ref<PlanFileView>()
const isStill = (id: number) => {
  const file = known(id)
  return file !== undefined && file.type.startsWith('image/') && !file.isAnimated
}
/** What was cut stands where the whole picture stood, with the same words. */
function replace(before: number, file: PlanFileView) {
  if (!known(file.id)) files.value = [...files.value, file]
  media.value = media.value.map((each) => (each.file === before ? { ...each, file: file.id } : each))
  cut.value = undefined
}
function move(index: number, by: -1 | 1) {
  const all = [...media.value]
  const [one] = all.splice(index, 1)
  all.splice(index + by, 0, one!)
  media.value = all
}
</script>

<template>
  <section aria-labelledby="media-heading">
    <h2 id="media-heading" class="field-label">Pictures and video</h2>
    <ul>
      <li v-for="(shown, index) in media" :key="shown.file" class="row">
        <video v-if="known(shown.file)?.type.startsWith('video/')" :src="address(shown.file)" muted />
        <img v-else :src="address(shown.file)" alt="" />
        <div class="field words">
          <label :for="`alt-${shown.file}`">What {{ known(shown.file)?.name ?? 'it' }} shows</label>
          <InputText :id="`alt-${shown.file}`" v-model="shown.alt" size="small" fluid :maxlength="1000" />
          <small v-if="shown.alt === ''" class="quiet">For people who do not see it.</small>
        </div>
        <Button
          v-if="index > 0"
          type="button"
          label="Further to the front"
          text
          size="small"
          :aria-label="`${known(shown.file)?.name}: further to the front`"
          @click="move(index, -1)"
        />
        <Button
          v-if="isStill(shown.file)"
          type="button"
          label="Cut or turn"
          text
          size="small"
          aria-haspopup="dialog"
          :aria-label="`Cut or turn ${known(shown.file)?.name}`"
          @click="cut = known(shown.file)"
        />
        <Button
          type="button"
          label="Take away"
          text
          size="small"
          :aria-label="`Take ${known(shown.file)?.name} away`"
          @click="media = media.filter((_, each) => each !== index)"
        />
      </li>
    </ul>
    <div v-if="media.length < MOST_MEDIA" class="row">
      <input
        ref="chooser"
        type="file"
        class="hidden-but-read"
        aria-label="Choose pictures or a video"
        tabindex="-1"
        multiple
        :accept="FILE_TYPES.join(',')"
        @change="take"
      />
      <Button type="button" label="Choose a file" outlined size="small" @click="chooser?.click()" />
      <Button
        type="button"
        :label="isLibrary ? 'Close what is there' : 'From what is there'"
        text
        size="small"
        :aria-expanded="isLibrary"
        @click="isLibrary = !isLibrary"
      />
      <span v-if="percent !== undefined" class="quiet" role="status">{{ percent }} % sent</span>
    </div>
    <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
    <div v-if="isLibrary" class="library">
      <InputText v-model="words" size="small" aria-label="Words in the name" placeholder="Words in the name" />
      <p v-if="data && data.files.length === 0" class="quiet">
        {{ words ? 'No picture has these words in its name.' : 'There is none yet. What you choose is kept here.' }}
      </p>
      <ul class="row">
        <li v-for="file in data?.files ?? []" :key="file.id">
          <button type="button" class="bare" :aria-label="`Take ${file.name}`" @click="add(file)">
            <video v-if="file.type.startsWith('video/')" :src="address(file.id)" muted />
            <img v-else :src="address(file.id)" alt="" loading="lazy" />
            <small class="quiet">{{ file.name }}, {{ Math.ceil(file.bytes / 1000).toLocaleString(locale) }} kB</small>
          </button>
          <small v-if="file.posts.length" class="quiet">
            in
            <NuxtLink
              v-for="(post, index) in file.posts.slice(0, 3)"
              :key="post"
              :to="`/${slug}/calendar/${post}`"
              :aria-label="`${file.name} is in post ${post}`"
              >{{ index ? ', ' : '' }}post {{ post }}</NuxtLink
            ><template v-if="file.posts.length > 3"> and {{ file.posts.length - 3 }} more</template>
          </small>
          <small v-else class="quiet">in no post</small>
        </li>
      </ul>
    </div>
    <CutPictureDialog
      v-if="cut"
      :file="cut"
      :base="base"
      @close="cut = undefined"
      @cut="(file) => replace(cut!.id, file)"
    />
  </section>
</template>

<style scoped>
section {
  margin-bottom: 12px;
}
h2 {
  margin: 0 0 3px;
}
ul {
  list-style: none;
}
img,
video {
  width: 72px;
  height: 72px;
  object-fit: cover;
  border: 1px solid var(--rule2);
}
.words {
  flex: 1;
  min-width: 12rem;
  margin: 0;
}
.library {
  border: 1px solid var(--rule);
  padding: 8px;
  margin-top: 6px;
}
.library li {
  width: 110px;
}
.library small {
  display: block;
  overflow-wrap: anywhere;
}
</style>
