<script setup lang="ts">
import type { SavedScope } from '~~/shared/figures/savedScopes'
import { whoAddress } from '~~/shared/figures/scope'

const props = defineProps<{ saved: SavedScope[]; words: { who: string; period: string; against: string } }>()
const emit = defineEmits<{ done: [] }>()
const route = useRoute()
const router = useRouter()
const session = useSession()
const say = useSay()
const refreshAll = useRefresh()
const { base } = useClient()
const { scope } = useScope()
const form = reactive({ name: '' })
const { forget } = useKeptForm(`scope of ${base.value}`, form)
/** All of it, unless some of it is unticked. */
const parts = ref<string[]>(['who', 'period', 'against', 'lines'])
const problem = ref('')
/** A fixed period is kept as fixed, a rolling one as rolling: which of the two it is, is said. */
const isFixed = computed(() => scope.value.period.includes('..'))
const PARTS = computed(() => [
  { id: 'who', name: props.words.who },
  { id: 'period', name: `${props.words.period}${isFixed.value ? ', these very days' : ', moving with the calendar'}` },
  { id: 'against', name: `against ${props.words.against}` },
  { id: 'lines', name: 'the metrics of the chart, the figures and the table' },
])
const refresh = () => refreshAll('scopes')

/** Opens a saved scope: what it does not keep stays as it is. */
async function open({ parts: kept }: SavedScope) {
  emit('done')
  const { who, period, against, metric, second, figures, headlines, columns, by } = kept
  await router.push({
    query: {
      ...route.query,
      ...(who && { who: who === 'all' ? undefined : who }),
      ...(period && { period }),
      ...(against && { against }),
      ...(metric && { metric, second, figures, by }),
      ...((metric || headlines) && { headlines, columns }),
    },
  })
}
async function keep() {
  problem.value = ''
  const has = (part: string) => parts.value.includes(part)
  const text = (value: unknown) => (typeof value === 'string' ? value : undefined)
  try {
    await api(`${base.value}/scopes`, {
      method: 'POST',
      body: {
        name: form.name,
        parts: {
          ...(has('who') && { who: whoAddress(scope.value) }),
          ...(has('period') && { period: scope.value.period }),
          ...(has('against') && { against: scope.value.against }),
          ...(has('lines') && {
            metric: text(route.query.metric) ?? 'impressions',
            ...Object.fromEntries(
              ['second', 'figures', 'headlines', 'columns', 'by'].flatMap((part) =>
                text(route.query[part]) ? [[part, text(route.query[part])]] : [],
              ),
            ),
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
          :disabled="parts.length === 0"
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
