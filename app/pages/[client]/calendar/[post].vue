<script setup lang="ts">
import { ValidationError } from 'yup'
import { describeDay } from '~~/core/periods/describePeriod'
import { linkHint } from '~~/core/plan/networkRules'
import { isDay } from '~~/core/days/day'
import type { PlanFileView } from '~~/shared/plan/planFiles'
import type { PostView } from '~~/shared/read/post'
import { plannedSchema, type PlannedPost, type PlanSettings, type PlanTarget } from '~~/shared/plan/plannedPosts'
import { extrasOf, formOf, givenTo, standings } from '~/plan/posts/composed'

definePageMeta({ margin: true })
const route = useRoute()
const router = useRouter()
const say = useSay()
const shell = useShell()
const session = useSession()
const locale = useLocale()
const refresh = useRefresh()
const { slug, base } = useClient()
const isNew = computed(() => route.params.post === 'new')
const address = computed(() => `${base.value}/plan/posts/${String(route.params.post)}`)
useHead({ title: () => `${isNew.value ? 'New post' : 'Planned post'} · Zaffer` })
const { data: choices, error: choicesError } = useQuery({
  key: () => ['plan', slug.value, 'choices'],
  query: () => api<{ targets: PlanTarget[]; settings: PlanSettings }>(`${base.value}/plan/choices`),
})
const {
  data: post,
  error,
  refetch,
} = useQuery({
  key: () => ['planned', slug.value, String(route.params.post)],
  query: () => api<PlannedPost>(address.value),
  enabled: () => !isNew.value,
})
const form = ref(formOf())
const files = ref<PlanFileView[]>([])
const kept = useKeptForm(isNew.value ? `plan:${slug.value}:new` : '', form.value)
/** The form as it was last kept, to know what is changed. */
const begun = ref('')
const isChanged = computed(() => begun.value !== JSON.stringify(form.value))
function fill(known: PlannedPost) {
  Object.assign(form.value, formOf(known))
  files.value = known.files
  begun.value = JSON.stringify(form.value)
}
watch(post, (known) => known && (begun.value === '' || !isChanged.value) && fill(known), { immediate: true })
const day = computed({
  get: () => form.value.at.slice(0, 10),
  set: (value) => (form.value.at = joined(value, time.value)),
})
const time = computed({
  get: () => form.value.at.slice(11),
  set: (value) => (form.value.at = joined(day.value, value)),
})
const USUAL_TIME = '09:00'
const joined = (onDay: string, atTime: string) => (isDay(onDay) ? `${onDay}T${atTime || USUAL_TIME}` : '')
onMounted(async () => {
  if (!isNew.value) return
  const at = String(route.query.at ?? '')
  if (/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/.test(at)) form.value.at = at
  const like = /^(\d{1,10})\/([\w.:-]{1,40})$/.exec(String(route.query.like ?? ''))
  if (!like) return
  try {
    const { post: model } = await api<PostView>(`${base.value}/posts/${like[1]}/${like[2]}`)
    form.value.text = model.text
    const own = { profile: Number(like[1]), text: null, isByHand: false }
    if (!form.value.postings.some(({ profile }) => profile === own.profile))
      form.value.postings = [...form.value.postings, own]
  } catch (problem) {
    say.problem(problem)
  }
})
const stands = computed(() => standings(form.value, choices.value?.targets ?? [], files.value, locale))
const extras = computed(() => extrasOf(stands.value.map(({ target }) => target.network)))
const fieldsOf = (field: string) => [
  ...new Set(
    stands.value.flatMap(({ problems }) =>
      problems.filter((each) => each.field === field).map(({ sentence }) => sentence),
    ),
  ),
]
const hints = computed(() => [
  ...new Set(stands.value.map(({ target }) => linkHint(form.value, target.network)).filter(Boolean)),
])
const problems = ref<Record<string, string>>({})
const isBusy = ref(false)
async function keep() {
  problems.value = {}
  isBusy.value = true
  try {
    const body = plannedSchema.validateSync(form.value, { abortEarly: false, stripUnknown: true })
    if (isNew.value) {
      const { id } = await api<{ id: number }>(`${base.value}/plan/posts`, { method: 'POST', body })
      kept.forget()
      say.done('The post is kept as a draft.')
      await router.replace(`/${slug.value}/calendar/${id}`)
    } else {
      const { state } = await api<{ state: string }>(address.value, {
        method: 'PUT',
        body: { ...body, version: post.value!.version },
      })
      begun.value = JSON.stringify(form.value)
      await refetch()
      say.done(
        state === 'waiting' && post.value?.state === 'waiting' ? 'Kept. It waits for approval.' : 'The post is kept.',
      )
    }
    await refresh('plan')
  } catch (problem) {
    problems.value =
      problem instanceof ValidationError ? problemsOf(problem, 'all') : { all: (problem as Error).message }
  }
  isBusy.value = false
}
async function changed() {
  await refetch()
  await refresh('plan')
}
const remove = useRemoval(() => refresh('plan'))
async function removeIt() {
  await router.push(`/${slug.value}/calendar`)
  await remove(address.value, 'The post was removed.')
}
async function copy() {
  try {
    const { id } = await api<{ id: number }>(`${address.value}/copies`, { method: 'POST' })
    await router.push(`/${slug.value}/calendar/${id}`)
    say.done('This is the copy: a draft without a time.')
  } catch (problem) {
    say.problem(problem)
  }
}
const back = computed(() => ({ path: `/${slug.value}/calendar`, query: day.value ? { on: day.value } : {} }))
const takeSlot = (at: string) => (form.value.at = at)
/** A hashtag stands at the end of the text, once. */
function takeHashtag(tag: string) {
  const text = form.value.text.trimEnd()
  form.value.text = text === '' ? `#${tag}` : `${text} #${tag}`
}
const isRepeated = ref(false)
const preview = ref(0)
const shown = computed(() => stands.value[Math.min(preview.value, stands.value.length - 1)])
const shownOn = computed(() =>
  stands.value.map(({ target }, index) => ({ value: index, name: `${target.name}, ${target.networkName}` })),
)
const pictures = computed(() => form.value.media.map(({ file }) => `${base.value}/plan/files/${file}`))
/** What stands for the page that is linked to, where the post shows nothing else. */
const page = computed(() => {
  const { preview, link, media } = form.value
  if (!preview || link === '' || media.length > 0) return undefined
  const picture = preview.picture === null ? undefined : `${base.value}/plan/files/${preview.picture}`
  return { title: preview.title, description: preview.description, picture }
})
const isNarrow = ref(false)
const KINDS = ['', 'news', 'event', 'offer', 'product'].map((value) => ({ value, name: value || 'choose' }))
const isClosed = computed(() => post.value?.state === 'published' || post.value?.state === 'publishing')
const margin = computed(() => shell.marginPlace)
const mayWrite = computed(() => session.mayWrite)
</script>

<template>
  <div>
    <p><NuxtLink :to="back">Calendar</NuxtLink></p>
    <h1 class="heading">
      {{ isNew ? 'A new post' : form.at ? `A post for ${describeDay(day)}, ${time}` : 'A post without a time' }}
    </h1>
    <p v-if="error || choicesError" role="alert">{{ (error ?? choicesError)!.message }}</p>
    <TypedBefore :is-back="kept.isBack.value" @anew="kept.beginAnew" />
    <form v-if="choices && (isNew || post)" novalidate @submit.prevent="keep">
      <fieldset :disabled="isClosed || !mayWrite" class="whole">
        <ComposeProfiles v-model="form.postings" :targets="choices.targets" />
        <ComposeTexts v-model="form" :standings="stands" :problems="problems" />
        <div v-if="extras.kind" class="row">
          <div class="field">
            <label for="post-kind">Kind on the listing</label>
            <Select
              v-model="form.kind"
              input-id="post-kind"
              :options="KINDS"
              option-label="name"
              option-value="value"
              size="small"
              aria-label="Kind on the listing"
            />
          </div>
          <template v-if="form.kind === 'event' || form.kind === 'offer'">
            <DayField id="post-starts" v-model="form.startsOn" label="From" :problem="problems.startsOn" />
            <DayField id="post-ends" v-model="form.endsOn" label="To" :problem="problems.endsOn" />
          </template>
          <div class="field">
            <label for="post-action">What its link asks for</label>
            <InputText
              id="post-action"
              v-model="form.action"
              size="small"
              placeholder="Book, call, learn more"
              :maxlength="40"
            />
          </div>
        </div>
        <p v-for="sentence in fieldsOf('kind')" :key="sentence" class="field-error">{{ sentence }}</p>
        <div v-if="extras.heading" class="field">
          <label for="post-heading">Heading</label>
          <InputText id="post-heading" v-model="form.heading" fluid :maxlength="200" />
          <p v-for="sentence in fieldsOf('heading')" :key="sentence" class="field-error">{{ sentence }}</p>
        </div>
        <div v-if="extras.collection" class="field">
          <label for="post-collection">Collection</label>
          <InputText id="post-collection" v-model="form.collection" fluid :maxlength="100" />
          <p v-for="sentence in fieldsOf('collection')" :key="sentence" class="field-error">{{ sentence }}</p>
        </div>
        <div class="field">
          <label for="post-link">Link</label>
          <InputText id="post-link" v-model="form.link" fluid placeholder="https://" :invalid="!!problems.link" />
          <p v-if="problems.link" class="field-error" role="alert">{{ problems.link }}</p>
          <p v-for="sentence in hints" :key="sentence" class="quiet">{{ sentence }}</p>
        </div>
        <ShortLink
          v-if="form.link"
          v-model="form.link"
          :name="form.heading || form.text"
          @moved="(from, to) => form.preview?.address === from && (form.preview.address = to)"
        />
        <LinkPreview v-if="form.link" v-model="form.preview" v-model:files="files" :link="form.link" :base="base" />
        <ComposeMedia v-model="form.media" v-model:files="files" :base="base" />
        <p v-for="sentence in fieldsOf('media')" :key="sentence" class="field-error">{{ sentence }}</p>
        <div class="row when">
          <DayField id="post-day" v-model="day" label="Day" />
          <div class="field">
            <label for="post-time">Time, on the client’s clocks</label>
            <InputText id="post-time" v-model="time" type="time" size="small" :disabled="!day" />
          </div>
          <Button v-if="form.at" type="button" label="Without a time" text size="small" @click="form.at = ''" />
          <label v-if="isNew || post?.state === 'idea' || post?.state === 'draft'" class="row"
            ><Checkbox v-model="form.isIdea" binary input-id="post-idea" />only an idea yet</label
          >
        </div>
        <p v-if="problems.at || problems.postings" class="field-error" role="alert">
          {{ problems.at ?? problems.postings }}
        </p>
        <p v-if="problems.all" class="field-error" role="alert">{{ problems.all }}</p>
        <div class="row">
          <Button
            type="submit"
            :label="isNew ? 'Keep the draft' : 'Keep the changes'"
            :disabled="isBusy || (!isNew && !isChanged)"
          />
          <template v-if="post">
            <Button
              type="button"
              label="Repeat"
              text
              size="small"
              aria-haspopup="dialog"
              :disabled="isChanged || !form.at || !!post.series"
              @click="isRepeated = true"
            />
            <Button type="button" label="Copy" text size="small" :disabled="isChanged" @click="copy" />
            <Button type="button" label="Remove" text size="small" @click="removeIt" />
          </template>
        </div>
      </fieldset>
    </form>
    <section v-if="shown" class="preview" aria-labelledby="preview-heading">
      <div class="row">
        <h2 id="preview-heading" class="heading">How it reads</h2>
        <Select
          :model-value="Math.min(preview, stands.length - 1)"
          :options="shownOn"
          option-label="name"
          option-value="value"
          size="small"
          aria-label="On which profile"
          @update:model-value="(index: number) => (preview = index)"
        />
        <label class="row"
          ><Checkbox v-model="isNarrow" binary input-id="preview-narrow" />as narrow as a telephone</label
        >
      </div>
      <PostPreview
        :target="shown.target"
        :content="givenTo(form, shown.target.id, files)"
        :action="form.action"
        :pictures="pictures"
        :page="page"
        :is-narrow="isNarrow"
      />
    </section>
    <RepeatDialog
      v-if="isRepeated && post"
      :address="address"
      :first="form.at"
      @close="isRepeated = false"
      @done="changed"
    />
    <Teleport v-if="margin" :to="margin">
      <PostSteps
        v-if="post"
        class="workings"
        :post="post"
        :address="address"
        :may-write="mayWrite"
        :is-changed="isChanged"
        @changed="changed"
      />
      <InRefills v-if="post && mayWrite" class="workings" :post="post.id" />
      <OwnSlots v-if="mayWrite && !isClosed" class="workings" @take="takeSlot" />
      <SlotsToCome v-if="mayWrite && !isClosed" class="workings" :day="day" @take="takeSlot" />
      <HashtagsBrought v-if="mayWrite && !isClosed" class="workings" :text="form.text" @take="takeHashtag" />
    </Teleport>
  </div>
</template>

<style scoped>
.whole {
  border: 0;
  margin: 12px 0 0;
  padding: 0;
  min-width: 0;
  max-width: 46rem;
}
.when {
  align-items: center;
}
.preview {
  margin-top: 20px;
}
.preview .row {
  margin-bottom: 8px;
}
</style>
