<script setup lang="ts">
import { AGES } from '~~/core/breakdowns/breakdowns'
import { formatCount } from '~~/core/format/numbers'
import { networkById } from '~~/core/networks/networks'
import {
  ESTIMATE_COUNTRIES,
  estimateSchema,
  ESTIMATING_NETWORKS,
  INTERESTS,
  keptEstimateSchema,
  ROUGH_RADIUS,
  type EstimateInput,
  type KeptReachable,
  type ReachableView,
} from '~~/shared/read/reachable'

useHead({ title: 'Reachable · Zaffer' })
const session = useSession()
const say = useSay()
const locale = useLocale()
const route = useRoute()
const router = useRouter()
const { slug, base } = useClient()
const refreshAll = useRefresh()
/** Our own map, and the towns on it. */
const isles = useQuery({
  key: () => ['isles'],
  query: () => api<GeoJSON.FeatureCollection>('/maps/farrow-isles.geojson', { responseType: 'json' }),
})
const towns = computed(
  () =>
    new Map(
      (isles.data.value?.features ?? []).flatMap(({ geometry, properties }) =>
        geometry.type === 'Point'
          ? [[String(properties?.name), geometry.coordinates as [number, number]] as const]
          : [],
      ),
    ),
)
const FIRST: EstimateInput = {
  network: 'tintype',
  kind: 'circle',
  lat: 49.615,
  lon: -7.985,
  radius: 5,
  towns: [],
  countries: [],
  ages: [],
  genders: [],
  interests: [],
}
/** What is asked stands in the address, so that a link shows the same. */
function fromAddress(): EstimateInput {
  try {
    return estimateSchema.validateSync({ ...FIRST, ...(JSON.parse(String(route.query.asked ?? '{}')) as object) })
  } catch {
    return FIRST
  }
}
const form = reactive<EstimateInput>(fromAddress())
const view = ref<ReachableView>()
const asked = ref<EstimateInput>()
const problem = ref('')
const isAsking = ref(false)
const name = ref('')
const kept = useQuery({
  key: () => ['reachable', slug.value],
  query: () => api<KeptReachable[]>(`${base.value}/reachable/kept`),
})
const remove = useRemoval(() => refreshAll('reachable'))
const NETWORKS = ESTIMATING_NETWORKS.map((value) => ({ value, name: networkById(value).name }))
const KINDS = [
  { value: 'circle', name: 'Around a place' },
  { value: 'towns', name: 'In towns' },
  { value: 'countries', name: 'In countries' },
]
const COUNTRIES = ESTIMATE_COUNTRIES.map((id) => ({
  id,
  name: new Intl.DisplayNames(['en'], { type: 'region' }).of(id) ?? id,
}))
const RADII = [0.5, 1, 2, 5, 10, 20, 40, 80].map((value) => ({ value, name: `${value} km` }))
const around = computed(
  () => [...towns.value].find(([, [lon, lat]]) => lat === form.lat && lon === form.lon)?.[0] ?? '',
)
const isRough = computed(() => form.kind === 'circle' && form.radius < ROUGH_RADIUS)
const count = (value: number) => formatCount(value, locale)

async function ask() {
  problem.value = ''
  isAsking.value = true
  try {
    const body = estimateSchema.validateSync(form)
    view.value = await api<ReachableView>(`${base.value}/reachable`, { method: 'POST', body })
    asked.value = { ...body }
    await router.replace({ query: { asked: JSON.stringify(body) } })
  } catch (error) {
    problem.value = (error as Error).message
  } finally {
    isAsking.value = false
  }
}
function goTo(town: string) {
  if (form.kind === 'towns')
    return void (form.towns = form.towns.includes(town)
      ? form.towns.filter((each) => each !== town)
      : [...form.towns, town])
  const [lon, lat] = towns.value.get(town)!
  Object.assign(form, { lat, lon })
}
async function keep() {
  problem.value = ''
  try {
    const body = keptEstimateSchema.validateSync({ name: name.value, asked: form })
    await api(`${base.value}/reachable/kept`, { method: 'POST', body })
    name.value = ''
    await refreshAll('reachable')
    say.done(`“${body.name}” is kept.`)
  } catch (error) {
    problem.value = (error as Error).message
  }
}
async function open(one: KeptReachable) {
  Object.assign(form, FIRST, one.asked)
  await ask()
}
onMounted(() => void (route.query.asked && ask()))
</script>

<template>
  <div>
    <PageHead title="How many people could be reached?" />
    <div class="halves">
      <form class="ask" @submit.prevent="ask">
        <div class="row">
          <label for="reach-network">On</label
          ><Select
            v-model="form.network"
            input-id="reach-network"
            :options="NETWORKS"
            option-label="name"
            option-value="value"
            aria-label="Network"
          />
          <Select
            v-model="form.kind"
            :options="KINDS"
            option-label="name"
            option-value="value"
            aria-label="Where they live"
          />
        </div>
        <div v-if="form.kind === 'circle'" class="row">
          <label for="reach-town">Around</label
          ><Select
            :model-value="around"
            input-id="reach-town"
            :options="[...towns.keys()]"
            :placeholder="`${form.lat}, ${form.lon}`"
            aria-label="Town in the middle"
            @update:model-value="goTo"
          />
          <label for="reach-radius">within</label
          ><Select
            v-model="form.radius"
            input-id="reach-radius"
            :options="RADII"
            option-label="name"
            option-value="value"
            aria-label="Radius"
          />
        </div>
        <fieldset v-if="form.kind === 'towns'">
          <legend>Towns</legend>
          <label v-for="town in towns.keys()" :key="town"
            ><input v-model="form.towns" type="checkbox" :value="town" /> {{ town }}</label
          >
        </fieldset>
        <fieldset v-if="form.kind === 'countries'">
          <legend>Countries</legend>
          <label v-for="country in COUNTRIES" :key="country.id"
            ><input v-model="form.countries" type="checkbox" :value="country.id" /> {{ country.name }}</label
          >
        </fieldset>
        <fieldset>
          <legend>Ages</legend>
          <label v-for="age in AGES" :key="age"
            ><input v-model="form.ages" type="checkbox" :value="age" /> {{ age.replace('-', '–') }}</label
          >
        </fieldset>
        <fieldset>
          <legend>Genders</legend>
          <label><input v-model="form.genders" type="checkbox" value="f" /> Women</label>
          <label><input v-model="form.genders" type="checkbox" value="m" /> Men</label>
        </fieldset>
        <fieldset>
          <legend>Interests</legend>
          <label v-for="interest in INTERESTS" :key="interest"
            ><input v-model="form.interests" type="checkbox" :value="interest" /> {{ interest }}</label
          >
        </fieldset>
        <p class="quiet">Where nothing is ticked in a group, everybody is meant.</p>
        <p v-if="isRough" role="note">
          A radius under {{ ROUGH_RADIUS }} km says little outside towns: networks know only roughly where people are.
        </p>
        <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
        <Button v-if="session.mayWrite" type="submit" label="Ask the network" :loading="isAsking" />
      </form>
      <IslesMap
        v-if="isles.data.value && form.kind !== 'countries'"
        :geography="isles.data.value"
        :lat="form.lat"
        :lon="form.lon"
        :radius="form.radius"
        :towns="form.towns"
        :is-circle="form.kind === 'circle'"
        @move="(lat, lon) => Object.assign(form, { lat, lon })"
        @town="goTo"
      />
    </div>
    <p v-if="isles.error.value" role="alert">{{ isles.error.value.message }}</p>
    <ReachableText
      v-if="view && asked"
      class="part"
      :view="view"
      :asked="asked"
      :network-name="networkById(asked.network).name"
    />
    <section aria-labelledby="kept-heading" class="part">
      <h2 id="kept-heading" class="heading">Kept audiences</h2>
      <form v-if="view && session.mayWrite" class="row" @submit.prevent="keep">
        <label for="reach-name">Keep this one as</label>
        <InputText id="reach-name" v-model="name" size="small" :maxlength="80" />
        <Button type="submit" label="Keep it" size="small" outlined />
      </form>
      <p v-if="kept.error.value" role="alert">{{ kept.error.value.message }}</p>
      <p v-else-if="kept.data.value?.length === 0" class="quiet">
        None yet. An audience that is asked for again can be kept under a name.
      </p>
      <ul>
        <li v-for="one in kept.data.value" :key="one.id" class="row">
          <b>{{ one.name }}</b>
          <span class="quiet"
            >{{ networkById(one.asked.network).name }},
            {{ one.high === null ? 'too few to be told' : `${count(one.low!)} to ${count(one.high)}` }} on
            {{ one.askedAt.toISOString().slice(0, 10) }}</span
          >
          <span v-if="session.mayWrite" class="row right">
            <Button label="Ask again" text size="small" :aria-label="`Ask again for ${one.name}`" @click="open(one)" />
            <Button
              label="Remove"
              text
              size="small"
              :aria-label="`Remove ${one.name}`"
              @click="remove(`${base}/reachable/kept/${one.id}`, `“${one.name}” was removed.`)"
            />
          </span>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.halves {
  display: grid;
  grid-template-columns: minmax(320px, 1fr) minmax(320px, 1.1fr);
  gap: 22px;
}
.ask {
  display: grid;
  gap: 8px;
  align-content: start;
}
fieldset {
  border: 0;
  border-top: 1px solid var(--rule);
  display: flex;
  flex-wrap: wrap;
  gap: 3px 12px;
  padding: 4px 0 2px;
}
legend {
  float: left;
  width: 5rem;
  font-weight: 600;
}
.part {
  margin: 16px 0;
}
ul {
  list-style: none;
}
li {
  border-bottom: 1px solid var(--rule);
  padding: 3px 0;
}
.right {
  margin-left: auto;
}
</style>
