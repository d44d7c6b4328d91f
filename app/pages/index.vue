<script setup lang="ts">
const session = useSession()
const first = session.session?.clients[0]
if (first) await navigateTo(`/${first.slug}/overview`, { replace: true })
</script>

<template>
  <p>You have no client yet. Ask the owner of the agency to give you one.</p>
</template>
