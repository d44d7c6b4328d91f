<template>
  <main class="plain"><slot /></main>
</template>

<style scoped>
.plain {
  max-width: 820px;
  margin: 0 auto;
  padding: 40px 24px;
}
@media (max-width: 640px) {
  .plain {
    padding: 16px 14px;
  }
}
@media print {
  .plain {
    max-width: none;
    padding: 0;
  }
}
</style>
