<script setup lang="ts">
/** A keyword that is to be looked for: for which place, where, from which points, how often, and what that takes. */
import { RANK_KINDS } from '~~/core/ranks/found'
import { GRID_SHAPES, MOST_RINGS } from '~~/core/ranks/rankGrid'
import { checksUntil, RHYTHMS, rhythmById } from '~~/core/ranks/rankRhythm'
import { lastDayOfMonth, monthOf, yearOf } from '~~/core/days/day'
import { pointsOf, rankWatchSchema, type RankAllowance } from '~~/shared/read/ranks'
import type { PlacesView } from '~~/shared/read/places'

const emit = defineEmits<{ close: []; saved: [id: number] }>()
const say = useSay()
const { slug, base } = useClient()
const { address } = useScope()
const { data: places } = useQuery({
  key: () => ['places', slug.value, address.value],
  query: () => api<PlacesView>(`${base.value}/places`, { query: address.value }),
})
const { data: allowance } = useQuery({
  key: () => ['rank-allowance', slug.value],
  query: () => api<RankAllowance>(`${base.value}/ranks/allowance`),
})
const form = reactive({
  place: undefined as number | undefined,
  keyword: '',
  kind: RANK_KINDS[0].id as string,
  rhythm: 'week' as string,
  shape: 'point' as string,
  spacing: '500',
  rings: '3',
})
const { forget, isBack, beginAnew } = useKeptForm(`keyword of ${base.value}`, form)
const problems = ref<Record<string, string>>({})
const isSaving = ref(false)
const SHAPE_NAMES: Record<string, string> = {
  point: 'at its door alone',
  square: 'points around it, as squares',
  hexagon: 'points around it, as hexagons',
}
const shapes = GRID_SHAPES.map((id) => ({ id, name: SHAPE_NAMES[id]! }))
const choices = computed(() => (places.value?.places ?? []).filter(({ isActive, lat }) => isActive && lat !== null))
const input = computed(() => ({
  ...form,
  spacing: form.shape === 'point' ? 500 : form.spacing.trim(),
  rings: form.shape === 'point' ? 0 : form.rings.trim(),
}))
/** What it takes, as far as what is written can be read. */
const takes = computed(() => {
  const rings = Number(input.value.rings)
  if (!Number.isInteger(rings) || rings < 0 || rings > MOST_RINGS || !allowance.value) return undefined
  const points = pointsOf({ shape: form.shape as 'point', spacing: 500, rings })
  const { today, limit, used, toCome } = allowance.value
  const last = lastDayOfMonth(yearOf(today), monthOf(today))
  const checks = checksUntil(form.rhythm as 'week', undefined, today, last)
  return { points, checks, left: limit - used - toCome, isTooMuch: points * checks > limit - used - toCome }
})

async function save() {
  problems.value = {}
  isSaving.value = true
  try {
    const body = rankWatchSchema.validateSync(input.value, { abortEarly: false })
    const { id } = await api<{ id: number }>(`${base.value}/ranks`, { method: 'POST', body })
    forget()
    say.done(
      `“${body.keyword}” is looked for${body.rhythm === 'by-hand' ? ' when you ask for it' : ` ${rhythmById(body.rhythm).name}`}.`,
    )
    emit('saved', id)
  } catch (error) {
    problems.value = problemsOf(error, 'keyword')
  } finally {
    isSaving.value = false
  }
}
</script>

<template>
  <OpeningDialog label="A keyword to look for" width="34rem" @close="emit('close')">
    <form novalidate @submit.prevent="save">
      <TypedBefore :is-back="isBack" @anew="beginAnew" />
      <div class="field">
        <label for="rank-keyword">What people search for</label>
        <InputText
          id="rank-keyword"
          v-model="form.keyword"
          fluid
          :maxlength="80"
          placeholder="tea room"
          :invalid="!!problems.keyword"
        />
        <p v-if="problems.keyword" class="field-error" role="alert">{{ problems.keyword }}</p>
      </div>
      <div class="field">
        <label for="rank-place">Place</label>
        <Select
          v-model="form.place"
          input-id="rank-place"
          aria-label="Place"
          :options="choices"
          option-label="name"
          option-value="id"
          placeholder="Choose a place"
          fluid
        />
        <p v-if="problems.place" class="field-error" role="alert">{{ problems.place }}</p>
      </div>
      <div class="row">
        <div class="field">
          <label for="rank-kind">Where the results stand</label>
          <Select
            v-model="form.kind"
            input-id="rank-kind"
            aria-label="Where the results stand"
            :options="[...RANK_KINDS]"
            option-label="name"
            option-value="id"
          />
        </div>
        <div class="field">
          <label for="rank-rhythm">How often</label>
          <Select
            v-model="form.rhythm"
            input-id="rank-rhythm"
            aria-label="How often"
            :options="[...RHYTHMS]"
            option-label="name"
            option-value="id"
          />
        </div>
      </div>
      <div class="field">
        <label for="rank-shape">From where</label>
        <Select
          v-model="form.shape"
          input-id="rank-shape"
          aria-label="From where"
          :options="shapes"
          option-label="name"
          option-value="id"
        />
      </div>
      <div v-if="form.shape !== 'point'" class="row">
        <div class="field">
          <label for="rank-spacing">Metres from point to point</label>
          <InputText id="rank-spacing" v-model="form.spacing" inputmode="numeric" :invalid="!!problems.spacing" />
          <p v-if="problems.spacing" class="field-error" role="alert">{{ problems.spacing }}</p>
        </div>
        <div class="field">
          <label for="rank-rings">Rings around the place</label>
          <InputText id="rank-rings" v-model="form.rings" inputmode="numeric" :invalid="!!problems.rings" />
          <p v-if="problems.rings" class="field-error" role="alert">{{ problems.rings }}</p>
        </div>
      </div>
      <p v-if="takes" role="status" :class="takes.isTooMuch ? 'worse' : 'quiet'">
        A check takes {{ takes.points.toLocaleString('en') }} {{ takes.points === 1 ? 'point' : 'points' }};
        <template v-if="form.rhythm !== 'by-hand'"
          >this month {{ takes.checks }} {{ takes.checks === 1 ? 'check' : 'checks' }} more:
          {{ (takes.points * takes.checks).toLocaleString('en') }}
          {{ takes.points * takes.checks === 1 ? 'point' : 'points' }}. </template
        ><template v-if="takes.left >= 0"
          >{{ takes.left.toLocaleString('en') }} are left beside what is planned</template
        ><template v-else
          >what is planned already takes {{ (-takes.left).toLocaleString('en') }} more than there are</template
        ><template v-if="takes.isTooMuch">: they will run out this month</template>.
      </p>
      <Button type="submit" label="Look for it" :loading="isSaving" />
    </form>
  </OpeningDialog>
</template>
