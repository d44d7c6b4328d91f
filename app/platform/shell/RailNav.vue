<script setup lang="ts">
import { stagesFor } from '~/stages'
import type OpeningPopover from './OpeningPopover.vue'
import { describeDay } from '~~/core/periods/describePeriod'

const route = useRoute()
const session = useSession()
const shell = useShell()
const { slug } = useClient()
const { description } = useScope()
const words = ref<InstanceType<typeof OpeningPopover>>()
/** The words are looked for anew each time: the page has changed since. */
const wordsAsked = ref(0)
function openWords(event: Event) {
  wordsAsked.value++
  void words.value?.toggle(event)
}
const isDark = useDark({ valueDark: 'dark', disableTransition: false })
const stages = computed(() => stagesFor((needs) => session.may(slug.value, needs)))
const shared = computed(() => scopeOf(route.query))
const known = computed(() => description.data.value)
const fetching = computed(() => known.value?.profiles.filter(({ firstFetch }) => firstFetch).length ?? 0)
const unsynced = computed(
  () =>
    known.value?.profiles.filter(
      ({ syncedTo, isGone }) => !isGone && (!syncedTo || syncedTo < known.value!.lastComplete),
    ).length ?? 0,
)

async function signOut() {
  await session.signOut()
  await navigateTo('/sign-in')
}
</script>

<template>
  <nav aria-label="Stages of the work">
    <NuxtLink class="word" :to="{ path: '/' }">zaffer</NuxtLink>
    <NuxtLink
      v-if="session.session && session.session.clients.length > 1"
      class="page all"
      :class="{ on: route.path === '/' }"
      to="/"
      >All clients</NuxtLink
    >
    <ClientSwitch v-if="session.session" />
    <div v-for="stage in stages" :key="stage.name">
      <h2>{{ stage.name }}</h2>
      <NuxtLink
        v-for="page in stage.pages"
        :key="page.path"
        class="page"
        :to="{ path: `/${slug}/${page.path}`, query: shared }"
        :class="{ on: route.path.startsWith(`/${slug}/${page.path}`) }"
        >{{ page.name }}</NuxtLink
      >
    </div>
    <div class="foot">
      <div v-show="slug" class="state">
        <p v-if="known">Figures up to {{ describeDay(known.lastComplete) }}</p>
        <p v-if="known && known.writing > 0">Figures are being written; they will move</p>
        <p v-if="fetching">First fetch running for {{ fetching }} {{ fetching === 1 ? 'profile' : 'profiles' }}</p>
        <p v-if="known && unsynced">{{ unsynced }} of {{ known.profiles.length }} profiles not up to date</p>
      </div>
      <p class="links">
        <button
          type="button"
          class="bare"
          aria-haspopup="dialog"
          title="What the words on this page mean"
          @click="openWords"
        >
          Words
        </button>
        <NuxtLink to="/glossary">Glossary</NuxtLink>
        <NuxtLink v-if="session.session?.person.role === 'owner'" to="/agency">Agency</NuxtLink>
        <button type="button" class="bare" aria-haspopup="dialog" @click="shell.isHelpOpen = true">Keys</button>
        <button type="button" class="bare" @click="isDark = !isDark">{{ isDark ? 'Light' : 'Dark' }}</button>
      </p>
      <p v-if="session.session">
        <NuxtLink to="/me" :aria-label="`${session.session.person.name}: sessions and password`">{{
          session.session.person.name
        }}</NuxtLink>
        · <button type="button" class="bare out" @click="signOut">Sign out</button>
      </p>
    </div>
    <OpeningPopover ref="words" label="Words on this page"
      ><LazyWordsHere :key="wordsAsked" @done="words?.hide()"
    /></OpeningPopover>
  </nav>
</template>

<style scoped>
nav {
  background: var(--rail);
  border-right: 1px solid var(--rule);
  padding: 18px 0;
  display: flex;
  flex-direction: column;
  position: sticky;
  top: 0;
  height: 100vh;
  overflow-y: auto;
}
.word {
  font: italic 600 27px/1 var(--serif);
  color: var(--zaffer);
  padding: 0 18px 4px;
  letter-spacing: -0.01em;
  text-decoration: none;
}
h2 {
  font: italic 600 var(--text-small)/1 var(--serif);
  color: var(--ink3);
  padding: 13px 18px 5px;
}
.page {
  display: block;
  padding: 3.5px 18px 3.5px 15px;
  border-left: 3px solid transparent;
  color: var(--ink2);
  text-decoration: none;
}

.all {
  margin-top: 8px;
}
.page:hover {
  color: var(--ink);
}
.page.on {
  border-color: var(--zaffer);
  color: var(--ink);
  font-weight: 650;
  background: var(--wash);
}
.foot {
  margin-top: auto;
  padding: 16px 18px 0;
  font-size: var(--text-least);
  color: var(--ink3);
  line-height: 1.45;
}
.state {
  min-height: 4.4em;
}
.foot .links {
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
  margin: 4px 0;
}
.foot :is(.links a, button) {
  padding: 3px 0;
}
.foot :is(a, button) {
  color: var(--ink2);
  text-decoration: underline;
  text-underline-offset: 2px;
}
</style>
