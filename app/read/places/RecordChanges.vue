<script setup lang="ts">
/** What records would become, field by field, and what is refused. */
import { PLACE_FIELDS, type FieldChange } from '~~/core/places/place'

defineProps<{
  changed: { id: number; name: string; changes: FieldChange[] }[]
  refused: { id: number; name: string; reason: string }[]
}>()
const nameOf = (field: string) => PLACE_FIELDS.find((each) => each.field === field)!.name
</script>

<template>
  <ul class="what">
    <slot />
    <li v-for="{ id, name, changes } in changed" :key="id">
      <strong>{{ name }}</strong>
      <ul>
        <li v-for="{ field, from, to } in changes" :key="field">
          {{ nameOf(field) }}: <del>{{ from || '—' }}</del> → <ins>{{ to || '—' }}</ins>
        </li>
      </ul>
    </li>
    <li v-for="{ id, name, reason } in refused" :key="`refused ${id}`" class="field-error">{{ name }}: {{ reason }}</li>
  </ul>
</template>

<style scoped>
.what {
  max-height: 320px;
  overflow: auto;
  margin-bottom: 10px;
}
del {
  color: var(--ink3);
}
ins {
  text-decoration: none;
  font-weight: 600;
}
</style>
