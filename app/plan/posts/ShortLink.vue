<script setup lang="ts">
/** The link of a post as one of the client’s own: short, told apart by its campaign, its clicks counted. */
import { linkSchema } from '~~/shared/read/links'

const props = defineProps<{ /** What the link is called among the others: the words of the post. */ name: string }>()
const link = defineModel<string>({ required: true })
const emit = defineEmits<{ moved: [from: string, to: string] }>()
const { slug, base } = useClient()
const session = useSession()
const { problem, isBusy, attempt } = useAttempt()
const campaign = ref('')
/** Where the short one leads, as far as it was made here. */
const whole = ref('')
const isOwn = computed(
  () => import.meta.client && URL.canParse(link.value) && link.value.startsWith(`${window.location.origin}/l/`),
)
function put(address: string) {
  emit('moved', link.value, address)
  link.value = address
}
const shorten = () =>
  attempt(async () => {
    const body = linkSchema.validateSync({
      name: [...(props.name.trim().split(/\s+/).join(' ') || link.value)].slice(0, 80).join(''),
      target: link.value,
      medium: 'social',
      campaign: campaign.value,
    })
    const { code } = await api<{ code: string }>(`${base.value}/links`, { method: 'POST', body })
    whole.value = link.value
    put(`${window.location.origin}/l/${code}`)
  })
</script>

<template>
  <div v-if="session.mayWrite" class="row short">
    <template v-if="isOwn">
      <span class="quiet"
        >It is one of the client’s <NuxtLink :to="`/${slug}/links`">links</NuxtLink>, which count their clicks.</span
      >
      <Button v-if="whole" type="button" label="The whole address again" text size="small" @click="put(whole)" />
    </template>
    <template v-else>
      <InputText
        v-model="campaign"
        size="small"
        :maxlength="80"
        placeholder="Campaign"
        aria-label="Campaign that the short link belongs to"
      />
      <Button
        type="button"
        label="Shorten it and count its clicks"
        text
        size="small"
        :loading="isBusy"
        @click="shorten"
      />
    </template>
    <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.short {
  justify-content: flex-start;
  margin: -4px 0 10px;
}
</style>
