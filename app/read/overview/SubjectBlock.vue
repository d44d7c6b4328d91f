<script setup lang="ts">
import type { FilledSubject } from '~~/shared/read/subjectBlock'

defineProps<{ block: FilledSubject }>()
</script>

<template>
  <SubjectText :subject="block.subject" />
</template>
