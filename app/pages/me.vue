<script setup lang="ts">
import { describeInstant } from '~~/core/periods/describePeriod'
import type { SessionView } from '~~/shared/platform/people'
import { passwordSchema } from '~~/shared/platform/people'

useHead({ title: 'You · Zaffer' })
const session = useSession()
const say = useSay()
const { data, error, refetch } = useQuery({ key: ['my-sessions'], query: () => api<SessionView[]>('/api/me/sessions') })
const others = computed(() => (data.value ?? []).filter(({ isThis }) => !isThis).length)
const form = reactive({ current: '', password: '', repeated: '' })
const problems = ref<Record<string, string>>({})
const isBusy = ref(false)

async function end(what: Promise<unknown>, said: string) {
  try {
    await what
    say.done(said)
  } catch (problem) {
    say.problem(problem)
  }
  await refetch()
}
const endOne = ({ id }: SessionView) =>
  end(api(`/api/me/sessions/${id}`, { method: 'DELETE' }), 'That browser is signed out.')
const endOthers = () => end(api('/api/me/sessions', { method: 'DELETE' }), 'Every other browser is signed out.')

async function changePassword() {
  problems.value = {}
  if (form.password !== form.repeated)
    return void (problems.value = { repeated: 'This is not the same as the new password.' })
  isBusy.value = true
  try {
    const body = passwordSchema.validateSync(form, { abortEarly: false, stripUnknown: true })
    await api('/api/me/password', { method: 'PUT', body })
    Object.assign(form, { current: '', password: '', repeated: '' })
    say.done('Your password is changed. Every other browser is signed out.')
    await refetch()
  } catch (problem) {
    problems.value = problemsOf(problem, 'all')
  } finally {
    isBusy.value = false
  }
}

/** Of what a browser says of itself, the part that tells one machine from another. */
const systemOf = (browser: string) =>
  /\(([^)]+)\)/.exec(browser)?.[1] ?? (browser.slice(0, 60) || 'a program that gives no name')
const when = (date: Date) =>
  `${describeInstant(date)}, ` + `${date.toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' })}`
const COLUMNS = [
  { key: 'where', label: 'Where', valueOf: ({ browser }: SessionView) => systemOf(browser) },
  { key: 'address', label: 'Address', isWords: true, valueOf: ({ address }: SessionView) => address },
  {
    key: 'begun',
    label: 'Signed in',
    isWords: true,
    isFigure: true,
    valueOf: ({ begunAt }: SessionView) => begunAt.getTime(),
    textOf: ({ begunAt }: SessionView) => when(begunAt),
  },
  {
    key: 'seen',
    label: 'Last used',
    isWords: true,
    isFigure: true,
    valueOf: ({ seenAt, isThis }: SessionView) => (isThis ? Infinity : seenAt.getTime()),
    textOf: ({ seenAt, isThis }: SessionView) => (isThis ? 'now' : when(seenAt)),
  },
]
</script>

<template>
  <div class="me">
    <PageHead title="Where are you signed in?" />
    <p v-if="session.session">
      {{ session.session.person.name }}, {{ session.session.person.email }}, {{ session.session.person.role }} of the
      agency.
    </p>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <OrderedTable
      v-if="data"
      name="sort"
      end-label="What can be done"
      :columns="COLUMNS"
      :rows="data"
      :key-of="({ id }) => id"
    >
      <template #where="{ row }">
        <b v-if="row.isThis">Here </b><span :title="row.browser">{{ systemOf(row.browser) }}</span>
      </template>
      <template #end="{ row }">
        <td>
          <Button
            v-if="!row.isThis"
            label="Sign out"
            text
            size="small"
            :aria-label="`Sign out the session of ${when(row.begunAt)}`"
            @click="endOne(row)"
          />
        </td>
      </template>
    </OrderedTable>
    <p v-if="data && others === 0" class="quiet">
      Nowhere else. A browser that is not used for a day is signed out by itself, and every one after two weeks.
    </p>
    <Button v-if="others > 0" label="Sign out everywhere else" outlined class="all" @click="endOthers" />
    <form aria-labelledby="password-heading" @submit.prevent="changePassword">
      <h2 id="password-heading" class="heading">Change your password</h2>
      <div class="field">
        <label for="current">Password of now</label
        ><InputText
          id="current"
          v-model="form.current"
          type="password"
          autocomplete="current-password"
          :invalid="!!problems.current"
        />
        <p v-if="problems.current" class="field-error" role="alert">{{ problems.current }}</p>
      </div>
      <div class="field">
        <label for="password">New password</label
        ><InputText
          id="password"
          v-model="form.password"
          type="password"
          autocomplete="new-password"
          :invalid="!!problems.password"
        />
        <p v-if="problems.password" class="field-error" role="alert">{{ problems.password }}</p>
      </div>
      <div class="field">
        <label for="repeated">The new one again</label
        ><InputText
          id="repeated"
          v-model="form.repeated"
          type="password"
          autocomplete="new-password"
          :invalid="!!problems.repeated"
        />
        <p v-if="problems.repeated" class="field-error" role="alert">{{ problems.repeated }}</p>
      </div>
      <p v-if="problems.all" class="field-error" role="alert">{{ problems.all }}</p>
      <Button type="submit" label="Change the password" :loading="isBusy" />
    </form>
  </div>
</template>

<style scoped>
.me {
  max-width: 52rem;
}
.plain-table {
  margin: 14px 0 8px;
}
form {
  max-width: 22rem;
  margin-top: 28px;
}
.heading {
  margin-bottom: 8px;
}
</style>
