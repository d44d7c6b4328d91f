<script setup lang="ts">
/** Somebody, or a place, is looked for on the networks of a post and named in its text. */
import { plainHandle } from '~~/core/networks/profileAddress'
import { lookupSchema, type FoundProfile } from '~~/shared/gather/profiles'

const props = defineProps<{
  /** The networks that the post goes to; all where it goes to none yet. */ networks: readonly string[]
}>()
const emit = defineEmits<{ close: []; take: [name: string] }>()
const locale = useLocale()
const { base } = useClient()
const what = ref('')
const found = ref<FoundProfile[]>()
const { problem, isBusy, attempt } = useAttempt()
const look = () =>
  attempt(async () => {
    found.value = undefined
    const body = lookupSchema.validateSync({ what: what.value, network: '' })
    const all = await api<FoundProfile[]>(`${base.value}/profiles/lookup`, { method: 'POST', body })
    found.value = all.filter(({ network }) => props.networks.length === 0 || props.networks.includes(network))
  })
const nameOf = ({ handle }: FoundProfile) => `@${plainHandle(handle)}`
const whereOf = ({ networkName, followers }: FoundProfile) =>
  `on ${networkName}${followers === null ? '' : `, ${followers.toLocaleString(locale)} followers`}`
/** Where the same name means somebody on other networks of the post, or nobody. */
const isOnOthers = computed(() => new Set(props.networks).size > 1)
</script>

<template>
  <OpeningDialog label="Name somebody" width="34rem" @close="emit('close')">
    <form novalidate @submit.prevent.stop="look">
      <div class="field">
        <label for="named-what">Name or handle of a person, an organisation or a place</label>
        <InputText id="named-what" v-model="what" size="small" fluid :maxlength="300" autofocus :invalid="!!problem" />
        <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      </div>
      <Button type="submit" label="Look" size="small" :loading="isBusy" />
    </form>
    <p v-if="found?.length === 0" class="quiet" role="status">
      No network {{ networks.length ? 'of this post' : '' }} knows anybody of that name.
    </p>
    <template v-else-if="found">
      <p v-if="isOnOthers" class="quiet">
        A name is known on its own network; give a network its own text where somebody is called otherwise there.
      </p>
      <ul aria-label="Whom the networks know">
        <li v-for="each in found" :key="`${each.network} ${each.remoteId}`" class="row">
          <span class="grow"
            ><b>{{ nameOf(each) }}</b> {{ each.name }} <span class="quiet">{{ whereOf(each) }}</span></span
          >
          <Button
            type="button"
            label="Name it"
            size="small"
            :aria-label="`Name ${nameOf(each)} of ${each.networkName}`"
            @click="emit('take', nameOf(each))"
          />
        </li>
      </ul>
    </template>
  </OpeningDialog>
</template>

<style scoped>
ul {
  list-style: none;
  margin-top: 8px;
}
li {
  border-top: 1px solid var(--rule);
  padding: 4px 0;
}
.grow {
  flex: 1;
  overflow-wrap: anywhere;
}
</style>
