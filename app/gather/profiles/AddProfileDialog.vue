<script setup lang="ts">
import { NETWORKS } from '~~/core/networks/networks'
import { formatCount } from '~~/core/format/numbers'
import { describeDay } from '~~/core/periods/describePeriod'
import { lookupSchema } from '~~/shared/gather/profiles'
import type { FoundProfile } from '~~/shared/gather/profiles'

const props = defineProps<{
  competitors: string[]
  /** What is looked for as soon as it opens: where an address asks for it. */
  start?: { what: string; network: string; rivalName: string }
}>()
const emit = defineEmits<{ close: []; added: [name: string] }>()
const { base } = useClient()
const locale = useLocale()
const networks = [{ id: 'all', name: 'Every network' }, ...NETWORKS.map(({ id, name }) => ({ id, name }))]
interface Wanted {
  what: string
  network: string
  whose: 'own' | 'rival'
  rivalName: string
}
const wanted = ref<Wanted>(
  props.start ? { ...props.start, whose: 'rival' } : { what: '', network: 'all', whose: 'own', rivalName: '' },
)
const { forget, isBack, beginAnew } = useKeptForm(props.start ? '' : `profile of ${base.value}`, wanted.value)
const found = ref<FoundProfile[]>()
const { problem, isBusy, attempt } = useAttempt()
const look = () =>
  attempt(async () => {
    found.value = undefined
    lookupSchema.validateSync({ what: wanted.value.what })
    found.value = await api<FoundProfile[]>(`${base.value}/profiles/lookup`, {
      method: 'POST',
      body: { what: wanted.value.what, network: wanted.value.network === 'all' ? '' : wanted.value.network },
    })
  })
onMounted(() => props.start && void look())
const add = (profile: FoundProfile) =>
  attempt(async () => {
    const rival = wanted.value.whose === 'rival' ? wanted.value.rivalName.trim() || profile.name : ''
    await api(`${base.value}/profiles`, {
      method: 'POST',
      body: { network: profile.network, handle: profile.handle, rival },
    })
    forget()
    emit('added', `${profile.name} on ${profile.networkName}`)
  })
const seen = ({ followers, postsIn28Days, lastPost }: FoundProfile) =>
  [
    followers === null ? 'followers not shown' : `${formatCount(followers, locale)} followers`,
    postsIn28Days === 0
      ? 'no post in four weeks'
      : `${postsIn28Days} ${postsIn28Days === 1 ? 'post' : 'posts'} in four ` +
        `weeks${lastPost ? `, the last on ${describeDay(lastPost)}` : ''}`,
  ].join(' · ')
</script>

<template>
  <OpeningDialog label="Add a profile" width="38rem" @close="emit('close')">
    <form @submit.prevent="look">
      <TypedBefore :is-back="isBack" @anew="beginAnew" />
      <div class="row ask">
        <div class="field grow">
          <label for="add-what">Name, handle or address</label
          ><InputText
            id="add-what"
            v-model="wanted.what"
            autofocus
            fluid
            placeholder="Its name, @handle, or https://tintype.example/handle"
            :invalid="!!problem"
          />
        </div>
        <div class="field">
          <label for="add-network">Network</label
          ><Select
            v-model="wanted.network"
            input-id="add-network"
            :options="networks"
            option-label="name"
            option-value="id"
            aria-label="Network"
          />
        </div>
        <Button type="submit" label="Look" :loading="isBusy && !found" />
      </div>
    </form>
    <div class="row whose" role="radiogroup" aria-label="Whose it is">
      <RadioButton v-model="wanted.whose" input-id="whose-own" name="whose" value="own" /><label for="whose-own"
        >The client’s own</label
      >
      <RadioButton v-model="wanted.whose" input-id="whose-rival" name="whose" value="rival" /><label for="whose-rival"
        >A rival’s</label
      >
      <template v-if="wanted.whose === 'rival'"
        ><label for="add-rival" class="hidden-but-read">Name of the competitor</label
        ><InputText
          id="add-rival"
          v-model="wanted.rivalName"
          size="small"
          list="competitors"
          placeholder="Name of the competitor" /><datalist id="competitors">
          <option v-for="each in competitors" :key="each" :value="each" /></datalist
      ></template>
    </div>
    <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
    <p v-if="found?.length === 0" role="status">
      No network has a profile under “{{ wanted.what }}”. Check the spelling, or look on every network.
    </p>
    <ul v-if="found?.length" aria-label="Found">
      <li v-for="profile in found" :key="`${profile.network} ${profile.remoteId}`">
        <div class="grow">
          <b>{{ profile.name }}</b> <span class="quiet">{{ profile.networkName }}, {{ profile.handle }}</span
          ><br /><span class="quiet">{{ seen(profile) }}</span>
        </div>
        <span v-if="profile.already" class="quiet"
          >{{ profile.already.isRival ? 'in the list, as a rival' : 'in the list'
          }}{{ profile.already.isActive ? '' : ', switched off' }}</span
        >
        <Button
          v-else
          :label="wanted.whose === 'rival' ? 'Add as a rival' : 'Add'"
          size="small"
          :disabled="isBusy"
          :aria-label="`Add ${profile.name} on ${profile.networkName}`"
          @click="add(profile)"
        />
      </li>
    </ul>
    <p class="quiet hint">
      What anybody can see is fetched at once. Reach, followers won and lost and other private figures need the owner’s
      consent, by a link that you send.
    </p>
  </OpeningDialog>
</template>

<style scoped>
.ask {
  align-items: flex-end;
  flex-wrap: nowrap;
}
.ask > .p-button {
  margin-bottom: 12px;
}
.grow {
  flex: 1;
}
.whose {
  margin-bottom: 8px;
}
ul {
  list-style: none;
}
li {
  display: flex;
  gap: 12px;
  align-items: center;
  border-top: 1px solid var(--rule);
  padding: 8px 0;
}
.hint {
  margin-top: 10px;
}
</style>
