<script setup lang="ts">
const shell = useShell()
const { selected } = useSelectedFigure()
const route = useRoute()
</script>

<template>
  <aside aria-label="Margin: notes and workings" class="no-print" :class="{ over: shell.isOpenOver }">
    <button
      type="button"
      class="bare close"
      aria-label="Close the margin"
      title="Close the margin (w)"
      @click="shell.isMarginOpen = false"
    >
      ×
    </button>
    <NoteList v-if="route.meta.scope" />
    <WorkingsPanel
      class="workings"
      v-if="selected && route.meta.figures"
      :metric="selected.metric"
      :who="selected.who"
    />
    <div class="workings" :ref="(element) => (shell.marginPlace = element as HTMLElement | null)" />
    <p v-if="route.meta.figures && !selected" class="quiet">Select a figure to see how it came about.</p>
  </aside>
</template>

<style scoped>
aside {
  border-left: 1px solid var(--rule);
  background: var(--paper);
  padding: 16px 18px;
  position: sticky;
  top: 0;
  height: 100vh;
  overflow-y: auto;
}
.close {
  position: absolute;
  right: 14px;
  top: 12px;
  font-size: 18px;
  line-height: 1;
  color: var(--ink3);
  padding: 3px 5px;
}
@media (max-width: 1199px) {
  aside {
    position: fixed;
    right: 0;
    top: 0;
    width: 288px;
    z-index: 5;
  }
  /* until the browser has said how wide it is */
  aside:not(.over) {
    display: none;
  }
}
</style>
