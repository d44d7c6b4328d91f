<script setup lang="ts">
/** In which lists that refill slots a post is. */
import type { Refill } from '~~/shared/plan/refills'

const props = defineProps<{ post: number }>()
const say = useSay()
const refresh = useRefresh()
const { slug, base } = useClient()
const { data, error } = useQuery({
  key: () => ['plan', slug.value, 'refills'],
  query: () => api<Refill[]>(`${base.value}/plan/refills`),
})
const isIn = (list: Refill) => list.posts.some(({ id }) => id === props.post)
const put = (list: Refill, inIt: boolean) =>
  api(`${base.value}/plan/refills/${list.id}/posts/${props.post}`, { method: 'PUT', body: { isIn: inIt } })
async function set(list: Refill, inIt: boolean) {
  try {
    await put(list, inIt)
    await refresh('plan')
    say.done(`The post is ${inIt ? 'in' : 'no longer in'} “${list.name}”.`, async () => {
      await put(list, !inIt)
      await refresh('plan')
    })
  } catch (problem) {
    say.problem(problem)
  }
}
</script>

<template>
  <section aria-labelledby="in-refills">
    <h2 id="in-refills">Does it keep its value?</h2>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <template v-else-if="data">
      <p class="quiet">
        {{
          data.length
            ? 'In a list it fills slots of the week again and again:'
            : 'Posts can fill slots again and again.'
        }}
        <NuxtLink :to="`/${slug}/calendar?refills=yes`">{{ data.length ? 'the lists' : 'make a list' }}</NuxtLink>
      </p>
      <label v-for="list in data" :key="list.id" class="row"
        ><Checkbox
          binary
          :model-value="isIn(list)"
          :input-id="`in-refill-${list.id}`"
          @update:model-value="(inIt: boolean) => set(list, inIt)"
        />{{ list.name }}</label
      >
    </template>
  </section>
</template>

<style scoped>
label.row {
  justify-content: flex-start;
}
</style>
