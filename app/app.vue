<script setup lang="ts">
import sans from '@fontsource-variable/source-sans-3/files/source-sans-3-latin-wght-normal.woff2?url'
import serif from '@fontsource-variable/source-serif-4/files/source-serif-4-latin-wght-normal.woff2?url'
import { STAGES } from '~/stages'

const router = useRouter()
/** The page that is gone to, also while another one is refused and nothing is drawn that could finish it. */
const route = computed(() => router.currentRoute.value)
const session = useSession()
/** Why a page of a client is not for whoever asks, in a heading and a sentence. */
const refusal = computed(() => {
  const slug = String(route.value.params.client ?? '')
  if (!slug || !session.session) return undefined
  const client = session.clientOf(slug)
  if (!client)
    return {
      heading: 'There is no such client here',
      sentence: 'Either the address is wrong, or the client was not given to you. Ask the owner of the agency for it.',
    }
  const page = STAGES.flatMap(({ pages }) => pages).find(({ path }) => path === route.value.path.split('/')[2])
  if (!page || session.may(slug, page.needs)) return undefined
  return {
    heading: `“${page.name}” is the agency’s own work`,
    sentence: client.isOfPlaces
      ? 'You are assigned to single places of this client, and see those alone.'
      : 'It is not released to you. What was issued for you stands under Editions.',
    ...(client.isOfPlaces
      ? session.may(slug, 'places') && { to: session.homeOf(slug), where: 'To the places' }
      : { to: `/${slug}/editions`, where: 'To the editions' }),
  }
})
/** The faces are fetched first, and a page that was drawn on the server is seen once they are there, or soon after. */
useHead({
  link: [serif, sans].map((href) => ({
    rel: 'preload',
    as: 'font',
    type: 'font/woff2',
    crossorigin: 'anonymous',
    href,
  })),
})
const ONCE_WRITTEN =
  "(function(d){if(!d.fonts)return;var s=d.body.style;s.visibility='hidden';" +
  "function show(){s.visibility=''}setTimeout(show,1000);" +
  'Promise.all([\'1em "Source Serif 4 Variable"\',\'1em "Source Sans 3 Variable"\',\'600 1em "Source Serif 4 Variable"\']' +
  '.map(function(f){return d.fonts.load(f)})).then(show,show)})(document)'
/** What is pressed before the page listens is kept, and done once it does: app/plugins/early.client.ts. */
const KEEP_EARLY =
  '(function(w,d){var early=w.zafferEarly={};function keep(e){var t=e.target;if(!e.isTrusted||!t.closest)return;' +
  "if(e.type==='click'){var b=t.closest('button,[role=combobox]');if(b)early.last={element:b}}" +
  "else if(e.key.length===1&&!e.ctrlKey&&!e.metaKey&&!e.altKey&&e.key!==' ')early.last={key:e.key}}" +
  "d.addEventListener('click',keep,true);d.addEventListener('keydown',keep,true);" +
  "early.stop=function(){d.removeEventListener('click',keep,true);d.removeEventListener('keydown',keep,true)}})(window,document)"
/** Before anything is painted: a page that was drawn on the server does not know how its reader likes it. */
const AS_LIKED =
  "try{var k=localStorage.getItem('vueuse-color-scheme')||'auto';" +
  "if(k==='dark'||k==='auto'&&matchMedia('(prefers-color-scheme: dark)').matches)" +
  "document.documentElement.classList.add('dark')}catch(e){}"
if (import.meta.server)
  useHead({
    script: [
      { innerHTML: KEEP_EARLY, tagPosition: 'head' },
      { innerHTML: AS_LIKED, tagPosition: 'head' },
      { innerHTML: ONCE_WRITTEN, tagPosition: 'bodyOpen' },
    ],
  })
</script>

<template>
  <PlainShell v-if="route.meta.shell === 'plain'"><NuxtPage /></PlainShell>
  <AppShell v-else :is-refused="!!refusal"><RefusedPage v-if="refusal" v-bind="refusal" /><NuxtPage v-else /></AppShell>
</template>
