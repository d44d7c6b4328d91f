<script setup lang="ts">
import { NETWORKS } from '~~/core/networks/networks'
import type { SavedScope } from '~~/shared/figures/savedScopes'
import { whoAddress } from '~~/shared/figures/scope'

const props = defineProps<{ saved: SavedScope[]; words: { who: string; period: string; against: string } }>()
const emit = defineEmits<{ done: [] }>()
const route = useRoute()
const { query } = usePageAddress()
const router = useRouter()
const session = useSession()
const say = useSay()
const refreshAll = useRefresh()
const { slug, base } = useClient()
const { scope } = useScope()
const form = reactive({ name: '' })
const { forget } = useKeptForm(`scope of ${base.value}`, form)
/** All of it, unless some of it is unticked. */
const parts = ref<string[]>(['who', 'period', 'against', 'lines', 'field'])
const problem = ref('')
/** A fixed period is kept as fixed, a rolling one as rolling: which of the two it is, is said. */
const isFixed = computed(() => scope.value.period.includes('..'))
const text = (value: unknown) => (typeof value === 'string' ? value : '')
/** Pages that compare a field: with whom, and on which network, can be kept there too. */
const isOfField = computed(() => ['field', 'habits'].includes(route.path.split('/')[2] ?? ''))
const fieldWords = computed(() => {
  const network = NETWORKS.find(({ id }) => id === query.value.network)?.name ?? 'all networks'
  const hidden = text(query.value.hide).split(',').filter(Boolean).length
  return [
    `the field on ${network}`,
    ...(query.value.own === 'out' ? ['without the client'] : []),
    hidden === 0 ? 'with every rival' : `without ${hidden} ${hidden === 1 ? 'rival' : 'rivals'}`,
  ].join(', ')
})
const PARTS = computed(() => [
  { id: 'who', name: props.words.who },
  { id: 'period', name: `${props.words.period}${isFixed.value ? ', these very days' : ', moving with the calendar'}` },
  { id: 'against', name: `against ${props.words.against}` },
  isOfField.value
    ? { id: 'field', name: fieldWords.value }
    : { id: 'lines', name: 'the metrics of the chart, the figures and the table' },
])
const refresh = () => refreshAll('scopes')
/** Those parts of the address that are there. */
const given = (...names: readonly string[]) =>
  Object.fromEntries(names.flatMap((name) => (text(query.value[name]) ? [[name, text(query.value[name])]] : [])))

/** Opens a saved scope: what it does not keep stays as it is. */
async function open({ parts: kept }: SavedScope) {
  emit('done')
  const { who, period, against, metric, second, figures, headlines, columns, by, field, network, own, hide } = kept
  await router.push({
    ...(field && !isOfField.value && { path: `/${slug.value}/field` }),
    query: {
      ...query.value,
      ...(who && { who: who === 'all' ? undefined : who }),
      ...(period && { period }),
      ...(against && { against }),
      ...(metric && { metric, second, figures, by }),
      ...((metric || headlines) && { headlines, columns }),
      ...(field && { network, own, hide }),
    },
  })
}
async function keep() {
  problem.value = ''
  const has = (part: string) => parts.value.includes(part)
  try {
    await api(`${base.value}/scopes`, {
      method: 'POST',
      body: {
        name: form.name,
        parts: {
          ...(has('who') && { who: whoAddress(scope.value) }),
          ...(has('period') && { period: scope.value.period }),
          ...(has('against') && { against: scope.value.against }),
          ...(isOfField.value &&
            has('field') && {
              field: true,
              ...given('network', 'own', 'hide'),
            }),
          ...(!isOfField.value &&
            has('lines') && {
              metric: text(query.value.metric) || 'impressions',
              ...given('second', 'figures', 'headlines', 'columns', 'by'),
            }),
        },
      },
    })
    forget()
    await refresh()
    say.done(`“${form.name}” is kept. Everybody who has this client can open it.`)
    emit('done')
  } catch (error) {
    problem.value = (error as Error).message
  }
}
const takeAway = useRemoval(refresh)
const remove = ({ id, name: title }: SavedScope) => takeAway(`${base.value}/scopes/${id}`, `“${title}” was removed.`)
</script>

<template>
  <div class="keeper">
    <p v-if="saved.length === 0" class="quiet">No scope is kept yet.</p>
    <ul v-else aria-label="Kept scopes">
      <li v-for="one in saved" :key="one.id">
        <button type="button" class="bare link" @click="open(one)">{{ one.name }}</button>{{ ' ' }}
        <button
          v-if="session.mayWrite"
          type="button"
          class="bare away"
          :aria-label="`Remove ${one.name}`"
          @click="remove(one)"
        >
          Remove
        </button>
      </li>
    </ul>
    <form v-if="session.mayWrite" @submit.prevent="keep">
      <span class="field-label">Keep of this scope</span>
      <div v-for="part in PARTS" :key="part.id" class="row">
        <Checkbox v-model="parts" :input-id="`keep-${part.id}`" :value="part.id" /><label :for="`keep-${part.id}`">{{
          part.name
        }}</label>
      </div>
      <div class="row">
        <label for="keep-name">as</label
        ><InputText id="keep-name" v-model="form.name" size="small" placeholder="Name" /><Button
          type="submit"
          label="Keep"
          size="small"
          :disabled="PARTS.every(({ id }) => !parts.includes(id))"
        />
      </div>
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
    </form>
  </div>
</template>

<style scoped>
.keeper {
  width: 20rem;
}
ul {
  list-style: none;
  display: grid;
  gap: 4px;
  margin-bottom: 12px;
}
li {
  display: flex;
  justify-content: space-between;
}
.row {
  flex-wrap: nowrap;
  align-items: flex-start;
}
form .row:last-of-type {
  align-items: center;
}
form {
  display: grid;
  gap: 6px;
  border-top: 1px solid var(--rule);
  padding-top: 8px;
  margin-top: 8px;
}
.link {
  color: var(--zaffer);
  text-decoration: underline;
  padding: 3px 0;
}
.away {
  color: var(--ink3);
  padding: 3px 6px;
}
</style>
