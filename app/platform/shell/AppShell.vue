<script setup lang="ts">
const props = defineProps<{
  /** Whether the page is not for whoever asks: there is nothing to say beside it. */ isRefused?: boolean
}>()
const router = useRouter()
const shell = useShell()
const session = useSession()
const { slug } = useClient()
/**
 * The margin takes its room as soon as the next page is known: what is measured on that page must not be pushed aside
 * afterwards.
 */
const hasMargin = computed(
  () => router.currentRoute.value.meta.margin === true && !props.isRefused && session.may(slug.value, 'figures'),
)
const isOpen = computed(() => hasMargin.value && shell.isMarginOpen)
useOpening(() => shell.note || shell.isAddOpen || shell.isFindOpen || shell.isHelpOpen || shell.isClientOpen)
useShortcuts()
useFreshness()
</script>

<template>
  <div class="shell" :class="{ 'with-margin': isOpen }">
    <a class="skip" href="#page">To the page</a>
    <RailNav class="no-print" />
    <main id="page" tabindex="-1"><slot /></main>
    <MarginColumn v-if="isOpen" />
    <LazyNoteDialog v-if="shell.note" />
    <LazyAddToReport v-if="shell.isAddOpen" />
    <LazyFindAnything v-if="shell.isFindOpen" />
    <LazyShortcutHelp v-if="shell.isHelpOpen" />
    <LazyMessageToast v-if="session.session && shell.hasSpoken" />
  </div>
</template>

<style scoped>
.shell {
  display: grid;
  grid-template-columns: 172px minmax(0, 1fr);
  min-height: 100vh;
}
.with-margin {
  grid-template-columns: 172px minmax(0, 1fr) 268px;
}
main {
  padding: 16px 20px 32px 24px;
  min-width: 0;
  outline: none;
}
.skip {
  position: absolute;
  left: -999px;
  background: var(--paper);
  padding: 6px 10px;
  z-index: 9;
}
.skip:focus {
  left: 8px;
  top: 8px;
}
@media (max-width: 1199px) {
  .with-margin {
    grid-template-columns: 172px minmax(0, 1fr);
  }
}
@media print {
  .shell,
  .with-margin {
    display: block;
  }
  main {
    padding: 0;
  }
}
</style>
