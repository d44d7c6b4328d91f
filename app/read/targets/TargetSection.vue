<script setup lang="ts">
import { inSentence } from '~~/core/format/inSentence'
import { metricById } from '~~/core/metrics/catalogue'
import type { BrokenTarget, TargetRow, TargetView } from '~~/shared/read/targets'

const session = useSession()
useArrival('targets')
const refreshAll = useRefresh()
const { slug, base } = useClient()
const { data, error } = useQuery({
  key: () => ['targets', slug.value],
  query: () => api<{ targets: TargetView[]; broken: BrokenTarget[] }>(`${base.value}/targets`),
})
const edited = ref<TargetRow | 'new'>()
const nameOf = ({ metric, whoWords }: TargetView) =>
  `${metricById(metric).name.toLowerCase()} of ${inSentence(whoWords)}`
const refresh = () => refreshAll('targets')

const removeWithUndo = useRemoval(refresh)
const remove = (target: TargetRow) => removeWithUndo(`${base.value}/targets/${target.id}`, 'The target was removed.')

function saved() {
  edited.value = undefined
  refresh()
}
</script>

<template>
  <section id="targets" tabindex="-1" aria-labelledby="targets-heading">
    <div class="head">
      <h2 id="targets-heading" class="heading">Targets</h2>
      <DownloadMenu v-if="data?.targets.length" kind="targets" what="The targets" />
      <Button
        v-if="session.mayWrite"
        label="Set a target"
        aria-haspopup="dialog"
        outlined
        size="small"
        class="no-print"
        @click="edited = 'new'"
      />
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-if="data?.targets.length === 0 && data.broken.length === 0" class="quiet">
      No target yet. A target is a wanted value by a date; its progress and where it is heading will stand here.
    </p>
    <TargetText v-for="target in data?.targets ?? []" :key="target.id" :target="target">
      <p v-if="session.mayWrite" class="row no-print">
        <button
          type="button"
          class="bare as-link link"
          aria-haspopup="dialog"
          :aria-label="`Change the target for ${nameOf(target)}`"
          @click="edited = target"
        >
          Change</button
        ><button
          type="button"
          class="bare as-link link"
          :aria-label="`Remove the target for ${nameOf(target)}`"
          @click="remove(target)"
        >
          Remove
        </button>
      </p>
    </TargetText>
    <div v-for="target in data?.broken ?? []" :key="target.id" role="alert">
      <p>{{ target.problem }}</p>
      <p v-if="session.mayWrite" class="row no-print">
        <button type="button" class="bare as-link link" aria-haspopup="dialog" @click="edited = target">
          Change this target</button
        ><button type="button" class="bare as-link link" @click="remove(target)">Remove this target</button>
      </p>
    </div>
    <LazyTargetDialog
      v-if="edited"
      :target="edited === 'new' ? undefined : edited"
      @close="edited = undefined"
      @saved="saved"
    />
  </section>
</template>

<style scoped>
section {
  margin-top: 22px;
  outline: none;
}
.head {
  display: flex;
  gap: 14px;
  align-items: center;
}
.head .downloads {
  margin-left: auto;
}
.head .downloads + .p-button,
.head > .p-button:nth-child(2) {
  margin-left: 0;
}
.head h2 {
  flex: 1;
}
.link {
  font-size: var(--text-small);
}
</style>
