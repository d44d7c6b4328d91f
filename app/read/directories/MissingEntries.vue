<script setup lang="ts">
/** The directories that have no entry of a place, how it stands that they were asked, and what they would be given. */
import type { PlaceEntries } from '~~/shared/read/directories'
import { correctionWords, fieldWords, saidWords, whenWords } from './directoryWords'

const props = defineProps<{ view: PlaceEntries; timeZone?: string; mayWrite: boolean }>()
const emit = defineEmits<{ sent: [jobs: number[]] }>()
const { base } = useClient()
const { problem, isBusy, attempt } = useAttempt()
type Missing = PlaceEntries['missing'][number]
const wanted = ref<Missing>()
const canAsk = ({ request }: Missing) => !request || request.state === 'refused' || request.state === 'taken'
const send = () =>
  attempt(async () => {
    const { jobs } = await api<{ jobs: number[] }>(`${base.value}/directories/requests`, {
      method: 'POST',
      body: { items: [{ place: props.view.place.id, directory: wanted.value!.directory }] },
    })
    wanted.value = undefined
    emit('sent', jobs)
  })
</script>

<template>
  <div>
    <ul v-if="view.missing.length" aria-label="Directories without an entry">
      <li v-for="each in view.missing" :key="each.directory">
        {{ each.name }} has no entry of it<template v-if="each.request"
          >; one was asked for on {{ whenWords(each.request.askedAt, timeZone)
          }}{{ each.request.askedBy ? ` by ${each.request.askedBy}` : '' }},
          {{ correctionWords(each.request) }}</template
        >.
        <Button
          v-if="mayWrite && canAsk(each)"
          label="Ask for one"
          text
          size="small"
          aria-haspopup="dialog"
          :aria-label="`Ask ${each.name} for an entry`"
          @click="wanted = each"
        />
      </li>
    </ul>
    <OpeningDialog v-if="wanted" label="Ask for an entry" width="36rem" @close="wanted = undefined">
      <form @submit.prevent="send">
        <p>{{ wanted.name }} is given what the master record of {{ view.place.name }} says:</p>
        <dl>
          <template v-for="{ field, text } in wanted.sent" :key="field">
            <dt>{{ fieldWords(field) }}</dt>
            <dd>{{ saidWords(field, text) }}</dd>
          </template>
        </dl>
        <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
        <Button type="submit" label="Ask for it" :loading="isBusy" />
      </form>
    </OpeningDialog>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 6px 0;
  font-size: var(--text-small);
}
dl {
  display: grid;
  grid-template-columns: 9rem 1fr;
  gap: 2px 10px;
  margin: 8px 0 12px;
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
</style>
