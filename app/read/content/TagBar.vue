<script setup lang="ts">
/** What can be done with the posts that are chosen: a tag is set on them by hand, or taken away. */
import type { ListedPost } from '~~/shared/read/content'
import { MOST_BY_HAND, type TagView } from '~~/shared/read/tags'

const props = defineProps<{ chosen: Pick<ListedPost, 'profile' | 'id'>[]; total: number; tags: readonly TagView[] }>()
const emit = defineEmits<{ none: []; everything: [] }>()
const say = useSay()
const refresh = useRefresh()
const { base } = useClient()
const locale = useLocale()
const tag = ref<number>()
const name = ref('')
const isNew = ref(false)
const isBusy = ref(false)
const NEW = 0
const choices = computed(() => [
  ...props.tags.map(({ id, name: label }) => ({ id, name: label })),
  { id: NEW, name: 'A new tag …' },
])
const many = computed(
  () => `${props.chosen.length.toLocaleString(locale)} ${props.chosen.length === 1 ? 'post' : 'posts'}`,
)
const nameOf = (id: number) => props.tags.find((each) => each.id === id)?.name ?? name.value

function pick(id: number) {
  isNew.value = id === NEW
  tag.value = id === NEW ? undefined : id
}
async function put(id: number, posts: { profile: number; id: string }[], isSet: boolean) {
  const { changed } = await api<{ changed: { profile: number; id: string }[] }>(`${base.value}/tags/${id}/posts`, {
    method: 'PUT',
    body: { posts, isSet },
  })
  await refresh('tags')
  return changed
}
async function set(isSet: boolean) {
  isBusy.value = true
  try {
    const posts = props.chosen.map(({ profile, id }) => ({ profile, id }))
    const id =
      tag.value ??
      (
        await api<{ id: number }>(`${base.value}/tags`, {
          method: 'POST',
          body: { name: name.value, colour: 1 + (props.tags.length % 8) },
        })
      ).id
    const label = nameOf(id)
    const changed = await put(id, posts, isSet)
    tag.value = id
    isNew.value = false
    const count = `${changed.length.toLocaleString(locale)} ${changed.length === 1 ? 'post' : 'posts'}`
    if (changed.length === 0)
      return say.done(isSet ? `All of them have “${label}” by hand already.` : `None of them has “${label}” by hand.`)
    say.done(isSet ? `“${label}” is set on ${count}.` : `“${label}” is taken away from ${count}.`, async () => {
      await put(id, changed, !isSet)
    })
  } catch (problem) {
    say.problem(problem)
  } finally {
    isBusy.value = false
  }
}
</script>

<template>
  <div class="bar row no-print" role="group" aria-label="Posts that are chosen">
    <b aria-live="polite">{{ many }} chosen</b>
    <Button
      v-if="chosen.length < total && total <= MOST_BY_HAND"
      :label="`Choose all ${total.toLocaleString(locale)}`"
      text
      size="small"
      @click="emit('everything')"
    />
    <span v-else-if="chosen.length < total" class="quiet"
      >For more than {{ MOST_BY_HAND.toLocaleString(locale) }} posts make a rule, under Tags.</span
    >
    <Select
      :model-value="isNew ? NEW : tag"
      :options="choices"
      option-label="name"
      option-value="id"
      size="small"
      placeholder="A tag"
      aria-label="Which tag"
      @update:model-value="pick"
    />
    <InputText v-if="isNew" v-model="name" size="small" aria-label="Name of the new tag" placeholder="Name" />
    <Button
      label="Set the tag"
      size="small"
      :disabled="isNew ? name.trim() === '' : tag === undefined"
      :loading="isBusy"
      @click="set(true)"
    />
    <Button label="Take it away" size="small" outlined :disabled="tag === undefined" @click="set(false)" />
    <Button label="Choose none" text size="small" @click="emit('none')" />
  </div>
</template>

<style scoped>
.bar {
  position: sticky;
  top: 0;
  z-index: 2;
  background: var(--wash);
  border-block: 1px solid var(--zaffer);
  padding: 5px 8px;
}
</style>
