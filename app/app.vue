<script setup lang="ts">
import { STAGES } from '~/stages'

const router = useRouter()
/** The page that is gone to, also while another one is refused and nothing is drawn that could finish it. */
const route = computed(() => router.currentRoute.value)
const session = useSession()
/** Why a page of a client is not for whoever asks, in a heading and a sentence. */
const refusal = computed(() => {
  const slug = String(route.value.params.client ?? '')
  if (!slug || !session.session) return undefined
  if (!session.may(slug, 'read'))
    return {
      heading: 'There is no such client here',
      sentence: 'Either the address is wrong, or the client was not given to you. Ask the owner of the agency for it.',
    }
  const page = STAGES.flatMap(({ pages }) => pages).find(({ path }) => path === route.value.path.split('/')[2])
  if (!page || session.may(slug, page.needs)) return undefined
  return {
    heading: `“${page.name}” is the agency’s own work`,
    sentence: 'It is not released to you. What was issued for you stands under Editions.',
    slug,
  }
})
</script>

<template>
  <PlainShell v-if="route.meta.shell === 'plain'"><NuxtPage /></PlainShell>
  <AppShell v-else :is-refused="!!refusal"><RefusedPage v-if="refusal" v-bind="refusal" /><NuxtPage v-else /></AppShell>
</template>
