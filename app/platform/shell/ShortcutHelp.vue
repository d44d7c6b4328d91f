<script setup lang="ts">
import { stagesFor } from '~/stages'

const shell = useShell()
const session = useSession()
const { slug } = useClient()
const keys = computed(() =>
  shortcutsFor(
    {
      mayWrite: session.mayWrite,
      maySeeFigures: !slug.value || session.may(slug.value, 'figures'),
      hasClient: slug.value !== '',
    },
    stagesFor((needs) => session.may(slug.value, needs)).map(({ name }) => name),
  ),
)
</script>

<template>
  <OpeningDialog label="Keys" width="26rem" @close="shell.isHelpOpen = false">
    <dl>
      <template v-for="[key, meaning] in keys" :key="key"
        ><dt>{{ key }}</dt>
        <dd>{{ meaning }}</dd></template
      >
    </dl>
  </OpeningDialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 5rem 1fr;
  gap: 6px 12px;
}
dt {
  font-weight: 600;
  color: var(--zaffer);
}
</style>
