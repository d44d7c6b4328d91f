<script setup lang="ts">
import { CATALOGUE } from '~~/core/metrics/catalogue'
import { FIGURE_SETS } from '~~/core/metrics/figureSets'
import { MOST_HEADLINES } from '~~/shared/read/overview'
import type OpeningPopover from '../platform/shell/OpeningPopover.vue'
import { SelectOnUse } from '~/platform/selectOnUse'

/** Which figures stand at the head of the page: a ready-made set, one that was kept, or one's own. */
const props = defineProps<{
  /** The ready-made set of the address. */ figures: string
  /** What is shown, and whether somebody has chosen it. */ shown: string[]
  isOwn: boolean
}>()
const emit = defineEmits<{ choose: [parts: { figures?: string; headlines?: string; columns?: string }] }>()
const session = useSession()
const say = useSay()
const refresh = useRefresh()
const { base } = useClient()
const route = useRoute()
const { description } = useScope()
const keeper = ref<InstanceType<typeof OpeningPopover>>()
const name = ref('')
const problem = ref('')
const metrics = CATALOGUE.map(({ id, name: label }) => ({ id, name: label }))
const OWN = 'own'
const kept = computed(() =>
  (description.data.value?.saved ?? []).filter(
    ({ parts }) => parts.headlines && !parts.who && !parts.period && !parts.against,
  ),
)
const current = computed(() => {
  if (!props.isOwn) return props.figures
  const same = kept.value.find(({ parts }) => parts.headlines === props.shown.join(','))
  return same ? `kept ${same.id}` : OWN
})
const choices = computed(() => [
  { group: 'Ready-made', items: FIGURE_SETS.map(({ id, name: label }) => ({ id, name: label })) },
  ...(kept.value.length > 0
    ? [{ group: 'Kept', items: kept.value.map(({ id, name: label }) => ({ id: `kept ${id}`, name: label })) }]
    : []),
  ...(current.value === OWN ? [{ group: 'Not kept', items: [{ id: OWN, name: 'Your own figures' }] }] : []),
])

function choose(id: string) {
  if (id === OWN) return
  const one = kept.value.find((each) => `kept ${each.id}` === id)
  emit(
    'choose',
    one
      ? { figures: undefined, headlines: one.parts.headlines, columns: one.parts.columns }
      : { figures: id === FIGURE_SETS[0]!.id ? undefined : id, headlines: undefined, columns: undefined },
  )
}
async function keep() {
  problem.value = ''
  const columns = typeof route.query.columns === 'string' ? { columns: route.query.columns } : {}
  try {
    await api(`${base.value}/scopes`, {
      method: 'POST',
      body: { name: name.value, parts: { headlines: props.shown.join(','), ...columns } },
    })
    await refresh('scopes')
    say.done(`“${name.value}” is kept, and can be chosen under Figures. It is removed under Kept scopes.`)
    name.value = ''
    keeper.value?.hide()
  } catch (error) {
    problem.value = (error as Error).message
  }
}
</script>

<template>
  <label for="figure-set">Figures</label>
  <SelectOnUse
    :model-value="current"
    input-id="figure-set"
    size="small"
    :options="choices"
    option-group-label="group"
    option-group-children="items"
    option-label="name"
    option-value="id"
    aria-label="Figures shown above"
    @update:model-value="choose"
  />
  <MetricPicker
    :metrics="metrics"
    :chosen="shown"
    :most="MOST_HEADLINES"
    label="Figures at the head"
    words="Choose"
    @choose="(ids) => emit('choose', { headlines: ids.join(',') || undefined })"
  />
  <template v-if="session.mayWrite && current === OWN">
    <Button label="Keep these" text size="small" aria-haspopup="dialog" @click="keeper?.toggle($event)" />
    <OpeningPopover ref="keeper" label="Keep these figures">
      <form class="row" @submit.prevent="keep">
        <label for="keep-figures">as</label
        ><LazyInputText id="keep-figures" v-model="name" size="small" placeholder="Name" /><Button
          type="submit"
          label="Keep the figures"
          size="small"
        />
      </form>
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
    </OpeningPopover>
  </template>
</template>
