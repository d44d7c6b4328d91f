<script setup lang="ts">
/** Lists of posts that keep their value: what each fills, what comes next, and how it is made and changed. */
import { describeDay } from '~~/core/periods/describePeriod'
import type { Refill } from '~~/shared/plan/refills'
import { refillWords } from './refillWords'

const emit = defineEmits<{ close: [] }>()
const { slug, base } = useClient()
const refresh = useRefresh()
const say = useSay()
const { data, error } = useQuery({
  key: () => ['plan', slug.value, 'refills'],
  query: () => api<Refill[]>(`${base.value}/plan/refills`),
})
const remove = useRemoval(() => refresh('plan'))
/** The list that is written in the form: an id, or 'new'. */
const written = ref<number | 'new'>()
async function takeOut(list: Refill, post: number) {
  const put = async (isIn: boolean) => {
    await api(`${base.value}/plan/refills/${list.id}/posts/${post}`, { method: 'PUT', body: { isIn } })
    await refresh('plan')
  }
  try {
    await put(false)
    say.done(`The post is no longer in “${list.name}”.`, () => put(true))
  } catch (problem) {
    say.problem(problem)
  }
}
const when = (at: string) => `${describeDay(at.slice(0, 10))}, ${at.slice(11)}`
async function kept() {
  written.value = undefined
  await refresh('plan')
}
</script>

<template>
  <OpeningDialog label="Refilled slots" width="42rem" @close="emit('close')">
    <p>
      Posts that keep their value fill times of the week again and again: each slot takes the post that was used least
      recently. A post is put into a list on its own page.
    </p>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="data?.length === 0 && written === undefined" class="quiet">No list yet.</p>
    <section v-for="list in data ?? []" :key="list.id" :aria-label="list.name">
      <div class="row">
        <h3>{{ list.name }}</h3>
        <Button
          type="button"
          label="Change"
          text
          size="small"
          :aria-label="`Change ${list.name}`"
          @click="written = list.id"
        />
        <Button
          type="button"
          label="Remove"
          text
          size="small"
          :aria-label="`Remove ${list.name}`"
          @click="remove(`${base}/plan/refills/${list.id}`, `“${list.name}” was removed; what it has filled stays.`)"
        />
      </div>
      <RefillForm v-if="written === list.id" :list="list" @kept="kept" @stop="written = undefined" />
      <template v-else>
        <p>{{ refillWords(list) }}</p>
        <p v-if="list.posts.length === 0" class="quiet">No post is in it yet: open one, and put it into the list.</p>
        <h4 v-else>In the list</h4>
        <ul v-if="list.posts.length" :aria-label="`Posts of ${list.name}`">
          <li v-for="post in list.posts" :key="post.id">
            <NuxtLink :to="`/${slug}/calendar/${post.id}`">{{ post.text || 'Without a text' }}</NuxtLink>
            <span class="quiet">{{ post.usedAt ? ` latest use ${when(post.usedAt)}` : ' not used yet' }}</span>
            <Button
              type="button"
              label="Take out"
              text
              size="small"
              :aria-label="`Take out ${post.text}`"
              @click="takeOut(list, post.id)"
            />
          </li>
        </ul>
        <h4 v-if="list.coming.length">Slots to come</h4>
        <ol v-if="list.coming.length" :aria-label="`What ${list.name} fills next`">
          <li v-for="slot in list.coming" :key="slot.at">
            {{ when(slot.at) }}:
            <NuxtLink v-if="slot.planned" :to="`/${slug}/calendar/${slot.planned}`">{{ slot.text }}</NuxtLink>
            <span v-else class="quiet">stays empty, no post of the list has rested long enough</span>
          </li>
        </ol>
      </template>
    </section>
    <RefillForm v-if="written === 'new'" @kept="kept" @stop="written = undefined" />
    <Button v-else type="button" label="One more list" outlined size="small" @click="written = 'new'" />
  </OpeningDialog>
</template>

<style scoped>
section {
  border-top: 1px solid var(--rule);
  padding: 8px 0;
}
h3 {
  flex: 1;
}
h4 {
  color: var(--ink2);
  font-size: var(--text-label);
  margin-top: 8px;
}
ul,
ol {
  list-style: none;
  margin: 2px 0 6px;
}
</style>
