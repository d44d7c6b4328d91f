<script setup lang="ts">
/** What a post shows: its picture, with what is to be seen in words. */
import type { ListedPost } from '~~/shared/read/content'

const props = defineProps<{ slug: string; post: Pick<ListedPost, 'profile' | 'id' | 'alt'>; size: number }>()
/** A picture that is not here yet leaves its place empty. */
const isBroken = ref(false)
const source = computed(
  () => `/api/clients/${props.slug}/posts/${props.post.profile}/${encodeURIComponent(props.post.id)}/picture`,
)
watch(source, () => (isBroken.value = false))
</script>

<template>
  <img
    v-if="!isBroken"
    :src="source"
    :alt="post.alt ?? ''"
    :width="size"
    :height="size"
    loading="lazy"
    @error="isBroken = true"
  />
</template>

<style scoped>
img {
  flex: none;
  object-fit: cover;
  background: var(--band);
}
</style>
