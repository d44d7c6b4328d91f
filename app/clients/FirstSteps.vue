<script setup lang="ts">
/** What to do in the first ten minutes, ticked as it is done; put away, it does not come back. */
const session = useSession()
const { done, isAway, isNewAgency, putAway } = useFirstSteps()
const slug = computed(() => session.session?.clients[0]?.slug ?? '')
const isOwner = computed(() => session.session?.person.role === 'owner')
const place = ({ path }: { path: string }) => (!path || !slug.value ? '/agency' : `/${slug.value}/${path}`)
const start = computed(() => (isOwner.value && (isNewAgency.value || !slug.value) ? START_STEPS : []))
const steps = computed(() => [
  ...start.value,
  ...FIRST_STEPS.filter(
    ({ needs, roles }) => session.may(slug.value, needs) && (!roles || roles.includes(session.session!.person.role)),
  ),
])
const isAll = computed(() => steps.value.every(({ id }) => done.value.includes(id)))
/** What was put away is not shown for a moment by a page that was drawn on the server, which does not know of it. */
if (import.meta.server) {
  const key = JSON.stringify(firstStepsKey(session.session?.person.email ?? '')).replaceAll('<', '\\u003c')
  const hide = `if(JSON.parse(localStorage.getItem(${key})||'{}').isAway)document.documentElement.classList.add('first-away')`
  useHead({ script: [{ innerHTML: `try{${hide}}catch(e){}`, tagPosition: 'head' }] })
}
onMounted(() => nextTick(() => document.documentElement.classList.remove('first-away')))
</script>

<template>
  <section v-if="steps.length && !isAway" aria-labelledby="first-heading" class="first no-print">
    <div class="row">
      <h2 id="first-heading" class="heading">
        {{ isAll ? 'That was the first ten minutes' : 'The first ten minutes' }}
      </h2>
      <button type="button" class="bare link" @click="putAway">Put this away</button>
    </div>
    <ol>
      <li v-for="step in steps" :key="step.id" :class="{ done: done.includes(step.id) }">
        <span aria-hidden="true">{{ done.includes(step.id) ? '✓' : '○' }}</span
        >{{ ' ' }} <NuxtLink :to="place(step)">{{ step.words }}</NuxtLink
        ><span class="hidden-but-read">{{ done.includes(step.id) ? ', done' : ', not done yet' }}</span>
      </li>
    </ol>
  </section>
</template>

<style>
.first-away .first {
  display: none;
}
</style>
<style scoped>
.first {
  border-bottom: 1px solid var(--rule2);
  padding-bottom: 10px;
  margin-bottom: 12px;
}
ol {
  list-style: none;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(26rem, 1fr));
  gap: 4px 24px;
  margin-top: 4px;
}
.done a {
  color: var(--ink2);
}
.link {
  color: var(--zaffer);
  text-decoration: underline;
  padding: 3px 0;
}
</style>
